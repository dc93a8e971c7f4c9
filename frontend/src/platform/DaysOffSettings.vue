<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import type { Settings } from '@/shared/api'
import { t } from '@/shared/words'
import DayField from '@/ui/DayField.vue'
import PickOne from '@/ui/PickOne.vue'
import { scopeOptions, termSpan, type DaysOffSet } from './settings'

/** Holidays and other days on which nothing is held. */
const props = defineProps<{
  settings: Settings
  mayChange: boolean
  wrongAt: (where: string) => string[]
  edit: () => Settings
}>()
const divisions = computed(() => scopeOptions(props.settings.divisions))

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
  <section v-for="(days, index) in settings.daysOff" :key="index" class="one">
    <div v-if="mayChange" class="row">
      <div class="field grow">
        <label :for="`off-name-${index}`">{{ t('platform.off.name') }}</label>
        <InputText
          :id="`off-name-${index}`"
          size="small"
          maxlength="120"
          :model-value="days.name"
          @update:model-value="set(index, 'name', $event ?? '')"
        />
      </div>
      <div class="field">
        <label :for="`off-from-${index}`">{{ t('platform.off.from') }}</label>
        <DayField
          :id="`off-from-${index}`"
          :label="t('platform.off.from')"
          :model-value="days.from"
          @update:model-value="begin(index, $event)"
        />
      </div>
      <div class="field">
        <label :for="`off-until-${index}`">{{ t('platform.off.until') }}</label>
        <DayField
          :id="`off-until-${index}`"
          :label="t('platform.off.until')"
          :model-value="days.until"
          @update:model-value="set(index, 'until', $event)"
        />
      </div>
      <PickOne
        stacked
        :label="t('platform.off.of')"
        :options="divisions"
        :model-value="days.division ?? ''"
        @update:model-value="set(index, 'division', $event || null)"
      />
      <button class="word clay" :aria-label="`${t('platform.take')}: ${days.name}`" @click="remove(index)">
        {{ t('platform.take') }}
      </button>
    </div>
    <p v-else>
      <strong>{{ days.name }}</strong> {{ termSpan(days.from, days.until) }}
    </p>
    <p v-for="wrong in wrongAt(`daysOff/${index}`)" :key="wrong" class="clay" role="alert">{{ wrong }}</p>
  </section>
  <p v-if="mayChange">
    <Button size="small" variant="outlined" :label="t('platform.off.add')" @click="add" />
  </p>
</template>

<style scoped src="./rows.css"></style>
