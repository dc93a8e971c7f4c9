<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, take } from '@/shared/api'
import { administers } from '@/shared/me'
import { t } from '@/shared/words'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import SeatMeter from '@/ui/SeatMeter.vue'

/** The sites one runs, each a step away. */
const SHOWN = 8
const { data } = useQuery({
  queryKey: ['sites', 'today', 'run'],
  queryFn: () => take(api.GET('/sites', { params: { query: { scope: 'run', limit: SHOWN } } })),
})
</script>

<template>
  <section v-if="data && (data.items.length || !administers)" aria-labelledby="today-run">
    <h2 id="today-run">{{ t('sites.run') }}</h2>
    <ul v-if="data.items.length">
      <li v-for="site in data.items" :key="site.id">
        <DoorGlyph :state="site.state" />
        <RouterLink :to="{ name: 'roster', params: { site: site.id } }">{{ site.title }}</RouterLink>
        <SeatMeter :held="site.learners" :seats="site.seats" />
      </li>
    </ul>
    <p v-else class="soft">{{ t('today.runNone') }}</p>
    <p class="acts">
      <RouterLink to="/sites">{{
        data.total > SHOWN ? t('today.allSites', { n: $n(data.total) }) : t('today.sites')
      }}</RouterLink>
      <RouterLink :to="{ name: 'new-site' }">{{ t('sites.new') }}</RouterLink>
    </p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 4px 0;
  padding: 0;
}
li {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
li a {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
