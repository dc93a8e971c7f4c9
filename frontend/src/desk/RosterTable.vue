<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, nextTick, ref, watch } from 'vue'
import type { RosterRow, Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { cell, type Column, type Sortable } from '@/roster/columns'
import type { RosterView } from '@/roster/roster'
import RosterHead from './RosterHead.vue'

/** The rows of a roster, of which only those in view are there: gone through, chosen and opened by keys or pointer. */
const ROW = 33
const props = defineProps<{
  site: Site
  view: RosterView
  rows: RosterRow[]
  total: number
  columns: Column[]
  /** Who is shown beside it. */
  person: string
  chosen: Set<string>
  mayChoose: boolean
  pending: boolean
  filtered: boolean
}>()
const emit = defineEmits<{
  open: [person: string]
  hide: []
  choose: [index: number, run: boolean]
  sort: [column: Sortable]
}>()
const { roleName } = usePlatform()
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
  gridTemplateColumns: (props.mayChoose ? '18px ' : '') + props.columns.map((column) => WIDTHS[column]).join(' '),
}))

const scroller = ref<HTMLElement | null>(null)
const virtual = useVirtualizer(
  computed(() => ({
    count: props.rows.length,
    getScrollElement: () => scroller.value,
    estimateSize: () => ROW,
    overscan: 12,
  })),
)
const at = ref(0)

// Whoever is shown is brought into view, also when they were found in the box above.
watch(
  () => [props.person, props.rows] as const,
  async ([id, all], before) => {
    const index = id && id !== before?.[0] ? all.findIndex((row) => row.person.id === id) : -1
    if (index < 0) return
    at.value = index
    await nextTick()
    virtual.value.scrollToIndex(index)
  },
  { immediate: true },
)

async function focusRow(index: number) {
  at.value = Math.max(0, Math.min(props.rows.length - 1, index))
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
    Home: -props.rows.length,
    End: props.rows.length,
  }
  const step = steps[event.key]
  if (step !== undefined) {
    event.preventDefault()
    if (event.shiftKey && props.mayChoose)
      emit('choose', Math.max(0, Math.min(props.rows.length - 1, at.value + step)), true)
    void focusRow(at.value + step)
  } else if (event.key === ' ' && props.mayChoose) {
    event.preventDefault()
    emit('choose', at.value, event.shiftKey)
  } else if (event.key === 'Enter') {
    event.preventDefault()
    if (props.rows[at.value]) open(at.value)
  } else if (event.key === 'Escape' && props.person) emit('hide')
}

function open(index: number) {
  at.value = index
  emit('open', props.rows[index]!.person.id)
}
defineExpose({ focus: () => focusRow(at.value) })
</script>

<template>
  <div
    class="table no-print"
    role="grid"
    :aria-label="`${$t('roster.list')} ${$t('roster.bringOf', { title: site.title })}`"
    :aria-rowcount="total + 1"
  >
    <RosterHead
      :view="view"
      :columns="columns"
      :chosen="mayChoose ? chosen.size : undefined"
      :grid="grid"
      @sort="emit('sort', $event)"
    />
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
          @click="open(item.index)"
          @focus="at = item.index"
        >
          <span v-if="mayChoose" role="gridcell" class="pick" @click.stop="emit('choose', item.index, $event.shiftKey)">
            <input
              type="checkbox"
              tabindex="-1"
              :checked="chosen.has(rows[item.index]!.person.id)"
              :aria-label="$t('changeList.pick', { name: cell(rows[item.index]!, 'name', site.timeZone, roleName) })"
            />
          </span>
          <span
            v-for="column in columns"
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
            <em v-if="column === 'role' && !rows[item.index]!.listed" class="soft">{{ $t('roster.unlistedMark') }}</em>
          </span>
        </div>
      </div>
      <p v-else-if="!pending" class="empty">{{ $t(filtered ? 'roster.none' : 'roster.empty') }}</p>
      <div v-else aria-hidden="true">
        <div v-for="n in 12" :key="n" class="row"><span class="skeleton" style="width: 60%" /></div>
      </div>
    </div>
  </div>
</template>

<style scoped>
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
.pick {
  display: flex;
  align-items: center;
  overflow: visible;
}
.pick input {
  margin: 0;
}
.name {
  font-weight: 600;
}
.number {
  font-family: var(--mono);
  font-size: 0.86em;
}
.empty {
  padding: 26px 10px;
  font-size: 1.05rem;
}
.chosen,
.chosen:hover {
  background: var(--brass-pale);
}
.shown,
.shown:hover {
  background: var(--mint);
}
.shown .brass,
.chosen .brass {
  color: var(--ink);
}
.level,
.since,
.seen,
.work {
  font-variant-numeric: tabular-nums;
}
@media (max-width: 760px) {
  .table {
    overflow-x: auto;
  }
}
</style>
