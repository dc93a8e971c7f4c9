<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed } from 'vue'
import type { Settings } from '@/shared/api'
import { languageOptions, zoneOptions } from '@/shared/tags'
import { codeFrom } from '@/shared/codes'
import { t } from '@/shared/words'
import NumberField from '@/ui/NumberField.vue'
import OneOf from '@/ui/OneOf.vue'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'
import { inOrder, scopeOptions, type DivisionSet } from './settings'

/** What is set for one division. What is written goes into the draft at once. */
const props = defineProps<{
  settings: Settings
  code: string
  edit: () => Settings
  /** Whether it is only in the draft. */
  fresh: boolean
}>()
const emit = defineEmits<{ drop: []; recode: [code: string] }>()
const division = computed(() => props.settings.divisions.find((each) => each.code === props.code)!)
const id = (field: string) => `division-${field}-${props.code}`

function set<K extends keyof DivisionSet>(field: K, value: DivisionSet[K]) {
  props.edit().divisions.find((each) => each.code === props.code)![field] = value
}

/** Where the code was not written by hand, it follows the name. */
function rename(name: string) {
  const taken = props.settings.divisions.map((each) => each.code).filter((each) => each !== props.code)
  const follows = props.fresh && [codeFrom('new', taken), codeFrom(division.value.name, taken)].includes(props.code)
  set('name', name)
  if (follows && name.trim()) emit('recode', codeFrom(name, taken))
}

const below = computed(() => {
  const codes = new Set([props.code])
  for (const { division: each } of inOrder(props.settings.divisions)) {
    if (each.parent && codes.has(each.parent)) codes.add(each.code)
  }
  return codes
})
const parents = computed(() =>
  scopeOptions(props.settings.divisions.filter((each) => !below.value.has(each.code) && each.name)),
)

type LevelKind = 'above' | 'numbers' | 'names' | 'none'
const levelKind = computed<LevelKind>(() => {
  if (!division.value.levels) return division.value.parent ? 'above' : 'numbers'
  return division.value.levels.names.length ? 'names' : 'none'
})
const levelKinds = computed<LevelKind[]>(() => [division.value.parent ? 'above' : 'numbers', 'names', 'none'])
function chooseLevels(kind: LevelKind) {
  if (kind === 'above' || kind === 'numbers') set('levels', null)
  else if (kind === 'none') set('levels', { first: 1, names: [] })
  else set('levels', { first: 1, names: [t('level', { n: 1 })] })
}
const names = computed({
  get: () => division.value.levels?.names.join('\n') ?? '',
  set: (text) => set('levels', { first: division.value.levels?.first ?? 1, names: text.split('\n') }),
})
/** Empty lines are left out once the field is left. */
const tidy = () => {
  if (division.value.levels) {
    const kept = division.value.levels.names.map((name) => name.trim()).filter(Boolean)
    set('levels', { ...division.value.levels, names: kept })
  }
}
</script>

<template>
  <div class="form">
    <div class="field">
      <label :for="id('name')">{{ t('platform.division.name') }}</label>
      <InputText
        :id="id('name')"
        size="small"
        maxlength="120"
        :model-value="division.name"
        @update:model-value="rename($event ?? '')"
      />
    </div>
    <div v-if="fresh" class="field">
      <label :for="id('code')">{{ t('platform.division.code') }}</label>
      <InputText
        :id="id('code')"
        size="small"
        class="num"
        maxlength="32"
        :model-value="division.code"
        :aria-describedby="id('code-hint')"
        @change="$emit('recode', ($event.target as HTMLInputElement).value.trim())"
      />
      <span :id="id('code-hint')" class="hint">{{ t('platform.division.codeHint') }}</span>
    </div>
    <PickOne
      stacked
      :label="t('platform.division.parent')"
      :options="parents"
      :model-value="division.parent ?? ''"
      @update:model-value="set('parent', $event || null)"
    />
    <PickOne
      stacked
      :label="t('platform.division.language')"
      :options="languageOptions()"
      :model-value="division.language"
      @update:model-value="set('language', $event!)"
    />
    <PickOne
      stacked
      :label="t('platform.division.zone')"
      :options="zoneOptions()"
      :model-value="division.timeZone"
      @update:model-value="set('timeZone', $event!)"
    />
    <p class="wide">
      <Tick :model-value="division.minors" @update:model-value="set('minors', !division.minors)">{{
        t('platform.division.minors')
      }}</Tick>
    </p>
    <fieldset class="wide">
      <legend>{{ t('platform.division.levels') }}</legend>
      <OneOf
        v-for="kind in levelKinds"
        :key="kind"
        :model-value="levelKind"
        :value="kind"
        :name="id('levels')"
        @update:model-value="chooseLevels(kind)"
        >{{ t(`platform.division.levelsAs.${kind}`) }}</OneOf
      >
      <div v-if="levelKind === 'names'" class="names">
        <div class="field">
          <label :for="id('names')">{{ t('platform.division.levelNames') }}</label>
          <Textarea :id="id('names')" v-model="names" rows="6" spellcheck="false" @blur="tidy" />
        </div>
        <div class="field">
          <label :for="id('first')">{{ t('platform.division.levelFirst') }}</label>
          <NumberField
            :id="id('first')"
            :figures="2"
            :model-value="division.levels?.first"
            @update:model-value="set('levels', { first: $event ?? 0, names: division.levels?.names ?? [] })"
          />
          <span class="hint">{{ t('platform.division.levelHint') }}</span>
        </div>
      </div>
    </fieldset>
    <div class="field wide">
      <label :for="id('welcome')">{{ t('platform.division.welcome') }}</label>
      <Textarea
        :id="id('welcome')"
        rows="2"
        maxlength="2000"
        :model-value="division.welcome"
        :aria-describedby="id('welcome-hint')"
        fluid
        @update:model-value="set('welcome', $event ?? '')"
      />
      <span :id="id('welcome-hint')" class="hint">{{ t('platform.division.welcomeHint') }}</span>
    </div>
    <p v-if="!fresh" class="wide">
      <RouterLink :to="{ name: 'move-division', params: { division: code } }">{{
        t('platform.division.move')
      }}</RouterLink>
    </p>
    <p class="wide">
      <button v-if="fresh" class="word clay" @click="$emit('drop')">{{ t('platform.take') }}</button>
      <Tick v-else :model-value="division.retired" @update:model-value="set('retired', !division.retired)">{{
        t('platform.division.retired')
      }}</Tick>
    </p>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 10px 18px;
  align-items: start;
  padding: 8px 0 12px;
}
.wide {
  grid-column: 1 / -1;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
}
legend {
  font-weight: 600;
  font-size: 0.92rem;
  padding: 0 0 4px;
}
.names {
  flex-basis: 100%;
  display: grid;
  grid-template-columns: minmax(200px, 320px) minmax(200px, 1fr);
  gap: 10px 18px;
}
@media (max-width: 640px) {
  .names {
    grid-template-columns: 1fr;
  }
}
</style>
