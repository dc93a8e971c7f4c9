<script setup lang="ts">
import Button from 'primevue/button'
import DatePicker from 'primevue/datepicker'
import Popover from 'primevue/popover'
import { computed, nextTick, onMounted, ref } from 'vue'
import { isDay, writtenDay } from '@/shared/days'
import { t } from '@/shared/words'
import type { TermHere } from './term'

/** A calendar under a field, with the days that are asked for most at its foot. */
const props = defineProps<{ day: string; today: string; term: TermHere | undefined; anchor: HTMLElement }>()
const emit = defineEmits<{ pick: [day: string]; close: [] }>()

// The calendar counts in the machine's own zone, and only whole days matter: noon is on the same day in all of them.
const noon = (day: string) => new Date(day + 'T12:00:00')
const shown = computed(() => noon(isDay(props.day) ? props.day : props.today))
const picked = (date: unknown) => {
  if (!(date instanceof Date)) return
  const text = [date.getFullYear(), date.getMonth() + 1, date.getDate()].map((n) => String(n).padStart(2, '0'))
  emit('pick', text.join('-'))
}

const popover = ref<InstanceType<typeof Popover>>()
onMounted(async () => {
  await nextTick()
  popover.value?.show(new Event('open'), props.anchor)
})
</script>

<template>
  <Popover ref="popover" :aria-label="t('day.pick')" @hide="$emit('close')">
    <DatePicker :model-value="isDay(day) ? shown : null" :view-date="shown" inline @update:model-value="picked" />
    <p class="acts">
      <Button size="small" variant="text" :label="t('day.today')" @click="$emit('pick', today)" />
      <Button
        v-if="term"
        size="small"
        variant="text"
        :label="t('day.first', { term: term.name, day: writtenDay(term.startsOn) })"
        @click="$emit('pick', term.startsOn)"
      />
      <Button v-if="day" size="small" variant="text" :label="t('day.none')" @click="$emit('pick', '')" />
    </p>
    <p class="soft hint">{{ t('day.typing') }}</p>
  </Popover>
</template>

<style scoped>
:deep(.p-datepicker-panel) {
  border: 0;
}
.hint {
  font-size: 0.86rem;
  max-width: 21rem;
  padding: 4px 8px 0;
}
</style>
