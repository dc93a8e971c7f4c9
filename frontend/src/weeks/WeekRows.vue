<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed } from 'vue'
import { platformNow } from '@/shared/clock'
import { dayIn } from '@/shared/days'
import { t } from '@/shared/words'
import {
  between,
  dayName,
  minuteIn,
  nameOf,
  placeOf,
  timeIn,
  type MeetingShown,
  type Week,
  type WeekDay,
} from './weeks'

/**
 * A week with a row for each day and time running to the right; what is at the same time stands below one another. On
 * a phone a list for each day.
 */
const props = defineProps<{
  week: Week
  label: string
  /** Whether the free time is drawn. */
  free?: boolean
  /** Whether all of it is of one site, which is not named each time. */
  ofSite?: boolean
  /** Whether all of it is in one room. */
  ofRoom?: boolean
}>()
const narrow = useMediaQuery('(max-width: 760px)')
const HOUR = 60
const LANE = 70

const span = (meeting: MeetingShown) => {
  const from = minuteIn(meeting.occasion.from, props.week.zone)
  const long = (Date.parse(meeting.occasion.until) - Date.parse(meeting.occasion.from)) / 60_000
  return { from, until: Math.min(24 * HOUR, from + long) }
}
/** Whole hours from the first meeting to the last, the usual working day at least. */
const range = computed(() => {
  const spans = props.week.days.flatMap(({ meetings }) => meetings.map(span))
  const from = Math.min(9 * HOUR, ...spans.map((each) => each.from))
  const until = Math.max(18 * HOUR, ...spans.map((each) => each.until))
  return { from: Math.floor(from / HOUR) * HOUR, until: Math.ceil(until / HOUR) * HOUR }
})
const hours = computed(() => {
  const { from, until } = range.value
  return Array.from({ length: (until - from) / HOUR }, (_, n) => from + n * HOUR)
})
const share = (minutes: number) => (100 * minutes) / (range.value.until - range.value.from) + '%'
const box = (meeting: MeetingShown) => {
  const { from, until } = span(meeting)
  return {
    left: share(from - range.value.from),
    width: share(until - from),
    top: meeting.lane * LANE + 3 + 'px',
    height: LANE - 4 + 'px',
  }
}
const strip = ({ from, until }: WeekDay['free'][number]) => {
  const left = Math.max(range.value.from, minuteIn(from, props.week.zone))
  const right = Math.min(range.value.until, minuteIn(until, props.week.zone) || 24 * HOUR)
  return right > left ? { left: share(left - range.value.from), width: share(right - left) } : { display: 'none' }
}
const high = (day: WeekDay) => Math.max(1, ...day.meetings.map(({ lanes }) => lanes)) * LANE + 4 + 'px'
const at = (minutes: number) => timeIn(`2026-01-05T${String(minutes / HOUR).padStart(2, '0')}:00:00Z`, 'UTC')
const where = (meeting: MeetingShown) => (props.ofRoom ? '' : placeOf(meeting.occasion))
const today = dayIn(platformNow(), props.week.zone)
const whole = (meeting: MeetingShown) =>
  [
    between(meeting.occasion, props.week.zone),
    nameOf(meeting.occasion, !props.ofSite),
    where(meeting),
    meeting.clash ? t('weeks.clash') : '',
  ]
    .filter(Boolean)
    .join(' · ')
const freeOf = (day: WeekDay) => day.free.map((each) => between(each, props.week.zone)).join(', ')
const shown = computed(() => props.week.days.filter(({ meetings, off }) => meetings.length || off))
</script>

<template>
  <div v-if="narrow" class="by-day" role="group" :aria-label="label">
    <section v-for="day in shown" :key="day.day">
      <h2>
        {{ dayName(day.day) }} <span v-if="day.off" class="soft">{{ t('weeks.off', { name: day.off }) }}</span>
      </h2>
      <ul>
        <li v-for="meeting in day.meetings" :key="meeting.occasion.hours + meeting.occasion.from">
          <span class="nums">{{ between(meeting.occasion, week.zone) }}</span>
          <strong>{{ nameOf(meeting.occasion, !ofSite) }}</strong>
          <span v-if="where(meeting)" class="soft">{{ where(meeting) }}</span>
          <span v-if="meeting.clash" class="clay">{{ t('weeks.clash') }}</span>
        </li>
      </ul>
      <p v-if="free && day.free.length" class="soft small">{{ t('weeks.free', { times: freeOf(day) }) }}</p>
    </section>
  </div>
  <div v-else class="rows" role="group" :aria-label="label">
    <div class="row clock" aria-hidden="true">
      <span />
      <span class="line">
        <span v-for="hour in hours" :key="hour" class="hour nums" :style="{ width: share(HOUR) }">{{ at(hour) }}</span>
      </span>
    </div>
    <section
      v-for="day in week.days"
      :key="day.day"
      class="row"
      :class="{ bare: !day.meetings.length, today: day.day === today }"
    >
      <h2>
        {{ dayName(day.day, 'short') }}
        <span v-if="day.off" class="soft">{{ t('weeks.off', { name: day.off }) }}</span>
      </h2>
      <div
        class="line"
        :style="{
          height: day.meetings.length ? high(day) : undefined,
          '--hours': hours.length,
        }"
      >
        <template v-if="free && day.meetings.length">
          <span v-for="each in day.free" :key="each.from" class="free" :style="strip(each)" aria-hidden="true" />
        </template>
        <ul>
          <li
            v-for="meeting in day.meetings"
            :key="meeting.occasion.hours + meeting.occasion.from"
            :class="{ clash: meeting.clash, other: !meeting.occasion.site }"
            :style="box(meeting)"
            :title="whole(meeting)"
          >
            <strong>{{ nameOf(meeting.occasion, !ofSite) }}</strong>
            <span class="small nums">{{ between(meeting.occasion, week.zone) }}</span>
            <span v-if="where(meeting)" class="small">{{ where(meeting) }}</span>
            <span v-if="meeting.clash" class="unseen">{{ t('weeks.clash') }}</span>
          </li>
        </ul>
      </div>
    </section>
  </div>
</template>

<style scoped>
.rows {
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--sheet);
  min-width: 0;
}
.row {
  display: grid;
  grid-template-columns: 118px minmax(0, 1fr);
}
.row + .row {
  border-top: 1px solid var(--line);
}
h2 {
  font-size: 0.95rem;
  padding: 8px 8px 4px 12px;
}
.today h2 {
  box-shadow: inset 4px 0 0 var(--brass);
}
.bare h2 {
  color: var(--soft);
  font-weight: 400;
  padding-block: 5px;
}
h2 .soft {
  display: block;
  font-weight: 400;
  font-size: 0.86rem;
}
.line {
  position: relative;
  display: block;
  min-height: 28px;
  background-image: linear-gradient(to right, var(--line) 1px, transparent 1px);
  background-size: calc(100% / var(--hours, 1)) 100%;
}
.clock .line {
  display: flex;
  background: none;
  min-height: 0;
}
.hour {
  font-size: 0.82rem;
  color: var(--soft);
  padding: 3px 0 2px 3px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.rows li {
  position: absolute;
  overflow: hidden;
  display: flex;
  flex-direction: column;
  justify-content: center;
  padding: 0 2px 0 6px;
  border-left: 4px solid var(--spruce);
  border-radius: 3px;
  background: var(--mint-pale);
  line-height: 1.2;
}
.rows li.other {
  border-left-color: var(--line);
  background: var(--hover);
}
.rows li.clash {
  border-left-color: var(--clay);
  outline: 1px solid var(--clay);
  outline-offset: -1px;
}
.rows li > * {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.rows li strong {
  font-size: 0.92rem;
}
.small {
  font-size: 0.84rem;
}
/* What is too narrow for its times has them above it, and all of it as its title. */
.rows li {
  container-type: inline-size;
}
.rows li .small {
  white-space: normal;
}
@container (max-width: 96px) {
  .rows li .small {
    display: none;
  }
}
.free {
  position: absolute;
  bottom: 0;
  height: 3px;
  background: var(--mint);
}
.by-day {
  display: grid;
  gap: 14px;
}
.by-day h2 {
  padding: 0 0 4px;
}
.by-day li {
  display: grid;
  gap: 1px;
  padding: 7px 10px;
  border-left: 4px solid var(--spruce);
  background: var(--sheet);
}
.by-day li + li {
  margin-top: 6px;
}
@media print {
  .rows {
    break-inside: avoid;
  }
}
</style>
