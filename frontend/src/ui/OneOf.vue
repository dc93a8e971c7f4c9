<script setup lang="ts" generic="T">
import RadioButton from 'primevue/radiobutton'

/** One of a few that exclude one another; those of one choice share a name. What stands in it is its label. */
const chosen = defineModel<T | null>()
defineProps<{ value: T; name: string; label?: string }>()
</script>

<template>
  <label class="one">
    <!-- The library takes an empty text for nothing chosen. -->
    <RadioButton
      :model-value="chosen === value ? 'on' : 'off'"
      value="on"
      :name="name"
      :aria-label="label"
      size="small"
      @update:model-value="chosen = value"
    />
    <span v-if="$slots.default"><slot /></span>
  </label>
</template>

<style scoped>
.one {
  display: inline-flex;
  align-items: baseline;
  gap: 6px;
  cursor: pointer;
}
.one .p-radiobutton {
  align-self: center;
}
</style>
