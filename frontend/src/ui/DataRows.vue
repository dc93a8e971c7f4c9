<script setup lang="ts" generic="T extends object">
import { useMediaQuery } from '@vueuse/core'
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import VirtualScroller from 'primevue/virtualscroller'
import { computed, nextTick, ref, useSlots, watch } from 'vue'
import type { Columns, RowColumn } from './columns'
import { useSlices } from './slices'
import InTurn from './InTurn.vue'
import RowCard from './RowCard.vue'
import Tick from './Tick.vue'
import { t } from '@/shared/words'

/**
 * A table: rows gone through by the arrows, opened by Enter or a click, chosen by Space; columns dragged to their
 * places and widths. On a phone it is a list of cards, where there is a slot for them. Slots say what rows are:
 * `#cell="{ row, column }"`, `#card="{ row }"`, `#expansion="{ row }"`, `#empty`.
 */
const props = defineProps<{
  rows: T[]
  keyOf: (row: T) => string
  columns: Columns
  /** Columns for which there is no room at the moment. */
  aside?: readonly string[]
  /** What the table is called. */
  name: string
  /** How many rows there are, when not all of them are here yet. */
  total?: number
  /** Keys of the rows that are chosen, where rows may be. */
  chosen?: ReadonlySet<string>
  /** What choosing a row is called. */
  pickName?: (row: T) => string
  /** What choosing all rows is called, where that may be. */
  allName?: string
  /** The key of the row that is open beside the table. */
  shown?: string
  /** Whether rows can be opened. */
  opens?: boolean
  sort?: { by: string; up: boolean }
  /** Many rows: the table fills its place, and only rows in view are there. */
  tall?: boolean
  /** The key of the row whose `#expansion` is open under it. */
  expanded?: string
  /** Of a row that wants attention, or is quiet. */
  tone?: (row: T) => string
}>()
const emit = defineEmits<{
  open: [row: T]
  choose: [index: number, run: boolean]
  all: []
  sort: [by: string]
  hide: []
}>()
const ROW = 33
const CARD = 62
const PAGE = 14
const FRAMES = 30
/** More rows than these are not all drawn. */
const LONG = 80

const slots = useSlots()
const narrow = useMediaQuery('(max-width: 640px)')
const asCards = computed(() => narrow.value && !!slots.card)
const shownColumns = computed<RowColumn[]>(() =>
  props.columns.visible.value.filter(({ key }) => !props.aside?.includes(key)),
)
const share = (column: RowColumn) =>
  `${(column.weight / shownColumns.value.reduce((sum, { weight }) => sum + weight, 0)) * 100}%`
const long = computed(() => !!props.tall && (props.total ?? props.rows.length) > LONG)
const expandedRows = computed(() =>
  props.expanded ? props.rows.filter((row) => props.keyOf(row) === props.expanded) : [],
)
const live = computed(() => !!props.opens || !!props.chosen)

const table = ref<{ getVirtualScrollerRef?: () => { scrollToIndex: (index: number) => void } | null }>()
// A table is there first, without rows: they are drawn in turns of their own.
const { some, upTo } = useSlices(() => (table.value || asCards.value ? props.rows : []), long)
const root = ref<HTMLElement>()
const at = ref(0)
/** Made anew when columns are arranged: what the library keeps of drawn widths and places is ours to keep. */
const made = computed(() => props.columns.visible.value.map(({ key, weight }) => key + weight).join())

const parts = computed(() => ({
  table: {
    role: live.value ? 'grid' : 'table',
    'aria-label': props.name,
    'aria-rowcount': (props.total ?? props.rows.length) + 1,
    'aria-multiselectable': props.chosen ? 'true' : undefined,
  },
  bodyRow: ({ context }: { context: { index: number } }) => rowParts(context.index),
  column: { bodyCell: { role: live.value ? 'gridcell' : 'cell' } },
  tableContainer: props.tall ? {} : { style: { overflow: 'visible' } },
}))

function rowParts(index: number) {
  const row = props.rows[index]
  if (!row) return {}
  const key = props.keyOf(row)
  return {
    'data-row': index,
    'aria-rowindex': index + 2,
    ...(live.value ? { tabindex: index === at.value ? 0 : -1 } : {}),
    ...(props.chosen ? { 'aria-selected': props.chosen.has(key) } : {}),
    ...(props.opens ? { 'aria-current': key === props.shown ? 'true' : undefined } : {}),
  }
}

const rowClass = (row: T) => {
  const key = props.keyOf(row)
  return ['body', { shown: key === props.shown, chosen: props.chosen?.has(key) }, props.tone?.(row) ?? '']
}

const card = (row: T) => ({
  chosen: props.chosen?.has(props.keyOf(row)),
  pickName: props.pickName?.(row),
  opens: props.opens,
})

/** Whether the last click on a box was for a run of rows. */
const withShift = ref(false)
async function bringIntoView(index: number) {
  upTo(index)
  await nextTick()
  if (long.value) table.value?.getVirtualScrollerRef?.()?.scrollToIndex(index)
  else root.value?.querySelector(`[data-row="${index}"]`)?.scrollIntoView({ block: 'nearest' })
}

// Whoever is shown is brought into view, also when they were found elsewhere.
watch(
  () => [props.shown, props.rows] as const,
  async ([key, rows], before) => {
    const index = key && key !== before?.[0] ? rows.findIndex((row) => props.keyOf(row) === key) : -1
    if (index < 0) return
    at.value = index
    await nextTick()
    if (!inView(index)) await bringIntoView(index)
  },
  { immediate: true },
)

function inView(index: number): boolean {
  const row = root.value?.querySelector(`[data-row="${index}"]`)?.getBoundingClientRect()
  const place = root.value?.getBoundingClientRect()
  return !!row && !!place && row.top >= place.top + ROW && row.bottom <= place.bottom
}

async function focusRow(index: number) {
  at.value = Math.max(0, Math.min(props.rows.length - 1, index))
  if (!inView(at.value)) await bringIntoView(at.value)
  await nextTick()
  focusOnceThere(FRAMES)
}

/** A row out of view is drawn some frames after it was scrolled to. */
function focusOnceThere(frames: number) {
  requestAnimationFrame(() => {
    const row = root.value?.querySelector<HTMLElement>(`[data-row="${at.value}"]`)
    if (row) row.focus()
    else if (frames > 0) focusOnceThere(frames - 1)
  })
}

function entered(event: FocusEvent) {
  const row = (event.target as HTMLElement).dataset.row
  if (row !== undefined) at.value = Number(row)
}

function keyed(event: KeyboardEvent) {
  const on = event.target as HTMLElement
  if (!on.hasAttribute('data-row')) return
  const steps: Record<string, number> = {
    ArrowDown: 1,
    ArrowUp: -1,
    PageDown: PAGE,
    PageUp: -PAGE,
    Home: -props.rows.length,
    End: props.rows.length,
  }
  const step = steps[event.key]
  if (step !== undefined) {
    if (event.shiftKey && props.chosen)
      emit('choose', Math.max(0, Math.min(props.rows.length - 1, at.value + step)), true)
    void focusRow(at.value + step)
  } else if (event.key === ' ' && props.chosen) emit('choose', at.value, event.shiftKey)
  else if (event.key === 'Enter' && props.opens && props.rows[at.value]) emit('open', props.rows[at.value]!)
  else if (event.key === 'Escape' && props.shown) return emit('hide')
  else return
  event.preventDefault()
  event.stopPropagation()
}

function clicked(index: number, event: Event) {
  const row = props.rows[index]!
  at.value = index
  const on = event.target as HTMLElement
  if (on.closest('a, button, input, label, span.pick')) return
  if (on.closest('td.pick')) emit('choose', index, (event as MouseEvent).shiftKey)
  else if (props.opens) emit('open', row)
  else if (props.chosen) emit('choose', index, (event as MouseEvent).shiftKey)
}

function drawn({ element }: { element: HTMLElement }) {
  const heads = [...(element.closest('tr')?.querySelectorAll<HTMLElement>('th[data-column]') ?? [])]
  props.columns.resize(Object.fromEntries(heads.map((head) => [head.dataset.column!, head.offsetWidth])))
}

function dragged({ dragIndex, dropIndex }: { dragIndex: number; dropIndex: number }) {
  const first = props.chosen ? 1 : 0
  const column = shownColumns.value[dragIndex - first]
  const there = shownColumns.value[Math.max(0, dropIndex - first)]
  if (!column || !there) return
  const keys = props.columns.all.value.map(({ key }) => key)
  props.columns.move(column.key, keys.indexOf(there.key) - keys.indexOf(column.key))
}

defineExpose({ focus: () => focusRow(at.value) })
</script>

<template>
  <div ref="root" class="rows" :class="{ tall }" @keydown.capture="keyed" @focusin="entered">
    <slot v-if="!rows.length" name="empty" />
    <VirtualScroller
      v-else-if="asCards && long"
      class="cards"
      role="list"
      :aria-label="name"
      :items="some"
      :item-size="CARD"
      :delay="0"
    >
      <template #item="{ item, options }">
        <div role="listitem" class="card" :class="rowClass(item)">
          <RowCard v-bind="card(item)" @choose="$emit('choose', options.index, false)" @open="$emit('open', item)"
            ><slot name="card" :row="item as T"
          /></RowCard>
        </div>
      </template>
    </VirtualScroller>
    <ul v-else-if="asCards" :aria-label="name" class="cards">
      <li v-for="(row, index) in some" :key="keyOf(row)" class="card" :class="rowClass(row)">
        <RowCard v-bind="card(row)" @choose="$emit('choose', index, false)" @open="$emit('open', row)"
          ><slot name="card" :row="row" /><slot v-if="keyOf(row) === expanded" name="expansion" :row="row"
        /></RowCard>
      </li>
    </ul>
    <InTurn v-else>
      <DataTable
        :key="made + long"
        ref="table"
        :value="some"
        :data-key="undefined"
        :row-class="rowClass"
        :pt="parts"
        size="small"
        :scrollable="tall"
        :scroll-height="tall ? 'flex' : undefined"
        :virtual-scroller-options="long ? { itemSize: ROW, delay: 0, numToleratedItems: 12 } : undefined"
        resizable-columns
        column-resize-mode="fit"
        reorderable-columns
        :expanded-rows="expandedRows"
        lazy
        :sort-field="sort?.by"
        :sort-order="sort ? (sort.up ? 1 : -1) : undefined"
        @row-click="clicked($event.index, $event.originalEvent)"
        @sort="typeof $event.sortField === 'string' && $emit('sort', $event.sortField)"
        @column-resize-end="drawn"
        @column-reorder="dragged"
      >
        <!-- The library draws a cell anew whenever its column is a new one: whoever is in it would lose the focus. -->
        <Column
          v-if="chosen"
          v-memo="[]"
          column-key="pick"
          class="pick"
          :style="{ width: '38px' }"
          :reorderable-column="false"
          frozen
        >
          <template #header
            ><Tick
              v-if="allName"
              :label="allName"
              :model-value="rows.length > 0 && rows.every((row) => chosen!.has(keyOf(row)))"
              :indeterminate="chosen.size > 0 && !rows.every((row) => chosen!.has(keyOf(row)))"
              @update:model-value="$emit('all')"
            /><span v-else class="unseen">{{ t('columns.chosen', { n: chosen.size }, chosen.size) }}</span></template
          >
          <template #body="{ data, index }">
            <span class="pick" @click.capture="withShift = $event.shiftKey" @click.stop
              ><Tick
                :model-value="chosen.has(keyOf(data))"
                :label="pickName?.(data)"
                :tabindex="-1"
                @update:model-value="$emit('choose', index, withShift)"
            /></span>
          </template>
        </Column>
        <Column
          v-for="column in shownColumns"
          :key="column.key"
          v-memo="[column.key, column.label, column.sortable, share(column)]"
          :column-key="column.key"
          :field="column.key"
          :sortable="column.sortable"
          :style="{ width: share(column) }"
          :pt="{ headerCell: { 'data-column': column.key }, bodyCell: { class: 'of-' + column.key } }"
        >
          <template #header
            ><span class="head" :class="{ unseen: column.unseen }">{{ column.label }}</span></template
          >
          <template #sorticon="{ sorted, sortOrder }"
            ><svg
              v-if="sorted"
              class="order"
              :class="{ down: Number(sortOrder) < 0 }"
              viewBox="0 0 24 4"
              width="24"
              height="4"
              aria-hidden="true"
            >
              <path d="M0 4h24V0z" fill="currentColor" /></svg
          ></template>
          <template #body="{ data }"><slot name="cell" :row="data as T" :column="column.key" /></template>
        </Column>
        <template #expansion="{ data }"><slot name="expansion" :row="data as T" /></template>
      </DataTable>
    </InTurn>
  </div>
</template>

<style scoped>
.rows {
  min-width: 0;
}
/* Brought into view, it is not under the headings. */
:deep(tr.body) {
  scroll-margin-top: 33px;
}
.rows.tall {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.tall > .cards {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}
.tall .card {
  height: 62px;
  overflow: hidden;
}
.cards {
  list-style: none;
  margin: 0;
  padding: 0;
}
.card {
  display: flex;
  gap: 10px;
  align-items: center;
  border-bottom: 1px solid var(--line);
  padding: 6px 4px;
}
:deep(.pick) {
  display: flex;
  align-items: center;
}
:deep(td.pick),
:deep(th.pick) {
  display: table-cell;
}
:deep(.p-datatable-empty-message) {
  display: none;
}
.order {
  display: block;
  color: var(--spruce);
}
.order.down {
  transform: scaleX(-1);
}
:deep(table) {
  table-layout: fixed;
  width: 100%;
}
:deep(.p-datatable-column-header-content) {
  display: block;
}
:deep(thead th) {
  position: sticky;
  top: 0;
  z-index: 1;
  font-size: 0.88rem;
  font-weight: 600;
  color: var(--soft);
  background: var(--paper);
  border-bottom: 2px solid var(--line);
  padding: 5px 8px;
  white-space: nowrap;
}
:deep(thead th[aria-sort='ascending']),
:deep(thead th[aria-sort='descending']),
:deep(thead th.p-datatable-sortable-column:hover) {
  color: var(--ink);
}
:deep(tbody td) {
  padding: 5px 8px;
  border-bottom: 1px solid var(--line);
  vertical-align: middle;
  overflow: hidden;
  text-overflow: ellipsis;
}
.tall :deep(tbody td) {
  height: 33px;
  padding-block: 0;
  white-space: nowrap;
}
:deep(tr.body) {
  background: transparent;
  color: inherit;
}
:deep(tr.body:hover) {
  background: var(--hover);
}
:deep(tr.body:focus-visible) {
  outline: 2px solid var(--spruce);
  outline-offset: -2px;
}
:deep(tr.chosen),
:deep(tr.chosen:hover),
.card.chosen {
  background: var(--brass-pale);
}
:deep(tr.shown),
:deep(tr.shown:hover),
.card.shown {
  background: var(--mint);
}
:deep(tr.shown .brass),
:deep(tr.chosen .brass),
:deep(tr.shown .soft),
:deep(tr.chosen .soft) {
  color: var(--ink);
}
</style>
