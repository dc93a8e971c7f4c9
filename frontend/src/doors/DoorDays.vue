<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Skeleton from 'primevue/skeleton'
import { computed } from 'vue'
import { api, take, type Door, type Site } from '@/shared/api'
import { shortDay, writtenDay } from '@/shared/days'
import { t } from '@/shared/words'
import ChartOf from '@/ui/ChartOf.vue'
import Trouble from '@/ui/Trouble.vue'

/** How the seats of a door filled, until today. */
const props = defineProps<{ door: Door; name: string; site: Site }>()
const path = computed(() => ({ site: props.site.id, door: props.door.id }))
const { data, error, refetch } = useQuery({
  queryKey: ['doors', computed(() => props.site.id), computed(() => props.door.id), 'days'],
  queryFn: () => take(api.GET('/sites/{site}/doors/{door}/days', { params: { path: path.value } })),
})
const said = computed(() => {
  const { held = [], days = [], seats = null } = data.value ?? {}
  const now = held.at(-1) ?? 0
  const begun = days[0] ? writtenDay(days[0]) : ''
  const full = seats === null ? -1 : held.findIndex((n) => n >= seats)
  return [
    seats === null ? t('doors.days.now', { n: now }, now) : t('doors.days.of', { n: now, seats }, now),
    full >= 0 ? t('doors.days.full', { day: writtenDay(days[full]!) }) : t('doors.days.since', { day: begun }),
  ].join(' ')
})
</script>

<template>
  <div class="days">
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <ChartOf
      v-else-if="data"
      :label="t('doors.days.title', { name })"
      :said="said"
      :along="t('parts.day')"
      :places="data.days.map((day) => shortDay(day))"
      :series="[{ name: t('doors.days.held'), numbers: data.held, as: 'area', colour: 'spruce' }]"
      :limit="
        data.seats === null ? null : { at: data.seats, word: t('doors.days.seats', { n: data.seats }, data.seats) }
      "
      :height="150"
    />
    <Skeleton v-else height="150px" />
  </div>
</template>
