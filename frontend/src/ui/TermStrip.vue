<script setup lang="ts">
import { computed } from 'vue'
import type { PersonCard, Site } from '@/shared/api'
import { platformNow } from '@/shared/clock'
import { day, lastDay } from '@/shared/sentences'
import { t } from '@/shared/words'

/** A person's ways in as bars over the term: a line per door, pauses and keep-outs hatched over them, today marked. */
const props = defineProps<{ card: PersonCard; site: Site }>()
const WIDTH = 340
const LINE = 15
const DAY = 86_400_000
/** Milliseconds ahead that are shown of a site of no term. */
const UNLESS_TERM = 90 * DAY

const ms = (instant: string | null, otherwise: number) => (instant ? new Date(instant).getTime() : otherwise)
const now = computed(() => platformNow().getTime())
/** When something changes next, where the strip reaches so far. */
const next = computed(() => (props.card.nextChange ? new Date(props.card.nextChange.at).getTime() : null))
const span = computed(() => {
  const { term } = props.site
  const starts = term ? new Date(term.startsOn).getTime() : now.value
  const ends = term ? new Date(term.endsOn).getTime() + DAY : now.value + UNLESS_TERM
  const from = Math.min(starts, now.value, ...props.card.grants.map((way) => ms(way.from, starts)))
  const until = Math.max(ends, now.value, next.value ?? ends)
  const margin = (until - from) * 0.02
  return { from: from - margin, until: until + margin }
})
/** What stands at an end: a day of the term, or how far is shown. */
const edge = (ofTerm: string | undefined, shown: number) => day(ofTerm ?? new Date(shown).toISOString(), 'UTC')
const x = (instant: number) =>
  Math.max(0, Math.min(WIDTH, ((instant - span.value.from) / (span.value.until - span.value.from)) * WIDTH))
const bar = (from: string | null, until: string | null) => {
  const left = x(ms(from, -Infinity))
  return { x: left, width: Math.max(2, x(ms(until, Infinity)) - left) }
}
const bars = computed(() =>
  props.card.grants.map((way, line) => ({
    id: way.id,
    y: line * LINE + 2,
    over: way.phase === 'ended' || way.phase === 'removed',
    ...bar(way.from, way.until),
  })),
)
const height = computed(() => Math.max(1, bars.value.length) * LINE + 4)
const hatched = computed(() =>
  props.card.timeline
    .filter(({ state }) => state === 'paused' || state === 'blocked')
    .map((each) => ({ ...each, ...bar(each.from, each.until) })),
)
const described = computed(() =>
  [
    ...props.card.grants.map(
      (way) =>
        `${t(`door.plain.${way.door.kind}`)}: ${day(way.from, props.site.timeZone)} – ` +
        `${way.until ? lastDay(way.until, props.site.timeZone) : ''}`,
    ),
    ...hatched.value.map(
      (each) =>
        `${t(`state.${each.state}`)}: ${day(each.from, props.site.timeZone)} – ` +
        `${lastDay(each.until, props.site.timeZone)}`,
    ),
  ].join('; '),
)
</script>

<template>
  <figure class="strip-of-term">
    <svg :viewBox="`0 0 ${WIDTH} ${height}`" width="100%" role="img" :aria-label="`${t('strip.label')}. ${described}`">
      <defs>
        <pattern id="hatch-paused" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="5" class="hatch" />
        </pattern>
        <pattern id="hatch-out" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <line x1="0" y1="0" x2="0" y2="4" class="hatch out" />
        </pattern>
      </defs>
      <rect x="0" y="0" :width="WIDTH" :height="height" class="ground" />
      <rect
        v-for="each in bars"
        :key="each.id"
        :x="each.x"
        :y="each.y"
        :width="each.width"
        :height="LINE - 4"
        rx="2"
        :class="{ over: each.over }"
        class="way"
      />
      <template v-for="each in hatched" :key="String(each.from)">
        <rect :x="each.x" y="0" :width="each.width" :height="height" :class="each.state" class="mask" />
        <rect
          :x="each.x"
          y="0"
          :width="each.width"
          :height="height"
          :fill="`url(#hatch-${each.state === 'paused' ? 'paused' : 'out'})`"
        />
      </template>
      <line :x1="x(now)" :x2="x(now)" y1="0" :y2="height" class="today" />
      <line v-if="next !== null" :x1="x(next)" :x2="x(next)" y1="0" :y2="height" class="next" />
    </svg>
    <figcaption class="soft">
      <span>{{ edge(site.term?.startsOn, span.from) }}</span>
      <span v-if="hatched.length">{{
        [...new Set(hatched.map(({ state }) => t(state === 'paused' ? 'strip.paused' : 'strip.out')))]
          .map((word) => `▨ ${word}`)
          .join(' · ')
      }}</span>
      <span class="brass">┃ {{ t('strip.today') }}</span>
      <span v-if="next !== null">┆ {{ t('strip.next') }}</span>
      <span>{{ edge(site.term?.endsOn, span.until) }}</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.strip-of-term {
  margin: 5px 0 2px;
}
svg {
  display: block;
}
.ground {
  fill: var(--hover);
}
.way {
  fill: var(--mint);
  stroke: var(--spruce);
  stroke-width: 1;
}
.over {
  fill: var(--line);
  stroke: var(--soft);
  stroke-dasharray: 3 2;
}
.mask {
  fill: var(--brass-pale);
  opacity: 0.75;
}
.mask.blocked {
  fill: var(--clay-pale);
}
.hatch {
  stroke: var(--brass);
  stroke-width: 2;
}
.out {
  stroke: var(--clay);
}
.next {
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 3 2;
}
.today {
  stroke: var(--brass);
  stroke-width: 2;
}
figcaption {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  font-size: 0.84rem;
  padding-top: 2px;
}
</style>
