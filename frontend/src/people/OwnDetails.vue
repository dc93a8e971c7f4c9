<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, take } from '@/shared/api'
import { t } from '@/shared/words'
import DetailFields from './DetailFields.vue'

/** What the platform keeps of oneself, as far as one sees it. */
const { data: own, refetch } = useQuery({ queryKey: ['own-details'], queryFn: () => take(api.GET('/me/details')) })

async function put(values: Record<string, string>) {
  await take(api.PUT('/me/details', { body: { values } }))
  await refetch()
}
</script>

<template>
  <section v-if="own?.items.length" class="own" :aria-label="t('details.own')">
    <h2>{{ t('details.own') }}</h2>
    <p class="soft">{{ t('details.ownMore') }}</p>
    <DetailFields :details="own.items" :put="put" :did="t('details.didOwn')" />
  </section>
</template>

<style scoped>
.own {
  display: grid;
  gap: 10px;
  max-width: 420px;
}
</style>
