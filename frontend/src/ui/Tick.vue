<script setup lang="ts" generic="T">
import Checkbox from 'primevue/checkbox'

/**
 * Something that is so or is not, or with a `value` one of several in a list. What stands in it is its label.
 * Example: `<Tick v-model="tell">{{ $t('tell.them') }}</Tick>`.
 */
defineOptions({ inheritAttrs: false })
const on = defineModel<boolean | T[]>({ required: true })
defineProps<{ value?: T; label?: string; indeterminate?: boolean; disabled?: boolean }>()
</script>

<template>
  <label class="tick" :class="{ disabled }">
    <Checkbox
      v-bind="$attrs"
      v-model="on"
      :binary="!Array.isArray(on)"
      :value="value"
      :aria-label="label"
      :indeterminate="indeterminate"
      :disabled="disabled"
      size="small"
    />
    <span v-if="$slots.default"><slot /></span>
  </label>
</template>

<style scoped>
.tick {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  cursor: pointer;
}
.tick.disabled {
  cursor: default;
}
</style>
