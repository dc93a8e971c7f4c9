<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { listed } from '@/shared/lists'
import { codeFrom } from '@/shared/codes'
import { t } from '@/shared/words'
import { lastYear, type PartOfSettings, type TermSet } from './settings'
import SpanRow from './SpanRow.vue'

/** The terms, each in its row; those of the next year are made from those of the last one there is. */
const props = defineProps<PartOfSettings>()
const codes = () => props.settings.terms.map((each) => each.code)
const { busy, run } = useBusy()

function set<K extends keyof TermSet>(index: number, field: K, value: TermSet[K]) {
  props.edit().terms[index]![field] = value
}

/** The code of a term that is new follows its name; that of one that is there stays. */
function rename(index: number, name: string) {
  const term = props.edit().terms[index]!
  const others = codes().filter((each) => each !== term.code)
  if (!props.known('terms').has(term.code)) term.code = codeFrom(name || 'term', others)
  term.name = name
}

const add = () =>
  props.edit().terms.push({ code: codeFrom('term', codes()), name: '', startsOn: '', endsOn: '', division: null })
const remove = (index: number) => props.edit().terms.splice(index, 1)

/** The terms of the last year there is. */
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
  <SpanRow
    v-for="(term, index) in settings.terms"
    :id="`term-${index}`"
    :key="index"
    :settings="settings"
    :may-change="mayChange"
    :wrong="wrongAt(`terms/${term.code}`)"
    :name="term.name"
    :from="term.startsOn"
    :until="term.endsOn"
    :division="term.division"
    @update:name="rename(index, $event)"
    @update:from="set(index, 'startsOn', $event)"
    @update:until="set(index, 'endsOn', $event)"
    @update:division="set(index, 'division', $event)"
    @remove="remove(index)"
  />
  <div v-if="mayChange" class="more">
    <Button size="small" variant="outlined" :label="t('platform.term.add')" @click="add" />
    <template v-if="pattern.length">
      <Button size="small" variant="outlined" :disabled="busy" :label="t('platform.term.later')" @click="later" />
      <span class="soft">{{ t('platform.term.laterMore', { terms: listed(pattern.map((each) => each.name)) }) }}</span>
    </template>
  </div>
</template>

<style scoped>
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
</style>
