<script setup lang="ts">
import PaperSheet from '@/ui/PaperSheet.vue'
import PlainTable from '@/ui/PlainTable.vue'
import Tick from '@/ui/Tick.vue'
import Button from 'primevue/button'
import { nextTick, ref, shallowRef } from 'vue'
import type { RosterRow, Site } from '@/shared/api'
import { detailOf } from '@/shared/details'
import { usePlatform } from '@/shared/platform'
import { done, wentWrong } from '@/shared/undo'
import { dotted } from '@/shared/lists'
import { t } from '@/shared/words'
import { cell, heading, type Column } from './columns'
import { download, tabbed } from '@/shared/csv'
import { downloadWorkbook } from '@/shared/workbook'
import { sectionNames } from './sections'
import ProgressExport from './ProgressExport.vue'

/** The rows shown, as text for the clipboard, a change list of paper, or a CSV file, with the columns one chooses. */
const props = defineProps<{
  site: Site
  columns: Column[]
  /** Those that the table shows: of details only these come along unasked. */
  shown: string[]
  total: number
  all: (progress: (rows: number) => void) => Promise<RosterRow[]>
}>()
defineEmits<{ close: [] }>()
const { platform, roleName } = usePlatform()
const headingOf = (column: Column) => heading(column, platform.value?.details ?? [])
const chosen = ref<Column[]>(props.columns.filter((column) => !detailOf(column) || props.shown.includes(column)))
const fetched = ref<number | null>(null)
const paper = shallowRef<string[][]>([])

async function rows(): Promise<string[][]> {
  fetched.value = 0
  try {
    const people = await props.all((count) => (fetched.value = count))
    const columns = props.columns.filter((column) => chosen.value.includes(column))
    return [
      columns.map(headingOf),
      ...people.map((row) =>
        columns.map((column) =>
          cell(row, column, props.site.timeZone, roleName, platform.value?.details, (ids) =>
            sectionNames(props.site, ids),
          ),
        ),
      ),
    ]
  } finally {
    fetched.value = null
  }
}

async function carry(work: (table: string[][]) => Promise<string> | string) {
  try {
    const sentence = await work(await rows())
    if (sentence) done(sentence)
  } catch (error) {
    wentWrong(error)
  }
}

const copy = () =>
  carry(async (table) => {
    await navigator.clipboard.writeText(tabbed(table))
    return t('did.copied', { n: table.length - 1 }, table.length - 1)
  })

const save = () =>
  carry((table) => {
    const file = `${props.site.code.toLowerCase()}-roster.csv`
    download(file, table)
    return t('export.saved', { n: table.length - 1, file })
  })

const saveWorkbook = () =>
  carry(async (table) => {
    const file = `${props.site.code.toLowerCase()}-roster.xlsx`
    await downloadWorkbook(file, props.site.code, table)
    return t('export.saved', { n: table.length - 1, file })
  })

const print = () =>
  carry(async (table) => {
    paper.value = table
    await nextTick()
    window.print()
    paper.value = []
    return ''
  })
</script>

<template>
  <section class="away no-print" :aria-label="t('export.title')">
    <span class="label">{{ t('export.columns') }}</span>
    <Tick v-for="column in columns" :key="column" v-model="chosen" :value="column">{{ headingOf(column) }}</Tick>
    <span class="buttons">
      <span v-if="fetched !== null" role="status" class="nums">{{ t('export.busy', { n: $n(fetched) }) }}</span>
      <Button size="small" :disabled="!chosen.length || fetched !== null" :label="t('export.copy')" @click="copy" />
      <Button size="small" :disabled="!chosen.length || fetched !== null" :label="t('export.print')" @click="print" />
      <Button size="small" :disabled="!chosen.length || fetched !== null" :label="t('export.csv')" @click="save" />
      <Button
        size="small"
        :disabled="!chosen.length || fetched !== null"
        :label="t('export.workbook')"
        @click="saveWorkbook"
      />
      <button class="word" @click="$emit('close')">{{ t('export.close') }}</button>
    </span>
    <ProgressExport v-if="site.may.includes('export-progress')" :site="site" />
  </section>
  <PaperSheet v-if="paper.length">
    <h1>{{ site.title }}</h1>
    <p>{{ dotted(site.code, site.division.name, site.term?.name) }}</p>
    <PlainTable :head="paper[0] ?? []" :rows="paper.slice(1)" />
  </PaperSheet>
</template>

<style scoped>
.away {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  padding: 7px 12px;
  background: var(--hover);
  border: 1px solid var(--line);
  border-radius: 4px;
}
.label {
  font-weight: 600;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-left: auto;
}
</style>
