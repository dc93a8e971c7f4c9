<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useMediaQuery } from '@vueuse/core'
import Button from 'primevue/button'
import { computed, defineAsyncComponent, ref } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { dayAndTime } from '@/shared/sentences'
import { t } from '@/shared/words'
import ClashedPeople from './ClashedPeople.vue'
import WeekOf from './WeekOf.vue'
import { nameOf, placeOf } from './weeks'

const HoursForm = defineAsyncComponent(() => import('./HoursForm.vue'))

/** When a site and its sections meet, who would be in two places at once, and the hours as a calendar. */
const props = defineProps<{ site: Site }>()
const narrow = useMediaQuery('(max-width: 760px)')
const mayChange = computed(
  () => props.site.may.includes('arrange-sections') && props.site.seesAll && !props.site.seenAs,
)
const path = computed(() => ({ path: { site: props.site.id } }))
const { data: hours } = useQuery({
  queryKey: ['hours', computed(() => props.site.id)],
  queryFn: () => take(api.GET('/sites/{site}/hours', { params: path.value })),
})
const week = (day: string) => take(api.GET('/sites/{site}/week', { params: { ...path.value, query: { day } } }))
const changing = ref(false)
const taken = computed(() =>
  (hours.value?.clashes ?? []).map((clash) => ({
    key: clash.hours + clash.with.hours,
    words: t(
      'weeks.hours.roomTaken',
      {
        room: placeOf(clash.with),
        what: nameOf(clash.with),
        n: clash.times,
        at: dayAndTime(clash.with.from, props.site.timeZone),
      },
      clash.times,
    ),
  })),
)
const calendar = computed(() => `/api/v1/sites/${props.site.id}/hours/calendar`)
</script>

<template>
  <div class="both">
    <div v-show="!narrow || !changing" class="page">
      <WeekOf
        :of="['site', site.id, String(hours?.version ?? 0)]"
        :label="site.title"
        :zone="site.timeZone"
        :fetch="week"
        kind="site"
        :nothing="t('weeks.noneAtAll')"
      >
        <template #acts>
          <Button
            v-if="mayChange && hours && !changing"
            size="small"
            :variant="hours.hours.length ? 'outlined' : undefined"
            :label="t(hours.hours.length ? 'weeks.hours.open' : 'weeks.hours.say')"
            @click="changing = true"
          />
          <RouterLink v-if="!site.seenAs" :to="{ name: 'rooms' }">{{ t('weeks.rooms.title') }}</RouterLink>
          <a v-if="hours?.hours.length && !site.seenAs" :href="calendar" download>{{ t('weeks.hours.save-as') }}</a>
        </template>
      </WeekOf>
      <ul v-if="taken.length" class="trouble">
        <li v-for="each in taken" :key="each.key">{{ each.words }}</li>
      </ul>
      <ClashedPeople v-if="site.may.includes('let-in') && !site.seenAs && hours?.hours.length" :site="site" />
    </div>
    <HoursForm v-if="changing && hours" :site="site" :hours="hours" @close="changing = false" />
  </div>
</template>

<style scoped>
.both {
  display: flex;
  flex: 1;
  min-height: 0;
  gap: 16px;
}
.page {
  flex: 1;
  min-width: 0;
  display: grid;
  gap: 18px;
  align-content: start;
  overflow: auto;
  padding-bottom: 12px;
}
.trouble {
  margin: 0;
  list-style: none;
  border-left: 4px solid var(--clay);
  padding: 4px 12px;
}
@media (max-width: 760px) {
  .both {
    flex-direction: column;
  }
}
</style>
