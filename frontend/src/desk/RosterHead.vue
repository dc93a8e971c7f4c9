<script setup lang="ts">
import { sortable, type Column, type Sortable } from '@/roster/columns'
import type { RosterView } from '@/roster/roster'

/** The names of a roster's columns, by which it is sorted. */
defineProps<{
  view: RosterView
  columns: Column[]
  /** How many people are chosen, where they may be. */
  chosen?: number
  /** How wide the columns are. */
  grid: { gridTemplateColumns: string }
}>()
defineEmits<{ sort: [column: Sortable] }>()
</script>

<template>
  <div role="row" class="row head" :style="grid">
    <span v-if="chosen !== undefined" role="columnheader"
      ><span class="unseen">{{ $t('changeList.chosen', { n: chosen }, chosen) }}</span></span
    >
    <span
      v-for="column in columns"
      :key="column"
      role="columnheader"
      :aria-sort="view.sort === column ? (view.direction === 'up' ? 'ascending' : 'descending') : 'none'"
    >
      <template v-if="!sortable(column)">{{ $t('roster.col.' + column) }}</template>
      <button
        v-else
        :title="$t('roster.sortBy', { what: $t('roster.col.' + column).toLowerCase() })"
        @click="$emit('sort', column)"
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
</template>

<style scoped>
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
.order {
  display: block;
  margin-top: -1px;
  color: var(--spruce);
}
.order.down {
  transform: scaleX(-1);
}
.head [aria-sort='ascending'] button,
.head [aria-sort='descending'] button {
  color: var(--ink);
}
</style>
