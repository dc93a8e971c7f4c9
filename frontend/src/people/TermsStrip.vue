<script setup lang="ts">
import { computed } from 'vue'
import type { Stretch } from '@/shared/api'
import { platformNow } from '@/shared/clock'
import { day, lastDay } from '@/shared/sentences'
import { t } from '@/shared/words'

/**
 * Where somebody is in one site, over the terms: bars on one scale for all of their sites, pauses hatched, today
 * marked.
 */
export interface Span {
  from: number
  until: number
  marks: { at: number; name: string }[]
}
const props = defineProps<{ stretches: Stretch[]; span: Span; zone: string; head?: boolean }>()
const WIDTH = 400
const x = (instant: number) =>
  Math.max(0, Math.min(WIDTH, ((instant - props.span.from) / (props.span.until - props.span.from)) * WIDTH))
const at = (instant: string | null, otherwise: number) => (instant ? new Date(instant).getTime() : otherwise)
/** What is over and stays so needs no bar. */
const bars = computed(() =>
  props.stretches
    .filter((each) => each.until || !['ended', 'removed'].includes(each.state))
    .map((each) => {
      const left = x(at(each.from, props.span.from))
      return { ...each, left, width: Math.max(2, x(at(each.until, props.span.until)) - left) }
    }),
)
const described = computed(() =>
  bars.value
    .map(
      (each) =>
        `${t(`state.${each.state}`)}: ${day(each.from, props.zone)} – ` +
        `${each.until ? lastDay(each.until, props.zone) : ''}`,
    )
    .join('; '),
)
const today = computed(() => x(platformNow().getTime()))
</script>

<template>
  <div v-if="head" class="terms" aria-hidden="true">
    <span v-for="mark in span.marks" :key="mark.at" :style="{ left: `${(x(mark.at) / WIDTH) * 100}%` }">{{
      mark.name
    }}</span>
  </div>
  <svg v-else :viewBox="`0 0 ${WIDTH} 18`" width="100%" role="img" :aria-label="`${t('strip.label')}. ${described}`">
    <defs>
      <pattern id="hatch-terms" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="5" class="hatch" />
      </pattern>
    </defs>
    <rect x="0" y="0" :width="WIDTH" height="18" class="ground" />
    <line v-for="mark in span.marks" :key="mark.at" :x1="x(mark.at)" :x2="x(mark.at)" y1="0" y2="18" class="term" />
    <template v-for="each in bars" :key="String(each.from)">
      <rect :x="each.left" y="4" :width="each.width" height="10" rx="2" :class="each.state" class="bar" />
      <rect
        v-if="each.state === 'paused' || each.state === 'blocked'"
        :x="each.left"
        y="4"
        :width="each.width"
        height="10"
        fill="url(#hatch-terms)"
      />
    </template>
    <line :x1="today" :x2="today" y1="0" y2="18" class="today" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
}
.terms {
  position: relative;
  height: 18px;
  font-size: 0.82rem;
  color: var(--soft);
  overflow: hidden;
}
.terms span {
  position: absolute;
  white-space: nowrap;
}
.ground {
  fill: var(--hover);
}
.term {
  stroke: var(--line);
  stroke-width: 1.5;
}
.bar {
  fill: var(--line);
  stroke: var(--soft);
  stroke-width: 0.8;
}
.bar.current {
  fill: var(--mint);
  stroke: var(--spruce);
}
.bar.upcoming,
.bar.waiting {
  fill: var(--mint-pale);
  stroke: var(--spruce);
  stroke-dasharray: 3 2;
}
.bar.paused {
  fill: var(--brass-pale);
  stroke: var(--brass);
}
.bar.blocked {
  fill: var(--clay-pale);
  stroke: var(--clay);
}
.bar.ended,
.bar.removed {
  fill: none;
  stroke: var(--soft);
  stroke-dasharray: 2 3;
}
.hatch {
  stroke: var(--brass);
  stroke-width: 2;
}
.today {
  stroke: var(--brass);
  stroke-width: 2;
}
</style>
