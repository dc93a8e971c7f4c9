<script setup lang="ts">
import TimeField from '@/ui/TimeField.vue'
import DayField from '@/ui/DayField.vue'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { api, take } from '@/shared/api'
import { platformNow } from '@/shared/clock'
import { isDay, readTime } from '@/shared/days'
import { t } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'

/** All sites one runs, checked at one moment: where everybody could enter, and where not and why. */
const day = ref(new Date(platformNow().getTime() + 86_400_000).toISOString().slice(0, 10))
const time = ref('09:00')
const moment = refDebounced(
  computed(() => ({ day: day.value, time: time.value })),
  200,
)
const { data, error, refetch } = useQuery({
  queryKey: ['first-day-check', 'all', moment],
  enabled: computed(() => isDay(moment.value.day) && !!readTime(moment.value.time)),
  queryFn: () => take(api.GET('/first-day-check', { params: { query: moment.value } })),
  placeholderData: keepPreviousData,
})
type Row = NonNullable<typeof data.value>['sites'][number]
const kept = (row: Row) => row.groups.reduce((sum, group) => sum + group.people, 0)
const expected = (row: Row) => row.enter + row.look + kept(row)
const sum = (of: (row: Row) => number) => data.value?.sites.reduce((total, row) => total + of(row), 0) ?? 0
</script>

<template>
  <div class="page">
    <h1>{{ t('firstDayChecks.title') }}</h1>
    <p class="soft">{{ t('firstDayChecks.more') }}</p>
    <p class="when">
      <DayField v-model="day" shown :label="t('firstDayCheck.on')" />
      <TimeField v-model="time" :label="t('firstDayCheck.at')" />
    </p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="data">
      <p v-if="!data.sites.length">{{ t('firstDayChecks.empty') }}</p>
      <p v-else class="sum" :class="{ all: !sum(kept) }" role="status">
        {{ t('firstDayChecks.all', { n: $n(sum((row) => row.enter)), of: $n(sum(expected)) }) }}
      </p>
      <ul>
        <li v-for="row in data.sites" :key="row.site.id">
          <RouterLink :to="{ name: 'roster', params: { site: row.site.id } }"
            ><strong>{{ row.site.name }}</strong></RouterLink
          >
          <span class="nums">{{
            kept(row)
              ? t('firstDayChecks.some', { n: $n(row.enter), of: $n(expected(row)) })
              : t('firstDayChecks.fine', { n: $n(expected(row)) }, expected(row))
          }}</span>
          <span class="brass">{{
            row.groups
              .map((group) =>
                t(`firstDayCheck.cause.${group.reason.causes[0]!.code}`, { n: group.people }, group.people),
              )
              .join(' · ')
          }}</span>
          <RouterLink
            v-if="row.groups.length"
            :to="{ name: 'first-day-check', params: { site: row.site.id }, query: moment }"
            >{{ t('firstDayChecks.fix') }}</RouterLink
          >
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 12px;
  align-content: start;
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
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(200px, 1.4fr) 190px 2fr 112px;
  gap: 4px 16px;
  padding: 8px 4px;
  border-bottom: 1px solid var(--line);
  align-items: baseline;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr;
  }
}
</style>
