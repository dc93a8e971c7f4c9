<script setup lang="ts" generic="T">
import RadioButton from 'primevue/radiobutton'

/** One of a few that exclude one another; those of one choice share a name. What stands in it is its label. */
const chosen = defineModel<T | null>()
defineProps<{ value: T; name: string; label?: string }>()
</script>

<template>
  <label class="one">
    <RadioButton v-model="chosen" :value="value" :name="name" :aria-label="label" size="small" />
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
