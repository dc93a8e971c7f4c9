<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take } from '@/shared/api'
import { administers } from '@/shared/me'
import { t } from '@/shared/words'

/** Tells administrators, where they come in, that somebody waits for their yes. */
const { data } = useQuery({
  queryKey: ['approvals'],
  queryFn: () => take(api.GET('/approvals')),
  enabled: administers,
})
const many = computed(() => data.value?.items.length ?? 0)
</script>

<template>
  <p v-if="many" class="callout">
    <RouterLink to="/approvals">{{ t('hint.approvals', { n: many }, many) }}</RouterLink>
  </p>
</template>

<style scoped>
p {
  margin: 0 0 12px;
}
</style>
