<script setup lang="ts">
import { t } from '@/shared/words'

/** Names that were picked, each to be removed again. */
defineProps<{ names: string[] }>()
defineEmits<{ remove: [name: string] }>()
</script>

<template>
  <ul v-if="names.length">
    <li v-for="name in names" :key="name">
      {{ name }}
      <button
        type="button"
        class="word clay"
        :aria-label="t('cohorts.part.removeOne', { name })"
        @click="$emit('remove', name)"
      >
        {{ t('cohorts.part.remove') }}
      </button>
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0;
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
</style>
