<script setup lang="ts">
import NumberField from '@/ui/NumberField.vue'
import { t } from '@/shared/words'

/** A run of levels: the lowest and the highest, both included. */
defineProps<{ label: string }>()
const levels = defineModel<number[]>({ required: true })
const set = (at: 0 | 1, value: number | null | undefined) => {
  if (!value) return
  levels.value =
    at === 0 ? [value, Math.max(value, levels.value[1] ?? value)] : [Math.min(value, levels.value[0] ?? value), value]
}
</script>

<template>
  <span>
    <NumberField
      :figures="2"
      :min="1"
      :max="40"
      :model-value="levels[0]"
      :label="`${label}: ${t('rules.lowest')}`"
      @update:model-value="set(0, $event)"
    />
    {{ t('rules.to') }}
    <NumberField
      :figures="2"
      :min="1"
      :max="40"
      :model-value="levels[1]"
      :label="`${label}: ${t('rules.highest')}`"
      @update:model-value="set(1, $event)"
    />
  </span>
</template>
