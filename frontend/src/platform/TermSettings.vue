<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import { api, take, type Settings } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { listed } from '@/shared/lists'
import { t } from '@/shared/words'
import DayField from '@/ui/DayField.vue'
import PickOne from '@/ui/PickOne.vue'
import { codeFrom, scopeOptions, lastYear, termSpan, type TermSet } from './settings'

/** The terms, each in its row; those of the next year are made from those of the last one there is. */
const props = defineProps<{
  settings: Settings
  mayChange: boolean
  wrongAt: (where: string) => string[]
  edit: () => Settings
}>()
const divisions = computed(() => scopeOptions(props.settings.divisions))
const codes = () => props.settings.terms.map((each) => each.code)
const { busy, run } = useBusy()

function set<K extends keyof TermSet>(index: number, field: K, value: TermSet[K]) {
  props.edit().terms[index]![field] = value
}

/** The code of a term that is new follows its name until the name is left. */
function rename(index: number, name: string) {
  const term = props.edit().terms[index]!
  const others = codes().filter((each) => each !== term.code)
  if (term.code === codeFrom(term.name || 'term', others)) term.code = codeFrom(name || 'term', others)
  term.name = name
}

const add = () =>
  props.edit().terms.push({ code: codeFrom('term', codes()), name: '', startsOn: '', endsOn: '', division: null })
const remove = (index: number) => props.edit().terms.splice(index, 1)

/** The terms of the last year there is: those that begin within a year before the last one does. */
const pattern = computed(() => lastYear(props.settings.terms))
const later = () =>
  run(async () => {
    const body = { terms: pattern.value, years: 1, taken: codes() }
    const { items } = await take(api.POST('/settings/later-terms', { body }))
    props.edit().terms.push(...items)
  })
</script>

<template>
  <p class="soft">{{ t('platform.term.more') }}</p>
  <p v-if="!settings.terms.length">{{ t('platform.term.empty') }}</p>
  <section v-for="(term, index) in settings.terms" :key="index" class="one">
    <div v-if="mayChange" class="row">
      <div class="field grow">
        <label :for="`term-name-${index}`">{{ t('platform.term.name') }}</label>
        <InputText
          :id="`term-name-${index}`"
          size="small"
          maxlength="120"
          :model-value="term.name"
          @update:model-value="rename(index, $event ?? '')"
        />
      </div>
      <div class="field">
        <label :for="`term-from-${index}`">{{ t('platform.term.from') }}</label>
        <DayField
          :id="`term-from-${index}`"
          :label="t('platform.term.from')"
          :model-value="term.startsOn"
          @update:model-value="set(index, 'startsOn', $event)"
        />
      </div>
      <div class="field">
        <label :for="`term-until-${index}`">{{ t('platform.term.until') }}</label>
        <DayField
          :id="`term-until-${index}`"
          :label="t('platform.term.until')"
          :model-value="term.endsOn"
          @update:model-value="set(index, 'endsOn', $event)"
        />
      </div>
      <PickOne
        stacked
        :label="t('platform.term.of')"
        :options="divisions"
        :model-value="term.division ?? ''"
        @update:model-value="set(index, 'division', $event || null)"
      />
      <button class="word clay" :aria-label="`${t('platform.take')}: ${term.name}`" @click="remove(index)">
        {{ t('platform.take') }}
      </button>
    </div>
    <p v-else>
      <strong>{{ term.name }}</strong> {{ termSpan(term.startsOn, term.endsOn) }}
    </p>
    <p v-for="wrong in wrongAt(`terms/${term.code}`)" :key="wrong" class="clay" role="alert">{{ wrong }}</p>
  </section>
  <div v-if="mayChange" class="row">
    <Button size="small" variant="outlined" :label="t('platform.term.add')" @click="add" />
    <template v-if="pattern.length">
      <Button size="small" variant="outlined" :disabled="busy" :label="t('platform.term.later')" @click="later" />
      <span class="soft">{{ t('platform.term.laterMore', { terms: listed(pattern.map((each) => each.name)) }) }}</span>
    </template>
  </div>
</template>

<style scoped src="./rows.css"></style>
