<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take } from '@/shared/api'
import { platformNow } from '@/shared/clock'
import { dayIn, daysLater } from '@/shared/days'
import { ownZone } from '@/shared/own'
import { day } from '@/shared/sentences'
import { t } from '@/shared/words'

/** In which sites somebody could not enter tomorrow morning, and why. */
const tomorrow = computed(() => daysLater(dayIn(platformNow(), ownZone), 1))
const { data } = useQuery({
  queryKey: ['first-day-check', 'today', tomorrow],
  queryFn: () => take(api.GET('/first-day-check', { params: { query: { day: tomorrow.value, time: '09:00' } } })),
  staleTime: 300_000,
})
const SHOWN = 5
type Row = NonNullable<typeof data.value>['sites'][number]
const kept = (row: Row) => row.groups.reduce((sum, group) => sum + group.people, 0)
const trouble = computed(() => (data.value?.sites ?? []).filter((row) => kept(row) > 0))
const all = computed(() => trouble.value.reduce((sum, row) => sum + kept(row), 0))
</script>

<template>
  <section v-if="trouble.length" aria-labelledby="today-cannot">
    <h2 id="today-cannot">{{ t('today.cannot', { n: $n(all), day: day(tomorrow, 'UTC') }, all) }}</h2>
    <ul>
      <li v-for="row in trouble.slice(0, SHOWN)" :key="row.site.id">
        <span class="said"
          ><strong>{{ row.site.name }}</strong
          >:
          {{
            row.groups
              .map((group) =>
                t(`firstDayCheck.cause.${group.reason.causes[0]!.code}`, { n: group.people }, group.people),
              )
              .join(', ')
          }}</span
        >
        <RouterLink
          :to="{ name: 'first-day-check', params: { site: row.site.id }, query: { day: tomorrow, time: '09:00' } }"
          >{{ t('today.act.fix') }}</RouterLink
        >
      </li>
    </ul>
    <p v-if="trouble.length > SHOWN">
      <RouterLink :to="{ name: 'first-day-checks' }">{{
        t('today.furtherSites', { n: trouble.length - SHOWN }, trouble.length - SHOWN)
      }}</RouterLink>
    </p>
  </section>
</template>

<style scoped>
section {
  border-left: 4px solid var(--brass);
  padding: 2px 0 2px 14px;
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}
.said {
  flex: 1 1 300px;
}
</style>
