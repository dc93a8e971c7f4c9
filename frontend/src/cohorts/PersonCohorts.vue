<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take } from '@/shared/api'
import { ownZone as zone } from '@/shared/own'
import { day } from '@/shared/sentences'
import { t } from '@/shared/words'

/** The cohorts somebody belongs to, and those they belonged to. */
const props = defineProps<{ person: string }>()
const { data } = useQuery({
  queryKey: ['cohorts', 'of', computed(() => props.person)],
  queryFn: () => take(api.GET('/people/{person}/cohorts', { params: { path: { person: props.person } } })),
})
type Each = NonNullable<typeof data.value>['items'][number]
function when({ from, until, now }: Each) {
  const [first, last] = [day(from, zone), until ? day(until, zone) : '']
  if (now) return last ? t('cohorts.sinceUntil', { from: first, until: last }) : t('cohorts.since', { from: first })
  return t('cohorts.wasThere', { from: first, until: last })
}
</script>

<template>
  <section v-if="data?.items.length">
    <h2>{{ t('cohorts.title') }}</h2>
    <ul>
      <li v-for="each in data.items" :key="each.id + each.from" :class="{ soft: !each.now }">
        <RouterLink :to="{ name: 'cohort', params: { cohort: each.id } }">{{ each.name }}</RouterLink>
        <span class="soft">{{ ' ' }}{{ when(each) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 4px;
}
</style>
