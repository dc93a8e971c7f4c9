<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Skeleton from 'primevue/skeleton'
import { computed } from 'vue'
import type { Site } from '@/shared/api'
import { shortDay, writtenDay } from '@/shared/days'
import { t } from '@/shared/words'
import type { ChartSeries } from '@/ui/chart'
import ChartOf from '@/ui/ChartOf.vue'
import Trouble from '@/ui/Trouble.vue'
import { daysOf } from './days'

/** The people of a site over the term, by state. A day one points at is shown as a roster. */
const props = defineProps<{ site: Site; asOf: string }>()
const emit = defineEmits<{ look: [asOf: string] }>()

const { data, error, refetch } = useQuery(computed(() => daysOf(props.site.id)))
const STATES = [
  { state: 'current', as: 'area', colour: 'spruce' },
  { state: 'paused', as: 'area', colour: 'brass', hatched: true },
  { state: 'waiting', as: 'area', colour: 'soft' },
  { state: 'upcoming', as: 'area', colour: 'mint' },
  { state: 'blocked', as: 'line', colour: 'clay', aside: true },
  { state: 'ended', as: 'line', colour: 'soft', aside: true },
  { state: 'removed', as: 'line', colour: 'ink', aside: true },
] as const
const series = computed<ChartSeries[]>(() =>
  STATES.flatMap(({ state, ...look }) => {
    const numbers = data.value?.people[state] ?? []
    return numbers.some(Boolean) || state === 'current' ? [{ name: t(`state.${state}`), numbers, ...look }] : []
  }),
)
const marks = computed(() => {
  const days = data.value?.days ?? []
  const today = { place: days.indexOf(data.value?.today ?? ''), word: t('strip.today') }
  const chosen = { place: days.indexOf(props.asOf), word: props.asOf ? shortDay(props.asOf) : '' }
  return [today, chosen].filter(({ place }) => place >= 0)
})
const said = computed(() => {
  const { days = [], today, people } = data.value ?? {}
  const current = people?.current ?? []
  const most = current.indexOf(Math.max(0, ...current))
  return t('roster.days.said', {
    now: current[days.indexOf(today ?? '')] ?? 0,
    most: current[most] ?? 0,
    day: days[most] ? writtenDay(days[most]) : '',
    last: current.at(-1) ?? 0,
    end: days.length ? writtenDay(days.at(-1)!) : '',
  })
})
const pick = (place: number) => {
  const day = data.value!.days[place]!
  emit('look', day === data.value!.today || day === props.asOf ? '' : day)
}
</script>

<template>
  <section class="days no-print" :aria-label="t('roster.days.title')">
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <ChartOf
      v-else-if="data"
      pickable
      :label="t('roster.days.title')"
      :said="`${said} ${t('roster.days.hint')}`"
      :along="t('parts.day')"
      :places="data.days.map((day) => shortDay(day))"
      :series="series"
      :marks="marks"
      :height="190"
      @pick="pick"
    />
    <Skeleton v-else height="190px" />
  </section>
</template>

<style scoped>
.days {
  border-left: 4px solid var(--mint);
  padding: 4px 0 6px 12px;
}
</style>
