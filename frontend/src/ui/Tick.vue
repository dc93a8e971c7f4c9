<script setup lang="ts" generic="T">
import Checkbox from 'primevue/checkbox'
import { nextTick, ref } from 'vue'

/**
 * Something that is so or is not, or with a `value` one of several in a list. What stands in it is its label.
 * Example: `<Tick v-model="tell">{{ t('tell.them') }}</Tick>`.
 */
defineOptions({ inheritAttrs: false })
const on = defineModel<boolean | T[]>({ required: true })
const drawn = ref(0)

/** Whoever decides may leave it as it was: then the box is drawn anew, as it is. */
async function set(wanted: boolean | T[]) {
  on.value = wanted
  await nextTick()
  if (typeof wanted === 'boolean' && on.value !== wanted) drawn.value++
}

defineProps<{ value?: T; label?: string; indeterminate?: boolean; disabled?: boolean }>()
</script>

<template>
  <label class="tick" :class="{ disabled }">
    <Checkbox
      v-bind="$attrs"
      :key="drawn"
      :model-value="on"
      :binary="!Array.isArray(on)"
      :value="value"
      :aria-label="label"
      :indeterminate="indeterminate"
      :disabled="disabled"
      size="small"
      @update:model-value="set"
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
