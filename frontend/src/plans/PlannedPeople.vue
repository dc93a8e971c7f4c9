<script setup lang="ts">
import { useInfiniteQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { refreshSite } from '@/shared/undo'
import { t } from '@/shared/words'
import { useColumns } from '@/ui/columns'
import DataRows from '@/ui/DataRows.vue'
import { askedOf, whyOf, wouldPlace, type Plan, type Planned, type PlanSection } from './plans'

/** Where everybody is put, and why: who has no place first, with the smallest change that would place them. */
const props = defineProps<{ site: Site; plan: Plan; sections: PlanSection[]; mayChange: boolean }>()
const { data, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
  queryKey: ['plan', 'people', computed(() => props.site.id), computed(() => props.plan.version)],
  queryFn: ({ pageParam }) =>
    take(
      api.GET('/sites/{site}/plan/people', {
        params: { path: { site: props.site.id }, query: pageParam ? { cursor: pageParam } : {} },
      }),
    ),
  initialPageParam: '',
  getNextPageParam: ({ next }) => next ?? undefined,
})
const rows = computed(() => (data.value?.pages ?? []).flatMap(({ items }) => items))
const byId = computed(() => new Map(props.sections.map(({ id, name }) => [id, name])))
const names = (ids: readonly string[]) => ids.flatMap((id) => byId.value.get(id) ?? [])
const used = computed(() => new Set(props.sections.filter((section) => section.used).map(({ id }) => id)))
const columns = useColumns('planned', () => [
  { key: 'person', label: t('plans.people.person'), weight: 2, always: true },
  { key: 'now', label: t('plans.people.now'), weight: 1.2 },
  { key: 'section', label: t('plans.people.section'), weight: 1.2, always: true },
  { key: 'why', label: t('plans.people.why'), weight: 4 },
])
const why = (each: Planned) => [whyOf(each, names), wouldPlace(each, names)].filter(Boolean).join(' ')
/** Whoever is in a section may be told to stay, where people may move. */
const mayStay = (each: Planned) =>
  props.mayChange &&
  props.plan.moves !== 'nobody' &&
  props.plan.state === 'computed' &&
  each.section !== null &&
  !each.now.includes(each.section) &&
  each.now.some((id) => used.value.has(id))
const { busy, run } = useBusy()
const stay = (each: Planned) =>
  run(async () => {
    await take(
      api.PUT('/sites/{site}/plan', {
        params: { path: { site: props.site.id }, header: { 'If-Match': `"${props.plan.version}"` } },
        body: {
          ...askedOf(props.plan, props.sections),
          stays: [...props.plan.stays.map(({ id }) => id), each.person.id],
        },
      }),
    )
    await refreshSite()
  })
</script>

<template>
  <DataRows
    v-if="rows.length"
    :rows="rows"
    :key-of="(row) => row.person.id"
    :columns="columns"
    :name="t('plans.people.title')"
    :tone="(row) => (row.section ? '' : 'clay')"
  >
    <template #cell="{ row, column }">
      <RouterLink
        v-if="column === 'person'"
        :to="{ name: 'roster', params: { site: site.id }, query: { person: row.person.id } }"
        >{{ row.person.name }}</RouterLink
      >
      <template v-else-if="column === 'now'">{{ names(row.now).join(', ') || t('plans.people.none') }}</template>
      <strong v-else-if="column === 'section'">{{
        row.section ? names([row.section])[0] : t('plans.people.nowhere')
      }}</strong>
      <span v-else class="why">
        {{ why(row) }}
        <button v-if="mayStay(row)" class="word" :disabled="busy" @click="stay(row)">
          {{ t('plans.people.stay') }}<span class="unseen">: {{ row.person.name }}</span>
        </button>
      </span>
    </template>
    <template #card="{ row }">
      <span class="card">
        <span
          ><strong>{{ row.person.name }}</strong> ·
          {{ row.section ? names([row.section])[0] : t('plans.people.nowhere') }}</span
        >
        <span class="soft">{{ why(row) }}</span>
      </span>
    </template>
  </DataRows>
  <p v-if="hasNextPage">
    <button class="word" :disabled="isFetchingNextPage" @click="fetchNextPage()">{{ t('plans.people.more') }}</button>
  </p>
</template>

<style scoped>
.why {
  white-space: normal;
}
.card {
  display: grid;
  gap: 2px;
}
</style>
