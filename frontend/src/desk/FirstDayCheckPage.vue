<script setup lang="ts">
import TimeField from '@/ui/TimeField.vue'
import DayField from '@/ui/DayField.vue'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import Button from 'primevue/button'
import { computed, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { api, take, type LineRequest, type FirstDayCheck, type Site } from '@/shared/api'
import { platformNow } from '@/shared/clock'
import { dayIn, isDay, readTime, shortDay } from '@/shared/days'
import { usePlatform } from '@/shared/platform'
import { dayAndTime, givers } from '@/shared/sentences'
import { t, tIn } from '@/shared/words'
import { useColumns } from '@/ui/columns'
import DataRows from '@/ui/DataRows.vue'
import ShareBar, { type Share } from '@/ui/ShareBar.vue'
import Trouble from '@/ui/Trouble.vue'
import HelpWord from '@/ui/HelpWord.vue'
import PickOne from '@/ui/PickOne.vue'
import { sectionNames } from '@/roster/sections'
import { useSplits } from '@/shared/splits'
import ChangePanel from '@/changes/ChangePanel.vue'

/**
 * The first day checked: who could enter at that moment, who could not and why, and the fix for all of them at once.
 */
const props = defineProps<{ site: Site }>()
const { roleName } = usePlatform()
/** What fixes a cause for many at once, where something in the roster does. */
const MENDS: Record<string, 'resume' | 'change-dates'> = { resume: 'resume', 'move-start': 'change-dates' }

const tomorrow = new Date(platformNow().getTime() + 86_400_000).toISOString().slice(0, 10)
const opening = [props.site.opensAt?.slice(0, 10), props.site.term?.startsOn].find((day) => day && day > tomorrow)
const asked = useRoute().query
const day = ref(typeof asked.day === 'string' ? asked.day : (opening ?? tomorrow))
const time = ref(typeof asked.time === 'string' ? asked.time : '09:00')
const { data: hours, isPending: asking } = useQuery({
  queryKey: ['hours', computed(() => props.site.id)],
  queryFn: () => take(api.GET('/sites/{site}/hours', { params: { path: { site: props.site.id } } })),
})
/** When each section meets next, the first of them first. */
const next = computed(() => {
  const first = new Map<string, string>()
  for (const { section, next: at } of hours.value?.hours ?? []) {
    const name = section ? sectionNames(props.site, [section]) : t('firstDayCheck.everybody')
    const before = first.get(name)
    if (at && (!before || at < before)) first.set(name, at)
  }
  return [...first].sort(([, one], [, other]) => one.localeCompare(other))
})
/** Each section as of its own next meeting, where they say when they meet; otherwise a moment that is chosen. */
const chosen = ref<'' | 'meetings' | 'moment'>(typeof asked.day === 'string' ? 'moment' : '')
const as = computed({
  get: () => chosen.value || (next.value.length ? 'meetings' : 'moment'),
  set: (wanted) => (chosen.value = wanted),
})
const moment = refDebounced(
  computed((): { day?: string; time?: string } =>
    as.value === 'meetings' ? {} : { day: day.value, time: time.value },
  ),
  200,
)
/** Ways of dividing people in which some are in no group. */
const { data: splits } = useSplits(() => props.site)
const without = computed(() =>
  (splits.value ?? []).filter(({ awayAt, without: n, groups: some }) => !awayAt && n && some),
)
const mending = shallowRef<{ people: string[]; requests: LineRequest[] } | null>(null)

const {
  data: firstDayCheck,
  error,
  refetch,
} = useQuery({
  queryKey: ['roster', computed(() => props.site.id), 'first-day-check', moment],
  enabled: computed(() => {
    const { day = '', time = '' } = moment.value
    return !asking.value && (as.value === 'meetings' ? !day : isDay(day) && !!readTime(time))
  }),
  queryFn: () =>
    take(api.GET('/sites/{site}/first-day-check', { params: { path: { site: props.site.id }, query: moment.value } })),
  placeholderData: keepPreviousData,
})
const groups = computed(() => firstDayCheck.value?.groups ?? [])
const expected = computed(() => {
  const { enter = 0, look = 0 } = firstDayCheck.value ?? {}
  return enter + look + groups.value.reduce((sum, group) => sum + group.people.length, 0)
})
/** The day from which somebody would have to be in: the one looked at. */
const fixFrom = computed(() =>
  as.value === 'meetings' && firstDayCheck.value
    ? dayIn(new Date(firstDayCheck.value.at), props.site.timeZone)
    : day.value,
)
const cause = (group: FirstDayCheck['groups'][number]) => group.reason.causes[0]!
const fix = (group: FirstDayCheck['groups'][number]) => (cause(group).mine ? MENDS[cause(group).change] : undefined)

/** Who could not enter, each with what keeps them and the change that one may make of it. */
interface Row {
  id: string
  name: string
  cause: ReturnType<typeof cause>
  request?: LineRequest
}
const rows = computed<Row[]>(() =>
  groups.value.flatMap((group) => {
    const verb = fix(group)
    const days = verb === 'change-dates' ? { fromDay: fixFrom.value } : {}
    return group.people.map((each) => ({
      ...each,
      cause: cause(group),
      request: verb && { person: each.id, verb, ...days },
    }))
  }),
)
/** What would help, where it is not done on this page, and who can do it. */
const elsewhere = ({ cause: { change, mine, givers: codes } }: Row) =>
  [t(`change.${change}`), mine ? '' : t('change.who', { who: givers(codes, roleName) })].filter(Boolean).join(' ')
const requests = computed(() => rows.value.flatMap(({ request }) => request ?? []))
const mend = (requests: LineRequest[]) => (mending.value = { people: requests.map(({ person }) => person), requests })
const fixWords = (row: Row) => tIn('firstDayCheck.fix', row.cause.change, { day: shortDay(fixFrom.value) })
/** Paused and blocked have their colours everywhere; the others are told apart. */
const COLOURS: Record<string, Share['colour']> = { paused: 'brass', blocked: 'clay' }
const shares = computed<Share[]>(() => {
  const { enter = 0, look = 0 } = firstDayCheck.value ?? {}
  return [
    { words: t('firstDayCheck.share.enter', { n: enter }), n: enter, colour: 'spruce' as const },
    { words: t('firstDayCheck.share.look', { n: look }), n: look, colour: 'mint' as const },
    ...groups.value.map((group, place) => ({
      words: t(`firstDayCheck.cause.${cause(group).code}`, { n: group.people.length }, group.people.length),
      n: group.people.length,
      colour: COLOURS[cause(group).code] ?? (place % 2 ? 'line' : 'soft'),
    })),
  ]
})
const columns = useColumns('first-day-check', () => [
  { key: 'name', label: t('roster.col.name'), weight: 1.2, always: true },
  { key: 'why', label: t('firstDayCheck.col.why'), weight: 1.3 },
  { key: 'fix', label: t('firstDayCheck.col.fix'), weight: 2, always: true },
])
</script>

<template>
  <div class="both">
    <div class="page">
      <h2>
        <HelpWord term="first-day-check">{{ t('firstDayCheck.title') }}</HelpWord>
      </h2>
      <p class="soft">{{ t('firstDayCheck.more') }}</p>
      <p class="when">
        <PickOne
          v-if="next.length"
          v-model="as"
          shown
          :label="t('firstDayCheck.as')"
          :options="[
            { value: 'meetings' as const, label: t('firstDayCheck.asMeetings') },
            { value: 'moment' as const, label: t('firstDayCheck.asMoment') },
          ]"
        />
        <span v-if="as === 'meetings'" class="soft">{{
          next.map(([name, at]) => t('firstDayCheck.next', { name, at: dayAndTime(at, site.timeZone) })).join(' · ')
        }}</span>
      </p>
      <p v-if="as === 'moment' && !asking" class="when">
        <DayField v-model="day" shown :label="t('firstDayCheck.on')" :zone="site.timeZone" />
        <TimeField v-model="time" :label="t('firstDayCheck.at')" />
      </p>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="firstDayCheck">
        <p class="sum" role="status" :class="{ all: !firstDayCheck.groups.length }">
          {{
            expected
              ? t(as === 'meetings' ? 'firstDayCheck.sumMeetings' : 'firstDayCheck.sum', {
                  when: dayAndTime(firstDayCheck.at, site.timeZone),
                  n: firstDayCheck.enter,
                  of: expected,
                })
              : t('firstDayCheck.nobody')
          }}
        </p>
        <ShareBar v-if="expected" :shares="shares" />
        <p v-if="requests.length > 1">
          <Button size="small" :label="t('firstDayCheck.fixAll', { n: requests.length })" @click="mend(requests)" />
        </p>
        <ul v-if="without.length" class="groups">
          <li v-for="split in without" :key="split.id">
            {{ t('firstDayCheck.noGroup', { n: split.without, name: split.name }, split.without) }}
            {{ ' '
            }}<RouterLink :to="{ name: 'roster', params: { site: site.id }, query: { group: 'none-' + split.id } }"
              >{{ t('firstDayCheck.whoNoGroup') }}<span class="unseen">: {{ split.name }}</span></RouterLink
            >
            {{ ' '
            }}<RouterLink :to="{ name: 'groups', params: { site: site.id, split: split.id } }"
              >{{ t('firstDayCheck.toGroups') }}<span class="unseen">: {{ split.name }}</span></RouterLink
            >
          </li>
        </ul>
        <DataRows
          v-if="rows.length"
          :tall="rows.length > 60"
          :rows="rows"
          :key-of="(row) => row.id"
          :columns="columns"
          :name="t('firstDayCheck.who')"
        >
          <template #cell="{ row, column }">
            <RouterLink
              v-if="column === 'name'"
              :to="{ name: 'roster', params: { site: site.id }, query: { person: row.id } }"
              >{{ row.name }}</RouterLink
            >
            <template v-else-if="column === 'why'">{{ t(`firstDayCheck.why.${row.cause.code}`) }}</template>
            <button v-else-if="row.request" class="word" @click="mend([row.request])">{{ fixWords(row) }}</button>
            <span v-else class="soft" :title="elsewhere(row)">{{ elsewhere(row) }}</span>
          </template>
          <template #card="{ row }">
            <RouterLink :to="{ name: 'roster', params: { site: site.id }, query: { person: row.id } }"
              ><strong>{{ row.name }}</strong></RouterLink
            >
            <p class="acts">
              <span class="soft">{{ t(`firstDayCheck.why.${row.cause.code}`) }}</span>
              <button v-if="row.request" class="word" @click="mend([row.request])">{{ fixWords(row) }}</button>
            </p>
          </template>
        </DataRows>
      </template>
    </div>
    <ChangePanel
      v-if="mending"
      :key="mending.people.join()"
      :site="site"
      :people="mending.people"
      verb="fix"
      :requests="mending.requests"
      @close="mending = null"
      @applied="mending = null"
    />
  </div>
</template>

<style scoped>
.groups {
  margin: 0;
  padding: 0;
  list-style: none;
}
.both {
  display: flex;
  flex: 1;
  min-height: 0;
  padding-right: 20px;
}
.page {
  flex: 1;
  min-width: 0;
  display: flex;
  flex-direction: column;
  gap: 12px;
  overflow: auto;
}
.page :deep(.rows.tall) {
  min-height: 320px;
}
.when {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
.sum {
  font-family: var(--title);
  font-size: 1.15rem;
  font-weight: 600;
  border-left: 4px solid var(--brass);
  background: var(--brass-pale);
  padding: 8px 12px;
}
.sum.all {
  border-color: var(--spruce);
  background: var(--mint-pale);
}
@media (max-width: 760px) {
  .both {
    flex-direction: column;
    padding: 0;
  }
}
</style>
