<script setup lang="ts">
import type { Person } from '@/shared/api'
import { detailOf, detailWords } from '@/shared/details'
import { usePlatform } from '@/shared/platform'
import { listName } from '@/shared/sentences'
import { useLevels } from '@/shared/levels'
import { t } from '@/shared/words'
import { kindName } from '@/shared/kinds'
import type { Columns } from '@/ui/columns'
import DataRows from '@/ui/DataRows.vue'

const { levelName } = useLevels()

/** People of the directory, to be chosen and opened. */
const props = defineProps<{
  people: { person: Person; labels: string[]; details: Record<string, string> }[]
  /** How many there are. */
  total: number
  /** Their ids. */
  chosen: Set<string>
  columns: Columns
}>()
const emit = defineEmits<{ pick: [person: string]; all: [] }>()
const kind = (person: Person) =>
  kindName(person) + (person.level ? ', ' + levelName(person.level, person.division.code) : '')

const { platform } = usePlatform()
function detail(kept: Record<string, string>, column: string): string {
  const found = platform.value?.details.find(({ code }) => code === detailOf(column))
  return found ? detailWords(found, kept[found.code]) : ''
}

function all() {
  const open = props.people.filter(({ person }) => !props.chosen.has(person.id))
  for (const { person } of open.length ? open : props.people) emit('pick', person.id)
}
</script>

<template>
  <DataRows
    :rows="people"
    :key-of="(each) => each.person.id"
    :columns="columns"
    :name="t('people.title')"
    :total="total"
    :chosen="chosen"
    :pick-name="(each) => t('people.pick', { name: listName(each.person) })"
    :all-name="t('people.allHere')"
    @choose="(index) => people[index] && emit('pick', people[index].person.id)"
    @all="all"
  >
    <template #cell="{ row, column }">
      <RouterLink v-if="column === 'name'" class="name" :to="{ name: 'person', params: { person: row.person.id } }">{{
        listName(row.person)
      }}</RouterLink>
      <template v-else-if="column === 'kind'">{{ kind(row.person) }}</template>
      <template v-else-if="column === 'division'">{{ row.person.division.name }}</template>
      <span v-else-if="column === 'number'" class="num">{{ row.person.number }}</span>
      <template v-else-if="detailOf(column)">{{ detail(row.details, column) }}</template>
      <span v-else class="soft">{{ row.labels.join(', ') }}</span>
    </template>
    <template #card="{ row }">
      <RouterLink class="name" :to="{ name: 'person', params: { person: row.person.id } }">{{
        listName(row.person)
      }}</RouterLink>
      <p class="soft">{{ kind(row.person) }} · {{ row.person.division.name }} {{ row.person.number }}</p>
    </template>
  </DataRows>
</template>

<style scoped>
.name {
  font-weight: 600;
  color: inherit;
  text-decoration-color: var(--line);
}
</style>
