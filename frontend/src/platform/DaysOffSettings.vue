<script setup lang="ts">
import Button from 'primevue/button'
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
  </p>
</template>
