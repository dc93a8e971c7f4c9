<script setup lang="ts">
import { t } from '@/shared/words'
import { useRegistrations } from './registrations'

/** Tells administrators, where they come in, that somebody registered and waits for their yes. */
const { items } = useRegistrations()
</script>

<template>
  <p v-if="items.length" class="callout">
    <RouterLink :to="{ name: 'registrations' }">{{
      t('hint.registrations', { n: items.length }, items.length)
    }}</RouterLink>
  </p>
</template>

<style scoped>
p {
  margin: 0 0 12px;
}
</style>
