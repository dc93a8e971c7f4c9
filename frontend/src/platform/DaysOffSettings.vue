<script setup lang="ts">
import Button from 'primevue/button'
import { useFileDialog } from '@vueuse/core'
import { ref } from 'vue'
import { api, Problem, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import type { DaysOffSet, PartOfSettings } from './settings'
import SpanRow from './SpanRow.vue'

/** Holidays and other days on which nothing is held. */
const props = defineProps<PartOfSettings>()

function set<K extends keyof DaysOffSet>(index: number, field: K, value: DaysOffSet[K]) {
  props.edit().daysOff[index]![field] = value
}

/** A single day is written once. */
function begin(index: number, day: string) {
  const days = props.edit().daysOff[index]!
  if (!days.until || days.until === days.from) days.until = day
  days.from = day
}

const add = () => props.edit().daysOff.push({ name: '', from: '', until: '', division: null })
const remove = (index: number) => props.edit().daysOff.splice(index, 1)

const wrong = ref('')
const found = ref('')
const { busy, run } = useBusy((thrown) => {
  if (thrown instanceof Problem && thrown.kind === 'invalid') wrong.value = thrown.message
  else wentWrong(thrown)
})
const { open, onChange } = useFileDialog({ accept: '.ics,text/calendar', multiple: false, reset: true })
onChange((chosen) => {
  const file = chosen?.item(0)
  if (file) void read(file)
})
/** What a calendar has comes into the draft; what stands there already is not written twice. */
const read = (file: File) =>
  run(async () => {
    wrong.value = found.value = ''
    const { items, left } = await take(api.POST('/settings/calendar', { body: { text: await file.text() } }))
    const key = (days: DaysOffSet) => [days.name, days.from, days.until].join('\n')
    const there = new Set(props.settings.daysOff.map(key))
    const fresh = items.filter((days) => !there.has(key(days)))
    if (fresh.length) props.edit().daysOff.push(...fresh)
    found.value = [
      t('platform.off.found', { n: fresh.length }, fresh.length),
      ...(left ? [t('platform.off.left', { n: left }, left)] : []),
    ].join(' ')
  })
</script>

<template>
  <p class="soft">{{ t('platform.off.more') }}</p>
  <p v-if="!settings.daysOff.length">{{ t('platform.off.empty') }}</p>
  <SpanRow
    v-for="(days, index) in settings.daysOff"
    :id="`off-${index}`"
    :key="index"
    :settings="settings"
    :may-change="mayChange"
    :wrong="wrongAt(`daysOff/${index}`)"
    :name="days.name"
    :from="days.from"
    :until="days.until"
    :division="days.division"
    @update:name="set(index, 'name', $event)"
    @update:from="begin(index, $event)"
    @update:until="set(index, 'until', $event)"
    @update:division="set(index, 'division', $event)"
    @remove="remove(index)"
  />
  <p v-if="mayChange">
    <Button size="small" variant="outlined" :label="t('platform.off.add')" @click="add" />
    {{ ' ' }}
    <Button size="small" variant="outlined" :disabled="busy" :label="t('platform.off.calendar')" @click="open()" />
  </p>
  <p v-if="wrong" class="clay" role="alert">{{ wrong }}</p>
  <p v-if="found" role="status">{{ found }}</p>
</template>
