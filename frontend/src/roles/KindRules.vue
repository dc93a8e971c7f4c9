<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import type { Rules } from '@/shared/api'
import { codeFrom } from '@/shared/codes'
import { t, tIn } from '@/shared/words'
import GlyphMark from '@/ui/GlyphMark.vue'
import { GLYPHS } from '@/ui/glyphs'
import NumberField from '@/ui/NumberField.vue'
import { optionsIn } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'

/** What the platform calls its kinds of sites, and what it asks whoever asks for a place in one. */
const props = defineProps<{
  rules: Rules
  mayChange: boolean
  wrongAt: (where: string) => string[]
  edit: () => Rules
  /** Codes of the kinds that hold already, and not only in the draft. */
  known: string[]
}>()
const codes = () => props.rules.siteKinds.map((each) => each.code)

function rename(index: number, name: string) {
  const kind = props.edit().siteKinds[index]!
  const others = codes().filter((each) => each !== kind.code)
  // The code of one that is only in the draft follows its name.
  if (!props.known.includes(kind.code)) kind.code = codeFrom(name || 'kind', others)
  kind.name = name
}
const add = () =>
  props.edit().siteKinds.push({ code: codeFrom('kind', codes()), name: '', glyph: '', seats: null, listed: true })
const glyphs = computed(() =>
  optionsIn(['', ...Object.keys(GLYPHS)], (name) => (name ? tIn('glyph', name) : t('rules.kind.noGlyph'))),
)
const remove = (index: number) => props.edit().siteKinds.splice(index, 1)

/** The first is that of a site of which nothing else is said. */
function first(index: number) {
  const kinds = props.edit().siteKinds
  kinds.unshift(...kinds.splice(index, 1))
}
</script>

<template>
  <p class="soft">{{ t('rules.kind.more') }}</p>
  <ul>
    <li v-for="(kind, index) in rules.siteKinds" :key="index">
      <span v-if="mayChange" class="row">
        <InputText
          size="small"
          maxlength="60"
          :aria-label="t('rules.kind.name')"
          :placeholder="t('rules.kind.name')"
          :model-value="kind.name"
          @update:model-value="rename(index, $event ?? '')"
        />
        <PickOne
          :label="t('rules.kind.glyph')"
          :options="glyphs"
          :model-value="kind.glyph"
          @update:model-value="edit().siteKinds[index]!.glyph = $event ?? ''"
        />
        <span><GlyphMark :name="kind.glyph" /></span>
        <label :for="`kind-seats-${index}`">{{ t('rules.kind.seats') }}</label><NumberField
          :id="`kind-seats-${index}`"
          :figures="5"
          :model-value="kind.seats"
          @update:model-value="edit().siteKinds[index]!.seats = $event || null"
        />
        <Tick
          :model-value="kind.listed"
          @update:model-value="edit().siteKinds[index]!.listed = !rules.siteKinds[index]!.listed"
          >{{ t('rules.kind.listed') }}</Tick
        >
        <span v-if="index === 0" class="soft">{{ t('rules.kind.first') }}</span>
        <button
          v-else
          class="word"
          :aria-label="t('rules.kind.makeFirstOf', { name: kind.name })"
          @click="first(index)"
        >
          {{ t('rules.kind.makeFirst') }}
        </button>
        <button class="word clay" :aria-label="t('rules.kind.removeOf', { name: kind.name })" @click="remove(index)">
          {{ t('rules.kind.remove') }}
        </button>
      </span>
      <span v-else class="read"><GlyphMark :name="kind.glyph" />{{ kind.name }}</span>
      <p v-for="wrong in wrongAt('siteKinds/' + kind.code)" :key="wrong" class="clay" role="alert">{{ wrong }}</p>
    </li>
  </ul>
  <p v-if="mayChange"><Button size="small" variant="outlined" :label="t('rules.kind.add')" @click="add" /></p>
  <div class="field question">
    <label for="rules-question">{{ t('rules.kind.question') }}</label>
    <InputText
      v-if="mayChange"
      id="rules-question"
      size="small"
      maxlength="200"
      :model-value="rules.question"
      aria-describedby="rules-question-hint"
      fluid
      @update:model-value="edit().question = $event ?? ''"
    />
    <span v-else>{{ rules.question || t('rules.kind.noQuestion') }}</span>
    <span id="rules-question-hint" class="hint">{{ t('rules.kind.questionHint') }}</span>
    <span v-for="wrong in wrongAt('question')" :key="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}
.question {
  max-width: 620px;
}
@media (min-width: 1000px) {
  .row {
    display: grid;
    grid-template-columns: 180px 112px 20px auto 69px minmax(0, 1fr) 100px 125px;
    justify-items: start;
  }
}
.read {
  display: flex;
  gap: 8px;
  align-items: center;
}
</style>
