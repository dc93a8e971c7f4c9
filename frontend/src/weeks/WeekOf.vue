<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import ChevronLeftIcon from '@primevue/icons/chevronleft'
import ChevronRightIcon from '@primevue/icons/chevronright'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { platformNow } from '@/shared/clock'
import { dayIn, daysLater, shortDay } from '@/shared/days'
import { t } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'
import { between, clashOf, nameOf, type Week } from './weeks'
import WeekRows from './WeekRows.vue'

/** The week of a site, a person or a room: gone through week by week, with what is at the same time. */
const props = defineProps<{
  /** What tells it from others. */
  of: readonly string[]
  label: string
  zone: string
  fetch: (day: string) => Promise<Week>
  kind: 'site' | 'person' | 'room'
  /** Said where nothing meets in any week. */
  nothing?: string
}>()
const today = dayIn(platformNow(), props.zone)
const day = ref(today)
watch(
  () => props.of.join(),
  () => (day.value = today),
)
const {
  data: week,
  error,
  refetch,
} = useQuery({
  queryKey: ['week', computed(() => props.of), day],
  queryFn: () => props.fetch(day.value),
  placeholderData: keepPreviousData,
})
const monday = computed(() => week.value?.days[0]?.day ?? today)
const empty = computed(() => !!week.value && week.value.days.every(({ meetings }) => !meetings.length))
const walks = computed(() => week.value?.days.flatMap((each) => each.walks) ?? [])
</script>

<template>
  <div class="week">
    <div class="top">
      <Button
        size="small"
        variant="outlined"
        :aria-label="t('weeks.before')"
        :title="t('weeks.before')"
        @click="day = daysLater(monday, -7)"
        ><template #icon><ChevronLeftIcon aria-hidden="true" /></template
      ></Button>
      <Button
        size="small"
        variant="outlined"
        :label="t('weeks.today')"
        :disabled="day === today"
        @click="day = today"
      />
      <Button
        size="small"
        variant="outlined"
        :aria-label="t('weeks.after')"
        :title="t('weeks.after')"
        @click="day = daysLater(monday, 7)"
        ><template #icon><ChevronRightIcon aria-hidden="true" /></template
      ></Button>
      <strong class="nums" role="status">{{
        t('weeks.span', { from: shortDay(monday), until: shortDay(daysLater(monday, 6)) })
      }}</strong>
      <slot name="acts" />
    </div>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="week">
      <p v-if="empty && !week.next && day === today && nothing" class="soft">{{ nothing }}</p>
      <template v-else>
        <p v-if="empty" class="soft">
          {{ t('weeks.none') }}
          <button v-if="week.next" class="word" @click="day = week.next">
            {{ t('weeks.next', { day: shortDay(week.next) }) }}
          </button>
        </p>
        <WeekRows
          :week="week"
          :label="t('weeks.gridOf', { name: label })"
          :free="kind === 'person'"
          :of-site="kind === 'site'"
          :of-room="kind === 'room'"
        />
      </template>
      <section v-if="week.clashes.length && kind !== 'site'" class="trouble" role="note">
        <h2>
          {{
            t(kind === 'room' ? 'weeks.roomClashes' : 'weeks.clashes', { n: week.clashes.length }, week.clashes.length)
          }}
        </h2>
        <ul>
          <li v-for="clash in week.clashes" :key="clash.one.hours + clash.other.hours">
            {{ clashOf(clash, week.zone) }}
          </li>
        </ul>
      </section>
      <ul v-if="walks.length" class="walks soft">
        <li v-for="walk in walks" :key="walk.before.hours + walk.after.from">
          {{ shortDay(walk.after.from.slice(0, 10)) }}, {{ between(walk.before, week.zone) }}
          {{ t('weeks.fromTo', { before: nameOf(walk.before), after: nameOf(walk.after) }) }}
          {{
            t('weeks.walk', {
              n: walk.minutes,
              before: walk.before.building,
              after: walk.after.building,
            })
          }}
        </li>
      </ul>
    </template>
    <p v-else class="skeleton" />
  </div>
</template>

<style scoped>
.week {
  display: grid;
  gap: 12px;
  align-content: start;
  min-width: 0;
}
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.trouble {
  border-left: 4px solid var(--clay);
  padding: 4px 12px;
}
.trouble h2 {
  font-size: 1rem;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
