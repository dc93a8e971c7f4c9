<script setup lang="ts">
import InputNumber from 'primevue/inputnumber'

/** A whole number, or nothing. What is typed counts at once, and each form says itself what may not be. */
defineOptions({ inheritAttrs: false })
const number = defineModel<number | null>()
withDefaults(
  defineProps<{ label?: string; id?: string; min?: number; max?: number; figures?: number; grouped?: boolean }>(),
  { label: undefined, id: undefined, min: undefined, max: undefined, figures: 4 },
)
/** A paste without any text is not the library's: it would fail over it. */
const pasted = (event: ClipboardEvent) => event.clipboardData?.getData('text') || event.stopPropagation()
const typed = (value: string | number | undefined | null) => {
  number.value = typeof value === 'number' ? value : null
}
</script>

<template>
  <InputNumber
    v-bind="$attrs"
    :model-value="number ?? null"
    :input-id="id"
    :aria-label="label"
    :min="min"
    :max="max"
    :use-grouping="grouped ?? false"
    :min-fraction-digits="0"
    :max-fraction-digits="0"
    size="small"
    :input-style="{ width: figures + 2.5 + 'ch' }"
    @paste.capture="pasted"
    @input="typed($event.value)"
    @update:model-value="typed($event)"
  />
</template>
