<script setup lang="ts">
import { computed } from 'vue'
import type { Door } from '@/shared/api'
import { t } from '@/shared/words'

/** When people came through a door, until today: bars, and what they say in words. */
const props = defineProps<{ chart: Door['chart'] }>()
const most = computed(() => Math.max(1, ...props.chart.came))
const bars = computed(() => props.chart.came.map((n) => (n ? Math.max(2, (20 * n) / most.value) : 0)))
const width = computed(() => bars.value.length * 3)
</script>

<template>
  <svg
    v-if="bars.some(Boolean)"
    class="chart"
    :viewBox="`0 0 ${width} 22`"
    :width="width"
    height="22"
    role="img"
    :aria-label="t('doors.chart', { n: chart.each, most }, chart.each)"
  >
    <title>{{ t('doors.chart', { n: chart.each, most }, chart.each) }}</title>
    <path class="ground" :d="`M0 21.5h${width}`" />
    <rect v-for="(height, index) in bars" :key="index" :x="index * 3" :y="21 - height" width="2" :height="height" />
  </svg>
</template>

<style scoped>
.chart {
  flex: none;
}
rect {
  fill: var(--spruce);
}
.ground {
  stroke: var(--line);
}
</style>
