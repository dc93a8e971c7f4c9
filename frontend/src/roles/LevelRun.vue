<script setup lang="ts">
/** A run of levels: the lowest and the highest, both included. */
defineProps<{ label: string }>()
const levels = defineModel<number[]>({ required: true })
const set = (at: 0 | 1, event: Event) => {
  const value = Number((event.target as HTMLInputElement).value) || 1
  levels.value =
    at === 0 ? [value, Math.max(value, levels.value[1] ?? value)] : [Math.min(value, levels.value[0] ?? value), value]
}
</script>

<template>
  <span>
    <input
      class="plain"
      type="number"
      min="1"
      max="20"
      :value="levels[0]"
      :aria-label="`${label}: ${$t('rules.lowest')}`"
      @change="set(0, $event)"
    />
    {{ $t('rules.to') }}
    <input
      class="plain"
      type="number"
      min="1"
      max="20"
      :value="levels[1]"
      :aria-label="`${label}: ${$t('rules.highest')}`"
      @change="set(1, $event)"
    />
  </span>
</template>

<style scoped>
input {
  width: 64px;
}
</style>
