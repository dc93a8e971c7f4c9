<script setup lang="ts">
import { computed } from 'vue'
import { t } from '@/shared/words'
import type { Balance, Wish } from './groups'

/** A wish, how far it is met, and of whom it is not so. */
type Kept = Balance['wishes'][number]
const props = defineProps<{
  said: string
  wish: Wish
  kept?: Kept
  /** How it is before the moves on the board. */
  was?: Kept
  personName: (id: string) => string
}>()
const isMet = computed(() => props.kept?.lacks === 0)
const pairs = computed(() => ['together', 'apart', 'free', 'met'].includes(props.wish.kind))
/** Too few here, too many there; of a share that is counted for each the two are not told apart. */
const countSaid = ({ lacks, groups }: Kept) => {
  if (props.wish.kind !== 'count' || !lacks) return t('groups.wishes.lacks', { n: lacks }, lacks)
  const { least = 0, most = Infinity } = props.wish
  const sum = (off: (n: number) => number) =>
    groups.reduce((all, { amounts }) => all + Math.max(0, off(amounts[0]?.n ?? 0)), 0)
  const few = sum((n) => least - n)
  const many = sum((n) => n - most)
  return [
    few ? t('groups.wishes.tooFew', { n: few }, few) : '',
    many ? t('groups.wishes.tooMany', { n: many }, many) : '',
  ]
    .filter(Boolean)
    .join(', ')
}
const saidOf = (kept: Kept) => {
  const { people } = kept
  if (props.wish.kind === 'even') return ''
  return pairs.value ? t('groups.wishes.pairs', { n: people.length }, people.length) : countSaid(kept)
}
const how = computed(() => (props.kept ? saidOf(props.kept) : ''))
const best = computed(() =>
  props.kept?.lacks && props.kept.lacks <= props.kept.least ? t('groups.wishes.asCanBe') : '',
)
/** Why no groups do better: how many there are of those that are counted. */
const why = computed(() => {
  if (!best.value || props.wish.kind !== 'count') return ''
  const n = (props.kept?.groups ?? []).reduce((sum, { amounts }) => sum + (amounts[0]?.n ?? 0), 0)
  const few = n < props.kept!.groups.length * (props.wish.least ?? 0)
  return few ? t('groups.wishes.few', { n }, n) : t('groups.wishes.many', { n }, n)
})
const before = computed(() => {
  const { kept, was } = props
  return kept && was && kept.lacks !== was.lacks && how.value ? t('groups.wishes.was', { n: saidOf(was) }) : ''
})
</script>

<template>
  <li :class="{ must: wish.must }">
    <p>
      <strong>{{ said }}</strong>
      <template v-if="wish.must">
        {{ ' ' }}<span class="tag">{{ t('groups.wishes.must') }}</span></template
      >
    </p>
    <p v-if="kept && how" :class="isMet ? 'spruce' : wish.must ? 'clay' : 'brass'">
      {{ how }}<span v-if="before" class="soft"> · {{ before }}</span>
    </p>
    <p v-if="best" class="soft">{{ why }} {{ best }}</p>
    <ul v-if="kept?.people.length">
      <li v-for="(some, n) in kept.people" :key="n">{{ some.map(personName).join(', ') }}</li>
    </ul>
  </li>
</template>

<style scoped>
li {
  border-left: 3px solid var(--line);
  padding-left: 10px;
}
.must {
  border-color: var(--spruce);
}
.tag {
  font-size: 0.85rem;
  color: var(--soft);
}
.spruce {
  color: var(--spruce);
}
ul {
  margin: 2px 0 0;
  padding: 0;
  list-style: none;
  font-size: 0.92rem;
}
ul li {
  border: 0;
  padding: 0;
}
</style>
