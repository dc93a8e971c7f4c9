<script setup lang="ts">
import Button from 'primevue/button'
import { computed, nextTick, ref } from 'vue'
import type { Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { download } from '@/shared/csv'
import { fullName, listName } from '@/shared/sentences'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import { downloadWorkbook } from '@/shared/workbook'
import DockedColumn from '@/ui/DockedColumn.vue'
import PaperSheet from '@/ui/PaperSheet.vue'
import type { GroupBoard, Split } from './groups'

/** The groups as they are: lists for the wall, a card for everybody, or a table in a file. */
const props = defineProps<{ site: Site; split: Split; board: GroupBoard }>()
const emit = defineEmits<{ close: [] }>()
const groups = computed(() =>
  props.split.list.map((group) => ({
    ...group,
    rows: props.board.rows.value.filter(({ person }) => props.board.places.value.get(person.id) === group.id),
  })),
)
const people = computed(() => groups.value.reduce((sum, { rows }) => sum + rows.length, 0))
const printed = ref<'' | 'lists' | 'cards'>('')
async function print(what: 'lists' | 'cards') {
  printed.value = what
  await nextTick()
  window.print()
  printed.value = ''
}
function table() {
  const none = props.board.rows.value.filter(({ person }) => !props.board.places.value.get(person.id))
  return [
    [t('groups.paper.group'), t('groups.paper.name'), t('groups.paper.number')],
    ...groups.value.flatMap(({ name, rows }) =>
      rows.map(({ person }) => [name, listName(person), person.number ?? '']),
    ),
    ...none.map(({ person }) => ['', listName(person), person.number ?? '']),
  ]
}
const { busy, run } = useBusy()
const save = (kind: 'csv' | 'xlsx') =>
  run(async () => {
    const rows = table()
    const file = `${props.site.code.toLowerCase()}-groups.${kind}`
    if (kind === 'csv') download(file, rows)
    else await downloadWorkbook(file, props.split.name, rows)
    done(t('groups.paper.saved', { n: rows.length - 1, file }))
  })
</script>

<template>
  <DockedColumn class="form" name="groups" :label="t('groups.paper.title')" closes @close="emit('close')">
    <h2>{{ t('groups.paper.title') }}</h2>
    <p v-if="board.pending.value.length" class="brass">{{ t('groups.paper.asIs') }}</p>
    <p class="act">
      <Button size="small" :disabled="!people" :label="t('groups.paper.lists')" @click="print('lists')" />
      <span class="soft">{{ t('groups.paper.listsMore') }}</span>
    </p>
    <p class="act">
      <Button
        size="small"
        variant="outlined"
        :disabled="!people"
        :label="t('groups.paper.cards')"
        @click="print('cards')"
      />
      <span class="soft">{{ t('groups.paper.cardsMore', { n: people }, people) }}</span>
    </p>
    <p class="act">
      <span class="files">
        <Button
          size="small"
          variant="outlined"
          :disabled="busy"
          :label="t('groups.paper.workbook')"
          @click="save('xlsx')"
        />
        <Button size="small" variant="outlined" :disabled="busy" :label="t('groups.paper.csv')" @click="save('csv')" />
      </span>
      <span class="soft">{{ t('groups.paper.csvMore') }}</span>
    </p>
    <PaperSheet v-if="printed">
      <template v-if="printed === 'lists'">
        <h1>{{ split.name }}</h1>
        <p>{{ site.title }}</p>
        <div class="wall">
          <section v-for="group in groups" :key="group.id">
            <h2>{{ group.name }}</h2>
            <ul>
              <li v-for="row in group.rows" :key="row.person.id">{{ fullName(row.person) }}</li>
            </ul>
          </section>
        </div>
      </template>
      <div v-else class="name-cards">
        <template v-for="group in groups" :key="group.id">
          <section v-for="row in group.rows" :key="row.person.id">
            <h1>{{ fullName(row.person) }}</h1>
            <p>{{ group.name }}</p>
            <p>{{ split.name }} · {{ site.title }}</p>
          </section>
        </template>
      </div>
    </PaperSheet>
  </DockedColumn>
</template>

<style scoped>
.form {
  --docked: 400px;
}
h2 {
  padding-right: 60px;
}
.act {
  display: grid;
  gap: 3px;
  justify-items: start;
}
.files {
  display: flex;
  gap: 8px;
}
.wall {
  columns: 3;
  column-gap: 24pt;
  margin-top: 12pt;
}
.wall section {
  break-inside: avoid;
  margin-bottom: 14pt;
}
.wall h2 {
  font-size: 13pt;
  padding: 0;
}
.wall ul {
  margin: 2pt 0 0;
  padding: 0;
  list-style: none;
  font-size: 12pt;
}
.name-cards {
  display: grid;
  grid-template-columns: 1fr 1fr;
}
.name-cards section {
  border: 1pt dashed #999;
  margin: -1pt 0 0 -1pt;
  min-height: 48mm;
  padding: 8mm;
  display: grid;
  align-content: center;
  text-align: center;
  gap: 4pt;
  break-inside: avoid;
}
.name-cards h1 {
  font-size: 20pt;
}
</style>
