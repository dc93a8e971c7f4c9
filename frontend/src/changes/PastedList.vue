<script setup lang="ts">
import { optionsOf } from '@/ui/options'
import { openSections } from '@/roster/sections'
import Textarea from 'primevue/textarea'
import DayField from '@/ui/DayField.vue'
import PickOne from '@/ui/PickOne.vue'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { day } from '@/shared/sentences'
import { done, refreshSite } from '@/shared/undo'
import { tellBody } from '@/shared/tell'
import { inSentence, t } from '@/shared/words'
import { useKept } from './kept'
import TellThem from '@/messages/TellThem.vue'
import {
  emptyWork,
  MOST_CHARACTERS,
  beginsOf,
  wordsOf,
  type ByHand,
  type ColumnIs,
  type PastedItem,
  type PastedWork,
} from '@/intake/pasted'
import ArrivesInGroups from '@/roster/ArrivesInGroups.vue'
import ClashMeant from '@/roster/ClashMeant.vue'
import { usePastedReview } from './pastedReview'
import PastedLineRow from '@/intake/PastedLineRow.vue'
import TypedLine from '@/intake/TypedLine.vue'
import RememberedLines from '@/intake/RememberedLines.vue'

/**
 * Pasted lines as a change list: whom each was taken for and why, what has to be settled, and what letting them in
 * would do, before it is done.
 */
const props = defineProps<{ site: Site; text: string; changeList: string }>()
const emit = defineEmits<{ close: []; kept: [changeList: string]; applied: [] }>()
const router = useRouter()
const { platform, roleName } = usePlatform()

const work = ref<PastedWork>(emptyWork(props.text))
const kept = useKept({
  kind: 'pasted',
  site: props.site.id,
  title: () => t('pasted.titleOf', { site: props.site.title }),
  work,
  worth: () => work.value.text.trim() !== '' && work.value.text.length <= MOST_CHARACTERS,
  id: props.changeList,
  over: (changeList) => void router.replace({ name: 'change-list', params: { changeList } }),
})
watch(kept.id, (id) => id && emit('kept', id))

const {
  tooLong,
  read,
  error,
  items,
  said,
  say,
  who,
  invitees,
  open,
  requests,
  wrong,
  current,
  lineOf,
  parts,
  ready,
  sum,
  clashes,
  clashing,
} = usePastedReview(props.site, work, kept.opened)

/** What wants a decision first; what is so already, set aside or nobody is folded. */
const PARTS = ['asks', 'will', 'so', 'aside', 'nobody'] as const
const FOLDED: readonly string[] = ['so', 'aside', 'nobody']
const KINDS = ['name', 'number', 'address', 'hint', 'remark', 'ignored'] as const
const legend = computed(() =>
  KINDS.flatMap((kind) => [
    { text: t(`pasted.mark.${kind}`), kind, piece: null, cell: 0 },
    { text: '   ', kind: null, piece: null, cell: 0 },
  ]),
)
/** The first day of the term, as long as it is to come. */
const termStarts = computed(() => {
  const first = props.site.term?.startsOn ?? ''
  return first > (platform.value?.now ?? '').slice(0, 10) ? first : ''
})
const asks = computed(() => parts.value.asks.some((item) => !who(item) && ['choose', 'unknown'].includes(item.outcome)))
const panel = ref<HTMLElement>()
const goToAsking = () => panel.value?.querySelector<HTMLElement>('li[data-asks]')?.focus()

function correct(item: PastedItem, text: string) {
  const lines = work.value.text.split(/\r\n|\r|\n/)
  // Several people may stand on one line: only what was read as this one is corrected.
  const line = lines[item.number - 1] ?? ''
  const at = line.toLowerCase().indexOf(item.text.toLowerCase())
  lines[item.number - 1] = at < 0 ? text : line.slice(0, at) + text + line.slice(at + item.text.length)
  work.value.text = lines.join('\n')
}

/** A line is read as somebody says; what they say of a column holds for the whole list. */
const lineAt = (item: PastedItem) => (work.value.text.split(/\r\n|\r|\n/)[item.number - 1] ?? '').trim()
function byHand(item: PastedItem, hand?: ByHand, columns: Record<string, ColumnIs> = {}) {
  const hands = { ...work.value.hands }
  if (hand) hands[lineAt(item)] = hand
  else delete hands[lineAt(item)]
  work.value.hands = hands
  work.value.columns = { ...work.value.columns, ...columns }
}
const heads = computed(() =>
  Object.entries(work.value.columns ?? {}).map(([cell, is]) =>
    t('pasted.hand.columnIs', { n: Number(cell) + 1, is: inSentence(t(`pasted.hand.${is}`)) }),
  ),
)

const { busy, run } = useBusy()
const apply = () =>
  run(async () => {
    const review = current.value
    if (!review) return
    const changeList = await kept.now()
    const lines = requests.value.map(({ key, request }) => {
      const line = review.byKey.get(key)
      return {
        ...request,
        line: { ...request.line, version: line?.version ?? null, siteVersion: line?.siteVersion ?? null },
      }
    })
    const settled = items.value
      .filter((item) => item.gist && said(item).person && open(item))
      .map((item) => ({ gist: item.gist, text: item.text.slice(0, 200), person: said(item).person! }))
    const applied = await take(
      api.POST('/change-lists/{changeList}/apply', {
        params: { path: { changeList } },
        body: { lines, settled, ...tellBody(work.value.tell, work.value.words) },
      }),
    )
    emit('applied')
    if (applied.state === 'applying') await router.push({ name: 'change-list', params: { changeList } })
    else {
      const left = applied.total - applied.applied
      done(
        t('pasted.did', { n: applied.applied }, applied.applied),
        { site: props.site.id, changeList: applied.applied ? changeList : null },
        left ? t('changeList.leftOut', { n: left }, left) : '',
      )
      await refreshSite()
    }
  })
</script>

<template>
  <aside ref="panel" class="pasted no-print" :aria-label="t('pasted.title')" @keydown.esc.stop="$emit('close')">
    <button class="word shut" @click="$emit('close')">{{ t('card.close') }}</button>
    <h2>{{ t('pasted.title') }}</h2>
    <p class="soft small kept" role="status">{{ t(`changeList.kept.${kept.state.value || 'not'}`) }}</p>
    <p v-if="tooLong" class="clay" role="alert">
      {{ t('pasted.tooLong', { n: $n(work.text.length), most: $n(MOST_CHARACTERS) }) }}
    </p>
    <p v-else-if="error" class="clay" role="alert">{{ error.message }}</p>
    <div v-if="kept.opened.value && (tooLong || error || !work.text.trim())" class="field">
      <label for="pasted-text">{{ t('pasted.empty') }}</label>
      <Textarea id="pasted-text" v-model.lazy="work.text" rows="14" spellcheck="false" />
    </div>
    <template v-else-if="read">
      <div class="top">
        <p class="sum" role="status">{{ sum }}</p>
        <ClashMeant :clashes="clashes" :people="clashing" />
        <p class="doing">
          <Button :disabled="!ready || busy" :label="t('pasted.apply', { n: ready }, ready)" @click="apply" />
          {{ ' ' }}<button v-if="asks" class="word" @click="goToAsking">{{ t('pasted.next') }}</button> {{ ' '
          }}<span class="soft small by-keys">{{ t('pasted.keys') }}</span>
        </p>
        <p v-if="wrong" class="clay" role="alert">{{ wrong.message }}</p>
      </div>
      <fieldset class="all">
        <legend class="unseen">{{ t('pasted.forAll') }}</legend>
        <PickOne
          v-model="work.role"
          shown
          :label="t('pasted.as')"
          :options="[{ value: '', label: t('pasted.suggested') }, ...optionsOf(platform?.roles, 'code')]"
        />
        <PickOne
          v-if="openSections(site).length"
          v-model="work.section"
          shown
          :label="t('pasted.section')"
          :options="[{ value: '', label: t('pasted.noSection') }, ...optionsOf(openSections(site), 'id')]"
        />
        <DayField v-model="work.fromDay" shown :label="t('pasted.from')" aria-keyshortcuts="t" />
        <button v-if="termStarts && work.fromDay !== termStarts" class="word" @click="work.fromDay = termStarts">
          <kbd>t</kbd> {{ t('pasted.termStart', { day: day(termStarts, 'UTC') }) }}
        </button>
        <DayField v-model="work.untilDay" shown :label="t('pasted.until')" />
      </fieldset>
      <ArrivesInGroups :site="site" />
      <TellThem
        v-model:tell="work.tell"
        v-model:words="work.words"
        kind="let-in"
        :site="site.id"
        :lines="current?.lines"
      />
      <p v-if="items.length" class="legend small soft">{{ t('pasted.legend') }} <TypedLine :marks="legend" /></p>
      <p v-if="heads.length" class="small">
        {{ heads.join(' ') }}
        <button class="word" @click="work.columns = {}">{{ t('pasted.hand.columnsAsRead') }}</button>
      </p>
      <template v-for="name in PARTS" :key="name">
        <component
          :is="FOLDED.includes(name) ? 'details' : 'section'"
          v-if="parts[name].length"
          :class="name"
          :aria-labelledby="'pasted-' + name"
        >
          <component :is="FOLDED.includes(name) ? 'summary' : 'h3'" :id="'pasted-' + name">{{
            t(`pasted.part.${name}`, { n: parts[name].length }, parts[name].length)
          }}</component>
          <ol>
            <PastedLineRow
              v-for="item in parts[name]"
              :key="item.key"
              :item="item"
              :said="said(item)"
              :who="who(item)"
              :line="lineOf(item)"
              :telling="work.tell"
              :site="site"
              :roles="platform?.roles ?? []"
              :role-name="roleName"
              :words="() => wordsOf(items, item.number)"
              :begins="() => beginsOf(items, item.number)"
              :hand="work.hands?.[lineAt(item)]"
              @read="(hand, columns) => byHand(item, hand, columns)"
              @forget="byHand(item)"
              @say="say(item, $event)"
              @correct="correct(item, $event)"
            />
          </ol>
        </component>
      </template>
      <p v-if="invitees.length && site.may.includes('keep-doors')">
        <RouterLink :to="{ name: 'doors', params: { site: site.id }, state: { invite: invitees.join('\n') } }">{{
          t('pasted.invite', { n: invitees.length }, invitees.length)
        }}</RouterLink>
      </p>
      <RememberedLines :site="site.id" />
    </template>
    <p v-else class="soft">{{ t('card.ask.computing') }}</p>
  </aside>
</template>

<style scoped>
@media (pointer: coarse), (max-width: 640px) {
  .by-keys {
    display: none;
  }
}
.pasted {
  flex: 1;
  min-width: 0;
  overflow: auto;
  position: relative;
  padding: 10px 2px 32px;
  display: grid;
  gap: 12px;
  align-content: start;
}
.pasted > .shut {
  position: absolute;
  top: 10px;
  right: 4px;
}
.top {
  position: sticky;
  top: -10px;
  z-index: 2;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 24px;
  align-items: center;
  justify-content: space-between;
  background: var(--paper);
  border-bottom: 2px solid var(--line);
  padding: 8px 0;
}
h3 {
  padding-bottom: 4px;
}
.asks h3 {
  color: var(--brass);
}
.will h3 {
  color: var(--spruce);
}
h2 {
  padding-right: 60px;
}
.kept {
  margin-top: -10px;
}
.small {
  font-size: 0.9rem;
}
.sum {
  font-weight: 600;
}
.all {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  border: 0;
  padding: 0;
  margin: 0;
}
.doing {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
.field textarea {
  width: 100%;
  margin-top: 6px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 2px solid var(--line);
}
summary {
  cursor: pointer;
  color: var(--spruce);
  padding: 4px 0;
}
</style>
