<script setup lang="ts">
import Skeleton from 'primevue/skeleton'
import { computed, useTemplateRef } from 'vue'
import type { RosterRow, Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { cell, type Column, type Sortable } from '@/roster/columns'
import type { RosterView } from '@/roster/roster'
import { sectionNames } from '@/roster/sections'
import { useLevels } from '@/shared/levels'
import { t } from '@/shared/words'
import type { Columns } from '@/ui/columns'
import DataRows from '@/ui/DataRows.vue'

const { levelName } = useLevels()

/** The rows of a roster, of which only those in view are there: gone through, chosen and opened by keys or pointer. */
const props = defineProps<{
  site: Site
  view: RosterView
  rows: RosterRow[]
  total: number
  columns: Columns
  /** Columns for which there is no room. */
  aside: string[]
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
  all: []
  sort: [column: Sortable]
}>()
const { platform, roleName } = usePlatform()
const says = (row: RosterRow, column: string) =>
  cell(row, column as Column, props.site.timeZone, roleName, platform.value?.details, (ids) =>
    sectionNames(props.site, ids),
  )
/** What tells people apart in the second line of a card. */
/** What a card says below the name; whoever has a level and a section is a learner, and there is little room. */
const about = ({ person, standing }: RosterRow) =>
  [
    person.level && standing.sections.length ? '' : roleName(standing.role),
    sectionNames(props.site, standing.sections),
    person.level ? levelName(person.level, person.division.code) : '',
    person.number,
  ]
    .filter(Boolean)
    .join(' · ')
const wantsAttention = (row: RosterRow) => row.standing.state !== 'current' || row.because === 'account-closed'
const sort = computed(() => ({ by: props.view.sort, up: props.view.direction === 'up' }))
const table = useTemplateRef<{ focus: () => void }>('table')
defineExpose({ focus: () => table.value?.focus() })
</script>

<template>
  <DataRows
    ref="table"
    class="no-print"
    tall
    opens
    :rows="rows"
    :key-of="(row) => row.person.id"
    :columns="columns"
    :aside="aside"
    :name="`${t('roster.list')} ${t('roster.bringOf', { title: site.title })}`"
    :total="total"
    :chosen="mayChoose ? chosen : undefined"
    :pick-name="(row) => t('changeList.pick', { name: says(row, 'name') })"
    :all-name="t('roster.chooseAll')"
    :shown="person"
    :sort="sort"
    @open="emit('open', $event.person.id)"
    @hide="emit('hide')"
    @choose="(index, run) => emit('choose', index, run)"
    @all="emit('all')"
    @sort="emit('sort', $event as Sortable)"
  >
    <template #cell="{ row, column }">
      <span
        :class="{ brass: column === 'state' && wantsAttention(row) }"
        :title="column === 'labels' ? says(row, column) : undefined"
        >{{ says(row, column) }}</span
      >
      <em v-if="column === 'role' && !row.listed" class="soft"> {{ t('roster.unlistedMark') }}</em>
    </template>
    <template #card="{ row }">
      <span class="line"
        ><strong>{{ says(row, 'name') }}</strong
        ><span :class="{ brass: wantsAttention(row) }">{{ says(row, 'state') }}</span></span
      >
      <span class="line soft"
        ><span>{{ about(row) }}</span
        ><span v-if="columns.visible.value.some(({ key }) => key === 'seen')">{{ says(row, 'seen') }}</span></span
      >
    </template>
    <template #empty>
      <p v-if="!pending" class="empty">{{ t(filtered ? 'roster.none' : 'roster.empty') }}</p>
      <div v-else aria-hidden="true">
        <p v-for="n in 12" :key="n" class="waiting"><Skeleton width="60%" height="14px" /></p>
      </div>
    </template>
  </DataRows>
</template>

<style scoped>
:deep(td.of-name) {
  font-weight: 600;
}
:deep(td.of-number) {
  font-family: var(--mono);
  font-size: 0.86em;
}
:deep(td.of-level),
:deep(td.of-since),
:deep(td.of-seen),
:deep(td.of-work) {
  font-variant-numeric: tabular-nums;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  white-space: nowrap;
}
.line > :first-child {
  overflow: hidden;
  text-overflow: ellipsis;
}
.empty {
  padding: 26px 10px;
  font-size: 1.05rem;
}
.waiting {
  padding: 10px;
}
</style>
