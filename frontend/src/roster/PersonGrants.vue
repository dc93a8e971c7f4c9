<script setup lang="ts">
import { computed } from 'vue'
import type { Override, PersonCard, Site } from '@/shared/api'
import { platformNow } from '@/shared/clock'
import { usePlatform } from '@/shared/platform'
import { day, lastDay } from '@/shared/sentences'
import { inSentence, t } from '@/shared/words'
import TermStrip from '@/ui/TermStrip.vue'
import HelpWord from '@/ui/HelpWord.vue'
import type { useChanges } from './changes'
import { sectionNames } from './sections'

/** What staff set on somebody's enrollment, and how access was given: each way in, over time. */
const props = defineProps<{ card: PersonCard; site: Site; may: boolean; busy: boolean }>()
const emit = defineEmits<{ act: [request: Parameters<ReturnType<typeof useChanges>['change']>[1]] }>()
const { roleName } = usePlatform()
const zone = computed(() => props.site.timeZone)
const begun = (mark: Override) => !mark.from || new Date(mark.from) <= platformNow()
const ending = (mark: Override) => t(mark.kind === 'paused' && begun(mark) ? 'card.resume' : 'card.lift')
const LIFTS = {
  role: 'clear-role',
  dates: 'clear-dates',
  sections: 'clear-sections',
  paused: 'resume',
  blocked: 'unblock',
} as const

function overrideSentence(mark: Override): string {
  const [from, until] = mark.kind === 'dates' ? [mark.dates?.from, mark.dates?.until] : [mark.from, mark.until]
  const values = { from: day(from, zone.value), until: until ? lastDay(until, zone.value) : '' }
  const coming = !!from && new Date(from) > platformNow()
  const range = coming ? (until ? 'between' : 'from') : until ? 'until' : 'open'
  return t(`card.hand.${mark.kind}`, {
    role: inSentence(roleName(mark.role)),
    range: t(`card.range.${range}`, values),
    sections: sectionNames(props.site, mark.sections ?? []) || t('card.noSection'),
  })
}
</script>

<template>
  <section v-if="card.overrides.length">
    <h3>
      <HelpWord term="overrides">{{ t('card.overridesTitle') }}</HelpWord>
    </h3>
    <ul>
      <li v-for="mark in card.overrides" :key="mark.kind + mark.from">
        {{ overrideSentence(mark) }}<template v-if="mark.by">, {{ t('card.by', { name: mark.by }) }}</template
        >.
        <button
          v-if="may"
          class="word"
          :disabled="busy"
          :aria-label="`${ending(mark)}: ${overrideSentence(mark)}`"
          @click="emit('act', { verb: LIFTS[mark.kind] })"
        >
          {{ ending(mark) }}
        </button>
        <span v-if="mark.note" class="soft small">{{ mark.note }}</span>
      </li>
    </ul>
  </section>

  <section>
    <h3>
      <HelpWord term="grants">{{ t('card.ways') }}</HelpWord>
    </h3>
    <TermStrip :card="card" :site="site" />
    <p v-if="card.nextChange" class="soft small">
      {{
        t('card.next', {
          day: day(card.nextChange.at, zone),
          what: t(`card.nextIs.${card.nextChange.entry}`, {
            role: inSentence(roleName(card.nextChange.role)),
            state: card.nextChange.state ? inSentence(t(`state.${card.nextChange.state}`)) : t('card.nextNone'),
          }),
        })
      }}
    </p>
    <ul>
      <li v-for="way in card.grants" :key="way.id">
        <strong>{{ t(`door.plain.${way.door.kind}`) }}</strong><template v-if="way.door.name">
          ({{ way.door.name }})</template
        >: {{ inSentence(roleName(way.role)) }},
        {{
          t(`card.phase.${way.phase}`, {
            from: day(way.from, zone),
            until: way.phase === 'removed' ? day(way.until, zone) : lastDay(way.until, zone),
          })
        }}<template v-if="way.phase === 'in-force' || way.phase === 'upcoming'"
          >, {{ way.until ? t('card.untilDay', { until: lastDay(way.until, zone) }) : t('card.open') }}</template
        ><template v-if="way.section">, {{ t('card.section', { name: way.section }) }}</template>
        <span v-if="way.reserved" class="brass small">{{ t('card.reserved') }}</span>
        <span class="soft small"
          >{{ day(way.givenAt, zone) }}{{ way.givenBy ? ' ' + t('card.by', { name: way.givenBy }) : '' }}</span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.small {
  font-size: 0.9rem;
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
li span {
  display: block;
}
</style>
