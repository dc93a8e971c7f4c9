<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import type { Rules } from '@/shared/api'
import { codeFrom } from '@/shared/codes'
import { t, tIn } from '@/shared/words'
import GlyphMark from '@/ui/GlyphMark.vue'
import KindEditor from './KindEditor.vue'

/** What the platform calls its kinds of sites, what holds for sites of each, and what is asked for a place in one. */
const props = defineProps<{
  rules: Rules
  mayChange: boolean
  wrongAt: (where: string) => string[]
  edit: () => Rules
  /** Codes of the kinds that hold already, and not only in the draft. */
  known: string[]
}>()
type Kind = Rules['siteKinds'][number]
const codes = () => props.rules.siteKinds.map((each) => each.code)
/** The place of the one that is looked into. */
const open = ref(-1)

function change(index: number, how: Partial<Kind>) {
  const kind = props.edit().siteKinds[index]!
  const others = codes().filter((each) => each !== kind.code)
  Object.assign(kind, how)
  // The code of one that is only in the draft follows its name.
  if (how.name !== undefined && !props.known.includes(kind.code)) kind.code = codeFrom(how.name || 'kind', others)
}
function add() {
  const kinds = props.edit().siteKinds
  const code = codeFrom('kind', codes())
  kinds.push({ code, name: '', glyph: '', seats: null, listed: true, roles: [], questions: [] })
  open.value = kinds.length - 1
}
function remove(index: number) {
  props.edit().siteKinds.splice(index, 1)
  open.value = -1
}
/** The first is that of a site of which nothing else is said. */
function first(index: number) {
  const kinds = props.edit().siteKinds
  kinds.unshift(...kinds.splice(index, 1))
  open.value = 0
}
const roleName = (code: string) => props.rules.roles.find((role) => role.code === code)?.name ?? code
const said = (kind: Kind, index: number) =>
  [
    ...(index ? [] : [t('rules.kind.first')]),
    kind.seats ? t('rules.kind.seatsSaid', { n: kind.seats }, kind.seats) : t('rules.kind.noSeats'),
    ...(kind.listed ? [] : [t('rules.kind.unlisted')]),
    ...kind.roles.map(({ people, role }) =>
      t('rules.kind.gives', { people: tIn('kind', people), role: roleName(role) }),
    ),
    ...(kind.questions.length ? [t('rules.kind.asks', { n: kind.questions.length }, kind.questions.length)] : []),
  ].join(' · ')
</script>

<template>
  <p class="soft">{{ t('rules.kind.more') }}</p>
  <ul>
    <li v-for="(kind, index) in rules.siteKinds" :key="index">
      <span class="mark"><GlyphMark :name="kind.glyph" /></span>
      <div class="kind">
        <p class="line">
          <strong>{{ kind.name }}</strong>
          <span class="soft">{{ said(kind, index) }}</span>
          <button
            v-if="mayChange"
            class="word"
            :aria-expanded="open === index"
            :aria-label="open === index ? undefined : t('rules.kind.editOf', { name: kind.name })"
            @click="open = open === index ? -1 : index"
          >
            {{ t(open === index ? 'rules.kind.done' : 'rules.kind.edit') }}
          </button>
        </p>
        <KindEditor
          v-if="mayChange && open === index"
          :kind="kind"
          :roles="rules.roles"
          :first="index === 0"
          :wrong-at="wrongAt"
          @change="change(index, $event)"
          @make-first="first(index)"
          @remove="remove(index)"
        />
        <template v-else>
          <p v-for="wrong in wrongAt('siteKinds/' + kind.code)" :key="wrong" class="clay" role="alert">{{ wrong }}</p>
        </template>
      </div>
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
  max-width: 860px;
}
li {
  display: flex;
  align-items: flex-start;
  gap: 10px;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
.mark {
  flex: none;
  width: 20px;
}
.kind {
  flex: 1;
  min-width: 0;
  display: grid;
  gap: 12px;
}
.line {
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}
.question {
  max-width: 620px;
}
</style>
