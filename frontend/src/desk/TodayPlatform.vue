<script setup lang="ts">
import { computed } from 'vue'
import type { PlatformToday } from '@/shared/api'
import { t } from '@/shared/words'

/** What one administers, in numbers with a small picture each, and how the platform is. */
const props = defineProps<{ platform: PlatformToday }>()
const STATES = ['open', 'draft', 'closed'] as const
type Row = PlatformToday['sites'][number]
const sum = (row: Row) => STATES.reduce((total, state) => total + row[state], 0)
const most = computed(() => Math.max(1, ...props.platform.sites.map(sum)))
const WIDTH = 90

/** Where the part of each state begins in the picture, and how wide it is. */
const parts = (row: Row) => {
  let at = 0
  return STATES.map((state) => {
    const width = (row[state] / most.value) * WIDTH
    const part = { state, at, width }
    at += width
    return part
  })
}
const well = computed(() => {
  const health = props.platform.health
  if (!health) return ''
  return health.well
    ? t('today.health.well')
    : t('today.health.late', { what: health.late.map((each) => t(`today.health.part.${each}`)).join(', ') })
})
</script>

<template>
  <section aria-labelledby="today-platform">
    <h2 id="today-platform">{{ t('today.platform') }}</h2>
    <p v-if="platform.health" :class="platform.health.well ? 'well' : 'callout bad'" role="status">
      {{ well }}
      <template v-if="platform.health.failedJobs">{{
        t('today.health.failed', { n: platform.health.failedJobs }, platform.health.failedJobs)
      }}</template>
    </p>
    <ul>
      <li v-for="row in platform.sites" :key="row.division">
        <span>{{ row.division }}</span>
        <svg :viewBox="`0 0 ${WIDTH} 10`" :width="WIDTH" height="10" aria-hidden="true">
          <rect
            v-for="part in parts(row)"
            :key="part.state"
            :x="part.at"
            :width="part.width"
            height="10"
            :class="part.state"
          />
        </svg>
        <span class="soft nums numbers">{{
          t('today.bySites', { open: $n(row.open), draft: $n(row.draft), closed: $n(row.closed) })
        }}</span>
      </li>
    </ul>
    <p class="acts">
      <RouterLink to="/numbers">{{ t('today.numbers') }}</RouterLink>
      <RouterLink to="/sites/all">{{ t('sites.all') }}</RouterLink>
      <RouterLink :to="{ name: 'messages', params: { part: 'messages' } }">{{ t('messages.title') }}</RouterLink>
    </p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 6px 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 1fr 90px;
  gap: 0 14px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
.numbers {
  grid-column: 1 / -1;
  font-size: 0.92rem;
}
.well {
  color: var(--spruce);
  font-weight: 600;
}
.open {
  fill: var(--spruce);
}
.draft {
  fill: var(--brass);
}
.closed {
  fill: var(--line);
}
@media (max-width: 640px) {
  li {
    grid-template-columns: 1fr;
    gap: 2px;
  }
}
</style>
