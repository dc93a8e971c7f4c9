<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, defineAsyncComponent, nextTick, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Site } from '@/app/api'
import { useHouse } from '@/app/house'
import { day } from '@/app/sentences'
import LetPeopleIn from '@/intake/LetPeopleIn.vue'
import { useNarrow } from '@/ui/narrow'
import Trouble from '@/ui/Trouble.vue'
import { cell, COLUMNS, sortable, type Column } from './columns'
import type { AskingVerb } from './asked'
import { useChosen } from './chosen'
import PersonColumn from './PersonColumn.vue'
import RosterFilters from './RosterFilters.vue'
import { useRoster } from './roster'

const TakeAway = defineAsyncComponent(() => import('./TakeAway.vue'))
const PastedSheet = defineAsyncComponent(() => import('@/intake/PastedSheet.vue'))
const SheetPanel = defineAsyncComponent(() => import('./SheetPanel.vue'))
const ROW = 33

const props = defineProps<{ site: Site }>()
const route = useRoute()
const router = useRouter()
const { roleName } = useHouse()
const { view, look, sortBy, rows, counts, filtered, all, error, isPending, refetch } = useRoster(
  computed(() => props.site.id),
)

const person = computed(() => (typeof route.query.person === 'string' ? route.query.person : ''))
const narrow = useNarrow()
const takingAway = ref(false)
const sees = (permission: Site['may'][number]) => props.site.may.includes(permission)
const shown = computed<Column[]>(() =>
  COLUMNS.filter(
    (column) =>
      (
        ({
          number: sees('see-unlisted'),
          seen: sees('see-activity'),
          work: sees('see-activity') && (narrow.value || rows.value.some((row) => row.work)),
          labels: rows.value.some((row) => row.labels.length),
        }) as Partial<Record<Column, boolean>>
      )[column] ?? true,
  ),
)
// On a phone, and beside an open column, there is room for what tells people apart.
const visible = computed(() => {
  const aside = narrow.value
    ? ['kind', 'division', 'number', 'since', 'seen', 'work', 'labels']
    : person.value || sheet.value || list.value
      ? ['division', 'number', 'since', 'work', 'labels']
      : []
  return shown.value.filter((column) => !aside.includes(column))
})
const WIDTHS: Record<Column, string> = {
  name: 'minmax(140px, 2.2fr)',
  kind: '78px',
  level: '52px',
  division: 'minmax(112px, 1.1fr)',
  number: '88px',
  role: 'minmax(70px, 1.1fr)',
  state: 'minmax(92px, 0.9fr)',
  since: '72px',
  seen: '72px',
  work: '66px',
  labels: 'minmax(110px, 1.2fr)',
}
const grid = computed(() => ({
  gridTemplateColumns: (mayChoose.value ? '18px ' : '') + visible.value.map((column) => WIDTHS[column]).join(' '),
}))

// What can be done to all of those chosen depends on what state they are shown in.
const VERBS = computed<AskingVerb[]>(() => {
  const states: Partial<Record<typeof view.value.state, AskingVerb[]>> = {
    'kept-out': ['lift-keep-out'],
    ended: ['bring-back', 'keep-out'],
    'taken-out': ['bring-back', 'keep-out'],
  }
  return [
    ...(states[view.value.state] ?? ['change-role', 'change-dates', 'pause', 'resume', 'take-out', 'keep-out']),
    ...(sees('label-people') ? ['label' as const] : []),
  ]
})
const sheet = ref<AskingVerb | ''>('')
/** A list somebody pasted into the box. */
const list = shallowRef<{ text: string; sheet: string } | null>(null)
/** The sheet is kept in the address, so that it is there again after leaving. */
watch(
  () => route.query.sheet,
  (id) => typeof id === 'string' && id && !list.value && (list.value = { text: '', sheet: id }),
  { immediate: true },
)
const openList = (text: string, id: string) => (list.value = { text, sheet: id })
const keepList = (id?: string) => void router.replace({ query: { ...route.query, sheet: id } })
function closeList() {
  list.value = null
  keepList()
}
const mayChoose = computed(() => sees('let-in') && !view.value.asOf && !props.site.seenAs)
const { chosen, choose, chooseAll, forget } = useChosen(rows, all, mayChoose)
function chooseNobody() {
  forget()
  sheet.value = ''
}
// All who came through a door, taken out as one sheet that is reviewed first.
watch(
  rows,
  async (all) => {
    if (route.query.all !== 'take-out' || !all.length || !mayChoose.value) return
    await router.replace({ query: { ...route.query, all: undefined } })
    await chooseAll()
    sheet.value = 'take-out'
  },
  { immediate: true },
)
// What was is looked at, not changed.
watch(
  () => view.value.asOf,
  (asOf) => asOf && chooseNobody(),
)

const scroller = ref<HTMLElement | null>(null)
const virtual = useVirtualizer(
  computed(() => ({
    count: rows.value.length,
    getScrollElement: () => scroller.value,
    estimateSize: () => ROW,
    overscan: 12,
  })),
)
const at = ref(0)

const show = (id: string) => router.push({ query: { ...route.query, person: id } })
function hide() {
  const { person: _gone, ...query } = route.query
  void router.push({ query })
  void focusRow(at.value)
}

// Whoever is shown is brought into view, also when they were found in the box above.
watch(
  [person, rows] as const,
  async ([id, all], [before]) => {
    const index = id && id !== before ? all.findIndex((row) => row.person.id === id) : -1
    if (index < 0) return
    at.value = index
    await nextTick()
    virtual.value.scrollToIndex(index)
  },
  { immediate: true },
)

async function focusRow(index: number) {
  at.value = Math.max(0, Math.min(rows.value.length - 1, index))
  virtual.value.scrollToIndex(at.value)
  await nextTick()
  requestAnimationFrame(() => scroller.value?.querySelector<HTMLElement>(`[data-index="${at.value}"]`)?.focus())
}

function keyed(event: KeyboardEvent) {
  const steps: Record<string, number> = {
    ArrowDown: 1,
    ArrowUp: -1,
    PageDown: 14,
    PageUp: -14,
    Home: -rows.value.length,
    End: rows.value.length,
  }
  const step = steps[event.key]
  if (step !== undefined) {
    event.preventDefault()
    if (event.shiftKey && mayChoose.value) choose(Math.max(0, Math.min(rows.value.length - 1, at.value + step)), true)
    void focusRow(at.value + step)
  } else if (event.key === ' ' && mayChoose.value) {
    event.preventDefault()
    choose(at.value, event.shiftKey)
  } else if (event.key === 'Enter') {
    event.preventDefault()
    const row = rows.value[at.value]
    if (row) void open(row.person.id, at.value)
  } else if (event.key === 'Escape' && person.value) hide()
}

function open(id: string, index: number) {
  at.value = index
  return sees('see-unlisted') ? show(id) : undefined
}
</script>

<template>
  <LetPeopleIn v-if="sees('let-in') && !site.seenAs" :site="site" @show="show" @list="openList" />
  <div class="below">
    <div class="roster">
      <RosterFilters
        v-model:away="takingAway"
        :site="site"
        :counts="counts"
        :view="view"
        :filtered="filtered"
        :any="rows.length > 0"
        :may="sees"
        @look="look"
      />
      <p v-if="view.asOf" class="callout no-print" role="status">
        {{ $t('roster.asOf', { day: day(view.asOf, 'UTC') }) }}
        <button class="word" @click="look({ asOf: '' })">{{ $t('roster.now') }}</button>
      </p>
      <p v-if="chosen.size" class="picked no-print" role="status">
        <strong class="nums">{{ $t('sheet.chosen', { n: $n(chosen.size) }, chosen.size) }}:</strong>
        <button v-for="verb in VERBS" :key="verb" class="word" :aria-pressed="sheet === verb" @click="sheet = verb">
          {{ $t('sheet.words.' + verb) }}
        </button>
        <button class="word" @click="router.push({ name: 'people', state: { people: [...chosen] } })">
          {{ $t('people.elsewhere') }}
        </button>
        <button
          v-if="chosen.size <= 300"
          class="word"
          @click="router.push({ name: 'cards', state: { people: [...chosen] } })"
        >
          {{ $t('cards.title').toLowerCase() }}
        </button>
        <button v-if="chosen.size < (counts?.shown ?? 0)" class="word" @click="chooseAll">
          {{ $t('sheet.all', { n: $n(counts?.shown ?? 0) }) }}
        </button>
        <button class="word" @click="chooseNobody">{{ $t('sheet.none') }}</button>
      </p>
      <TakeAway
        v-if="takingAway"
        :site="site"
        :columns="shown"
        :total="counts?.shown ?? 0"
        :all="all"
        @close="takingAway = false"
      />
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <div
        class="table no-print"
        role="grid"
        :aria-label="`${$t('roster.list')} ${$t('roster.bringOf', { title: site.title })}`"
        :aria-rowcount="(counts?.shown ?? 0) + 1"
      >
        <div role="row" class="row head" :style="grid">
          <span v-if="mayChoose" role="columnheader"
            ><span class="unseen">{{ $t('sheet.chosen', { n: chosen.size }, chosen.size) }}</span></span
          >
          <span
            v-for="column in visible"
            :key="column"
            role="columnheader"
            :aria-sort="view.sort === column ? (view.direction === 'up' ? 'ascending' : 'descending') : 'none'"
          >
            <template v-if="!sortable(column)">{{ $t('roster.col.' + column) }}</template>
            <button
              v-else
              :title="$t('roster.sortBy', { what: $t('roster.col.' + column).toLowerCase() })"
              @click="sortBy(column)"
            >
              {{ $t('roster.col.' + column)
              }}<svg
                v-if="view.sort === column"
                class="order"
                :class="view.direction"
                viewBox="0 0 24 4"
                width="24"
                height="4"
                aria-hidden="true"
              >
                <path d="M0 4h24V0z" fill="currentColor" />
              </svg>
            </button>
          </span>
        </div>
        <div ref="scroller" class="rows" role="rowgroup" :tabindex="rows.length ? -1 : undefined" @keydown="keyed">
          <div
            v-if="rows.length"
            :style="{ height: `${virtual.getTotalSize()}px`, position: 'relative' }"
            role="presentation"
          >
            <div
              v-for="item in virtual.getVirtualItems()"
              :key="rows[item.index]!.person.id"
              role="row"
              class="row body"
              :data-index="item.index"
              :aria-rowindex="item.index + 2"
              :class="{
                shown: rows[item.index]!.person.id === person,
                chosen: chosen.has(rows[item.index]!.person.id),
              }"
              :aria-selected="rows[item.index]!.person.id === person"
              :tabindex="item.index === at ? 0 : -1"
              :style="{ ...grid, transform: `translateY(${item.start}px)` }"
              @click="open(rows[item.index]!.person.id, item.index)"
              @focus="at = item.index"
            >
              <span v-if="mayChoose" role="gridcell" class="pick" @click.stop="choose(item.index, $event.shiftKey)">
                <input
                  type="checkbox"
                  tabindex="-1"
                  :checked="chosen.has(rows[item.index]!.person.id)"
                  :aria-label="$t('sheet.pick', { name: cell(rows[item.index]!, 'name', site.timeZone, roleName) })"
                />
              </span>
              <span
                v-for="column in visible"
                :key="column"
                role="gridcell"
                :title="column === 'labels' ? cell(rows[item.index]!, column, site.timeZone, roleName) : undefined"
                :class="[
                  column,
                  column === 'state' &&
                  (rows[item.index]!.standing.state !== 'current' || rows[item.index]!.because === 'account-closed')
                    ? 'brass'
                    : '',
                ]"
              >
                {{ cell(rows[item.index]!, column, site.timeZone, roleName) }}
                <em v-if="column === 'role' && !rows[item.index]!.listed" class="soft">{{
                  $t('roster.unlistedMark')
                }}</em>
              </span>
            </div>
          </div>
          <p v-else-if="!isPending" class="empty">{{ $t(filtered ? 'roster.none' : 'roster.empty') }}</p>
          <div v-else aria-hidden="true">
            <div v-for="n in 12" :key="n" class="row"><span class="skeleton" style="width: 60%" /></div>
          </div>
        </div>
      </div>
    </div>
    <SheetPanel
      v-if="sheet && chosen.size"
      :key="sheet"
      :site="site"
      :people="[...chosen]"
      :verb="sheet"
      @close="sheet = ''"
      @applied="chooseNobody"
    />
    <PastedSheet
      v-else-if="list && sees('let-in')"
      :key="list.text + list.sheet"
      :site="site"
      :text="list.text"
      :sheet="list.sheet"
      @close="closeList"
      @kept="keepList"
      @applied="closeList"
    />
    <PersonColumn v-else-if="person" :key="person" :site="site" :person="person" @close="hide" />
  </div>
</template>

<style scoped>
.below {
  display: flex;
  flex: 1;
  min-height: 0;
  padding: 0 20px;
}
.roster {
  flex: 1;
  min-width: 0;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.table {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.rows {
  flex: 1;
  overflow: auto;
  min-height: 0;
  scrollbar-gutter: stable;
}
.row {
  display: grid;
  gap: 12px;
  align-items: center;
  padding: 0 10px;
  height: 33px;
  border-bottom: 1px solid var(--line);
}
.row > * {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.head {
  border-bottom: 2px solid var(--line);
  scrollbar-gutter: stable;
  overflow: hidden;
  flex: none;
}
.head > span {
  font-weight: 600;
  font-size: 0.88rem;
  color: var(--soft);
}
.head button {
  background: none;
  border: 0;
  padding: 2px 0;
  font-weight: 600;
  font-size: 0.88rem;
  color: var(--soft);
  cursor: pointer;
}
.head button:hover {
  color: var(--ink);
}
.head [aria-sort='ascending'] button,
.head [aria-sort='descending'] button {
  color: var(--ink);
}
.order {
  display: block;
  margin-top: -1px;
  color: var(--spruce);
}
.order.down {
  transform: scaleX(-1);
}
.body {
  position: absolute;
  inset: 0 0 auto;
  cursor: default;
}
.body:hover {
  background: var(--hover);
}
.body:focus-visible {
  outline-offset: -2px;
}
.chosen,
.chosen:hover {
  background: var(--brass-pale);
}
.shown,
.shown:hover {
  background: var(--mint);
}
.pick {
  display: flex;
  align-items: center;
  overflow: visible;
}
.pick input {
  margin: 0;
}
.picked {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
  padding: 5px 10px;
  background: var(--brass-pale);
  border-left: 4px solid var(--brass);
}
.shown .brass,
.chosen .brass {
  color: var(--ink);
}
.name {
  font-weight: 600;
}
.number {
  font-family: var(--mono);
  font-size: 0.86em;
}
.level,
.since,
.seen,
.work {
  font-variant-numeric: tabular-nums;
}
.empty {
  padding: 26px 10px;
  font-size: 1.05rem;
}
@media (max-width: 760px) {
  .below {
    padding: 0 8px;
    flex-direction: column;
  }
  .roster {
    min-height: 300px;
  }
  .table {
    overflow-x: auto;
  }
}
@media print {
  .roster {
    display: block;
  }
}
</style>
