<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Tick from '@/ui/Tick.vue'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { api, take, type Platform, type ChangeLine, type Site } from '@/shared/api'
import { knownName, lineSentences, type RoleName } from '@/shared/sentences'
import { inSentence, t, tIn } from '@/shared/words'
import LineTerms from './LineTerms.vue'
import {
  aboutPerson,
  overrides,
  type ByHand,
  type ColumnIs,
  type PastedCandidate,
  type PastedItem,
  type Said,
  type Word,
} from './pasted'
import ReadByHand from './ReadByHand.vue'
import TypedLine from './TypedLine.vue'
import WhoCouldBe from './WhoCouldBe.vue'
import { useLevels } from '@/shared/levels'
import { kindName } from '@/shared/kinds'

const { levelName } = useLevels()

/**
 * One line of a pasted list: what was typed, whom it was taken for and why, what will be of it, and what there is to
 * settle.
 */
const props = defineProps<{
  item: PastedItem
  said: Said
  who?: PastedCandidate
  line?: Pick<ChangeLine, 'verdict' | 'before' | 'after' | 'reasons' | 'cautions' | 'person' | 'outlook' | 'told'>
  telling?: boolean
  site: Site
  roles: Platform['roles']
  roleName: RoleName
  /** The words of the whole line. */
  words: () => Word[]
  /** The pieces of it with which another person begins. */
  begins: () => number[]
  hand?: ByHand
}>()
const emit = defineEmits<{
  say: [more: Said]
  correct: [text: string]
  read: [hand: ByHand, columns: Record<string, ColumnIs>]
  forget: []
}>()
const reading = ref(false)
const more = ref(false)
const typed = ref(props.item.text)
const asking = computed(
  () => !props.who && !props.said.out && !props.said.keep && ['choose', 'unknown'].includes(props.item.outcome),
)
/** Whether it was read as more than a name: that stands beside the field in which it can be put right. */
const marked = computed(
  () => new Set(props.item.marks.flatMap(({ kind }) => (kind && kind !== 'ignored' ? kind : []))).size > 1,
)
/** Whoever is found by what is typed in place of an unknown line is offered, too. */
const looking = ref(false)
const q = refDebounced(typed, 200)
const { data: found } = useQuery({
  queryKey: ['intake', computed(() => props.site.id), q],
  enabled: computed(() => looking.value && asking.value && q.value.trim().length > 1),
  queryFn: ({ signal }) =>
    take(
      api.GET('/sites/{site}/intake', {
        signal,
        params: { path: { site: props.site.id }, query: { q: q.value.trim() } },
      }),
    ),
  placeholderData: keepPreviousData,
})
const offered = computed(() => {
  const near = props.item.candidates
  const more =
    looking.value && found.value
      ? [...found.value.canBeLetIn, ...found.value.wasHere, ...found.value.alreadyHere].map((each) => each.person)
      : []
  return [
    ...near,
    ...more
      .filter((person) => !near.some((each) => each.person.id === person.id))
      .slice(0, 6)
      .map(overrides),
  ]
})
const pick = (candidate: PastedCandidate) =>
  emit('say', {
    person: candidate.person.id,
    ...(props.item.candidates.includes(candidate) ? {} : { found: candidate.person }),
  })
const shown = computed(() => props.who ?? (props.item.outcome === 'repeat' ? props.item.candidates[0] : undefined))
const why = (candidate: PastedCandidate) =>
  [
    !candidate.wanted && t('pasted.wrongKind', { kind: inSentence(kindName(candidate.person)) }),
    tIn(
      'pasted.evidence',
      props.item.outcome === 'match' && props.item.decided ? props.item.decided : candidate.evidence,
    ),
    candidate.remembered && candidate.evidence !== 'remembered' && t('pasted.evidence.remembered'),
  ]
    .filter(Boolean)
    .join(', ')
const sentences = computed(() =>
  props.line ? lineSentences(props.line as ChangeLine, props.site.timeZone, props.roleName).join(' ') : '',
)
const will = computed(() => {
  const { verdict, before, after } = props.line ?? {}
  if (verdict !== 'ready') return ''
  return t(
    before && !['current', 'paused', 'upcoming', 'waiting'].includes(before.state)
      ? 'pasted.back'
      : after?.state === 'upcoming'
        ? 'pasted.later'
        : 'pasted.in',
    { role: inSentence(props.roleName(after?.role)) },
  )
})

/** One key settles a line: the number of whom is meant, 0 for nobody. */
function keyedIn(event: KeyboardEvent) {
  if (event.target instanceof HTMLInputElement && event.target.type !== 'radio') return
  const candidate = /^[1-9]$/.test(event.key) ? offered.value[Number(event.key) - 1] : undefined
  if (candidate && (asking.value || props.said.person)) pick(candidate)
  else if (event.key === '0' && asking.value) emit('say', { out: true })
  else return
  event.preventDefault()
  const row = event.currentTarget as HTMLElement
  const rows = [...(row.closest('aside')?.querySelectorAll<HTMLElement>('li[data-asks]') ?? [])]
  rows[rows.indexOf(row) + 1]?.focus()
}
</script>

<template>
  <li
    :class="[item.outcome, { asks: asking }]"
    :tabindex="asking ? 0 : undefined"
    :data-asks="asking || undefined"
    @keydown="keyedIn"
  >
    <span class="num soft">{{ item.number }}</span>
    <div class="typed">
      <form v-if="asking && item.outcome === 'unknown'" class="correct" @submit.prevent="$emit('correct', typed)">
        <InputText
          v-model="typed"
          size="small"
          maxlength="200"
          :aria-label="t('pasted.correct', { n: item.number })"
          :placeholder="t('intake.placeholder')"
          @input="looking = true"
          @change="looking && offered.length ? undefined : $emit('correct', typed)"
        />
      </form>
      <TypedLine v-if="!asking || item.outcome !== 'unknown' || marked" :marks="item.marks" />
    </div>
    <div class="what">
      <template v-if="shown">
        <strong>{{ knownName(shown.person) }}</strong>
        <span class="why soft">{{ aboutPerson(shown.person, levelName) }} · {{ why(shown) }}</span>
      </template>
      <p v-if="item.doubt && !who" class="brass">{{ t(`pasted.doubt.${item.doubt}`) }}</p>
      <p v-if="item.notTheirs.length" class="brass">
        {{ t('pasted.notTheirs', { what: item.notTheirs.join(', ') }) }}
      </p>
      <p v-if="item.mistyped" class="brass">{{ t('intake.slip', { format: inSentence(item.mistyped) }) }}</p>
      <p v-if="item.outcome === 'repeat'" class="soft">{{ t('pasted.repeat', { n: item.repeats }) }}</p>

      <WhoCouldBe
        v-if="asking && offered.length"
        :name="item.key"
        :offered="offered"
        :near="item.outcome === 'unknown'"
        :person="said.person"
        :why="why"
        @pick="pick"
      />
      <p v-else-if="asking" class="soft">{{ t('pasted.nobody') }}</p>
      <ReadByHand
        v-if="reading"
        :words="words()"
        :begins="begins()"
        :hand="hand"
        @close="reading = false"
        @forget="((reading = false), $emit('forget'))"
        @read="(...said) => ((reading = false), $emit('read', ...said))"
      />

      <div class="foot">
        <p
          v-if="line"
          :class="
            {
              ready: 'will',
              'nothing-to-do': 'soft',
              'needs-choice': 'brass',
              'waits-for-seat': 'brass',
              refused: 'clay',
            }[line.verdict]
          "
        >
          {{ [will, sentences].filter(Boolean).join(' ')
          }}<span v-if="telling && line.told" class="soft">{{ ' ' + t(`tell.line.${line.told}`) }}</span>
        </p>
        <Tick
          v-if="line?.verdict === 'needs-choice' && line.reasons[0]?.code === 'above-learner'"
          :model-value="!!said.sure"
          @update:model-value="$emit('say', { sure: !said.sure })"
          >{{ t('pasted.really', { role: inSentence(roleName(String(line.reasons[0].values.role))) }) }}</Tick
        >
        <p v-if="item.outcome === 'no-person'" class="acts">
          <button class="word" @click="reading = !reading">{{ t('pasted.hand.person') }}</button>
        </p>
        <p v-else class="acts">
          <button v-if="said.out || said.keep" class="word" @click="$emit('say', { out: false, keep: false })">
            {{ t('pasted.takeUp') }}
          </button>
          <template v-else>
            <button v-if="said.person" class="word" @click="$emit('say', { person: '' })">
              {{ t('pasted.other') }}
            </button>
            <button
              v-if="who && line?.verdict !== 'nothing-to-do'"
              class="word"
              :aria-expanded="more"
              @click="more = !more"
            >
              {{ t('pasted.own') }}
            </button>
            <button v-if="item.outcome === 'unknown' && !who" class="word" @click="$emit('say', { keep: true })">
              {{ t('pasted.keep') }}
            </button>
            <button
              v-if="line?.verdict !== 'nothing-to-do' && item.outcome !== 'repeat'"
              class="word"
              @click="$emit('say', { out: true })"
            >
              {{ t('pasted.drop') }}
            </button>
          </template>
          <button v-if="!said.out && !said.keep" class="word" :aria-expanded="reading" @click="reading = !reading">
            {{ t('pasted.hand.act') }}
          </button>
          <span v-if="hand" class="soft">{{ t('pasted.hand.said') }}</span>
          <span v-if="said.keep" class="soft">{{ t('pasted.keptFor') }}</span>
        </p>
      </div>
      <LineTerms v-if="more && who" :said="said" :site="site" :roles="roles" @say="$emit('say', $event)" />
    </div>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 34px minmax(150px, 1fr) minmax(0, 2.4fr);
  gap: 8px 16px;
  padding: 5px 0 5px 10px;
  border-bottom: 1px solid var(--line);
}
li.asks {
  box-shadow: inset 4px 0 var(--brass);
}
li .num {
  padding-top: 2px;
}
.typed {
  overflow-wrap: anywhere;
  color: var(--soft);
}
.asks .typed {
  color: var(--ink);
}
@media (max-width: 640px) {
  li {
    grid-template-columns: 26px 1fr;
  }
  .what {
    grid-column: 2;
  }
}
.correct input {
  width: 100%;
}
.why {
  font-size: 0.9rem;
  margin-left: 4px;
}
.will {
  color: var(--spruce);
}
.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  align-items: baseline;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  font-size: 0.9rem;
  margin-left: auto;
}
</style>
