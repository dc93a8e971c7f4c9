<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type Forecast, type ForecastEvent, type Site } from '@/shared/api'
import { shortDay, writtenDay } from '@/shared/days'
import { me } from '@/shared/me'
import { usePlatform } from '@/shared/platform'
import { day, lastDay } from '@/shared/sentences'
import { inSentence, t, tIn } from '@/shared/words'
import ChartOf from '@/ui/ChartOf.vue'
import { divisionOptions } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import Trouble from '@/ui/Trouble.vue'

/** What will happen by itself in the next 90 days: in a site, in the sites of a division, or to a person. */
const props = defineProps<{ site?: Site }>()
const route = useRoute()
const router = useRouter()
const { platform, roleName } = usePlatform()
const person = computed(() => (typeof route.params.person === 'string' ? route.params.person : ''))
const mine = computed(() =>
  divisionOptions(
    (platform.value?.divisions ?? []).filter(
      ({ code }) => me.value?.platformAdministrator || me.value?.divisions.includes(code),
    ),
  ),
)
const division = computed(() => String(route.params.division || mine.value[0]?.value || ''))
const fetched = (): Promise<Forecast> => {
  if (props.site) return take(api.GET('/sites/{site}/forecast', { params: { path: { site: props.site.id } } }))
  if (person.value) return take(api.GET('/people/{person}/forecast', { params: { path: { person: person.value } } }))
  return take(api.GET('/divisions/{division}/forecast', { params: { path: { division: division.value } } }))
}
const { data, error, refetch } = useQuery({
  queryKey: ['forecast', computed(() => props.site?.id ?? (person.value || division.value))],
  enabled: computed(() => !!(props.site || person.value || division.value)),
  queryFn: fetched,
})

const ENDS = new Set(['ends', 'door-shuts', 'site-closes', 'term-ends', 'section-ends'])
const on = (each: ForecastEvent) =>
  ENDS.has(each.kind) ? lastDay(each.at, each.timeZone) : day(each.at, each.timeZone)
const said = (each: ForecastEvent) =>
  tIn('forecast.kind', each.kind, {
    who: each.person?.name ?? '',
    role: inSentence(roleName(each.role)),
    name: each.name || (each.doorKind && tIn('forecast.door', each.doorKind)),
  })
const only = ref('')
const kinds = computed(() => [
  { value: '', label: t('forecast.all') },
  ...(['come', 'leave', 'other'] as const).map((value) => ({ value: value as string, label: t(`forecast.${value}`) })),
])
const sortOf = ({ kind }: ForecastEvent) => (kind === 'begins' ? 'come' : kind === 'ends' ? 'leave' : 'other')
const groups = computed(() => {
  const byDay = new Map<string, ForecastEvent[]>()
  for (const each of data.value?.events ?? [])
    if (!only.value || sortOf(each) === only.value) byDay.set(on(each), [...(byDay.get(on(each)) ?? []), each])
  return [...byDay]
})
const sum = (of: 'come' | 'leave' | 'other') => (data.value?.days ?? []).reduce((all, each) => all + each[of], 0)
/** Every day from the first to the last, also those on which nothing happens. */
const places = computed(() => {
  const days: string[] = []
  if (!data.value) return days
  const at = new Date(data.value.from + 'T00:00:00Z')
  for (; at.toISOString().slice(0, 10) <= data.value.until; at.setUTCDate(at.getUTCDate() + 1))
    days.push(at.toISOString().slice(0, 10))
  return days
})
const series = computed(() => {
  const byDay = new Map((data.value?.days ?? []).map((each) => [each.day, each]))
  const LOOKS = { come: 'mint', leave: 'clay', other: 'soft' } as const
  return (['come', 'leave', 'other'] as const)
    .filter((of) => sum(of) > 0)
    .map((of) => ({
      name: t(`forecast.${of}`),
      as: 'bars' as const,
      colour: LOOKS[of],
      hatched: of === 'leave',
      numbers: places.value.map((place) => byDay.get(place)?.[of] ?? 0),
    }))
})
const title = computed(() => {
  if (props.site) return t('forecast.title')
  const who = person.value && data.value?.events.find((each) => each.person)?.person?.name
  return who ? t('forecast.ofPerson', { name: who }) : t('forecast.title')
})
</script>

<template>
  <div class="page">
    <header>
      <h1>{{ title }}</h1>
      <RouterLink v-if="person" :to="{ name: 'person', params: { person } }">{{ t('forecast.back') }}</RouterLink>
    </header>
    <PickOne
      v-if="!site && !person && mine.length > 1"
      shown
      :label="t('forecast.division')"
      :model-value="division"
      :options="mine"
      @update:model-value="router.replace({ name: 'forecast', params: { division: $event } })"
    />
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="data">
      <p class="soft">{{ t('forecast.more', { until: writtenDay(data.until) }) }}</p>
      <p v-if="!data.events.length" class="empty">{{ t('forecast.nothing') }}</p>
      <template v-else>
        <ChartOf
          :label="t('forecast.picture')"
          :said="t('forecast.said', { come: $n(sum('come')), leave: $n(sum('leave')), other: $n(sum('other')) })"
          :along="t('forecast.day')"
          :places="places.map((place) => shortDay(place))"
          :series="series"
          :height="180"
        />
        <p v-if="data.more" class="brass">{{ t('forecast.beyond') }}</p>
        <p class="row">
          <PickOne v-model="only" shown :label="t('forecast.only')" :options="kinds" />
          <span v-if="data.total > data.events.length" class="soft">{{
            t('forecast.first', { n: $n(data.events.length), total: $n(data.total) })
          }}</span>
        </p>
        <dl>
          <div v-for="[when, events] in groups" :key="when">
            <dt class="nums">{{ when }}</dt>
            <dd v-for="(each, place) in events" :key="place">
              <template v-if="each.site && !site"
                ><RouterLink :to="{ name: 'roster', params: { site: each.site.id } }">{{ each.site.name }}</RouterLink
                >:
              </template>
              <span :class="{ clay: each.kind === 'lead-missing' }">{{ said(each) }}</span>
              <span v-if="each.frees" class="soft">{{ ' · ' + t('forecast.frees') }}</span>
            </dd>
          </div>
        </dl>
      </template>
    </template>
    <p v-else class="skeleton" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 10px;
  align-content: start;
}
header,
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: baseline;
  margin: 0;
}
h1,
p,
dl {
  margin: 0;
}
dl > div {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  border-bottom: 1px solid var(--line);
  padding: 5px 0;
}
dt {
  grid-row: span 40;
}
dd {
  margin: 0;
  grid-column: 2;
  overflow-wrap: anywhere;
}
</style>
