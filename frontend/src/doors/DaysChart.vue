<script setup lang="ts">
import { computed } from 'vue'

/** How many came on each of the last days, the last one today: bars, and the sum in words. */
const props = defineProps<{ days: number[] }>()
const most = computed(() => Math.max(1, ...props.days))
const sum = computed(() => props.days.reduce((a, b) => a + b, 0))
</script>

<template>
  <svg v-if="sum" class="chart" :viewBox="`0 0 ${days.length * 3} 22`" :width="days.length * 3" height="22" role="img" :aria-label="$t('doors.chart', { n: sum })">
    <title>{{ $t('doors.chart', { n: sum }) }}</title>
    <path class="ground" :d="`M0 21.5h${days.length * 3}`" />
    <rect v-for="(n, index) in days" :key="index" :x="index * 3" :y="21 - (n ? Math.max(2, (20 * n) / most) : 0)" width="2" :height="n ? Math.max(2, (20 * n) / most) : 0" />
  </svg>
</template>

<style scoped>
.chart { flex: none; }
rect { fill: var(--spruce); }
.ground { stroke: var(--line); }
</style>
