<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import Button from 'primevue/button'
import FileUpload, { type FileUploadSelectEvent } from 'primevue/fileupload'
import Textarea from 'primevue/textarea'
import { computed, onMounted, reactive, ref, watch } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { listName } from '@/shared/sentences'
import { t } from '@/shared/words'
import { tableOf } from '@/shared/workbook'
import DockedColumn from '@/ui/DockedColumn.vue'
import PickOne from '@/ui/PickOne.vue'
import Trouble from '@/ui/Trouble.vue'
import type { GroupBoard, Split } from './groups'

/** A list of people, with the groups they are to be in: read, settled where it is not clear, and put on the board. */
const props = defineProps<{ site: Site; split: Split; board: GroupBoard }>()
const emit = defineEmits<{ close: [] }>()
const MOST = 100_000
const text = ref('')
const otherwise = ref(props.split.list[0]?.id ?? '')
onMounted(() => document.getElementById('group-list')?.focus())
const asked = refDebounced(
  computed(() => text.value.trim()),
  300,
)
const { data, error, isFetching, refetch } = useQuery({
  queryKey: ['splits', computed(() => props.site.id), props.split.id, 'lines', asked],
  enabled: computed(() => asked.value !== ''),
  queryFn: async () => {
    const path = { site: props.site.id, split: props.split.id }
    const read = api.POST('/sites/{site}/group-splits/{split}/lines', { params: { path }, body: { text: asked.value } })
    return (await take(read)).items
  },
})
const reads = computed(() => isFetching.value || asked.value !== text.value.trim())

/** Whom somebody said an unclear line means, by the text of the line; nothing for nobody. */
const settled = reactive<Record<string, string>>({})
const IN_TURN = ''
/** A family name alone may mean too many on the whole platform, and one or two of these. */
const here = (line: string) => props.board.roster.find(line, 20, props.board.rows.value).map(({ person }) => person.id)
const lines = computed(() =>
  (text.value.trim() ? (data.value ?? []) : []).map((line) => {
    const people = line.people.length ? line.people : here(line.text)
    return {
      ...line,
      people,
      who: people.length === 1 ? people[0]! : (settled[line.text] ?? ''),
      into: line.groups.length === 1 ? line.groups[0]! : undefined,
    }
  }),
)
const found = computed(() => lines.value.filter(({ who }) => who))
const unclear = computed(() => lines.value.filter(({ people }) => people.length !== 1))
const whose = (ids: string[]) => [
  { value: '', label: t('groups.paste.nobody') },
  ...ids.flatMap((id) => {
    const row = props.board.roster.byId.value.get(id)
    return row ? [{ value: id, label: listName(row.person) }] : []
  }),
]
const groups = computed(() => [
  { value: IN_TURN, label: t('groups.paste.first') },
  ...props.split.list.map(({ id, name }) => ({ value: id, label: name })),
])
const needsGroup = computed(() => found.value.some(({ into }) => into === undefined))

function putOn() {
  let turn = 0
  for (const { who, into } of found.value) {
    const next = otherwise.value || props.split.list[turn++ % props.split.list.length]?.id
    const to = into ?? next
    if (to) props.board.move([who], to)
  }
  emit('close')
}

/** The rows of a file; who and which group is read from the columns that are chosen. */
const table = ref<string[][]>([])
const width = computed(() => Math.max(0, ...table.value.map((row) => row.length)))
const ALL = -1
const who = ref(ALL)
const group = ref(ALL)
const named = computed(() => new Set(props.split.list.map(({ name }) => name.toLowerCase())))
const columnsOf = (none: string) => [
  { value: ALL, label: none },
  ...Array.from({ length: width.value }, (_, n) => ({
    value: n,
    label: t('groups.paste.column', { n: n + 1, first: table.value.map((row) => row[n]).find(Boolean) ?? '' }),
  })),
]
const wrongFile = ref(false)
async function read(event: FileUploadSelectEvent) {
  const file = (event.files as File[])[0]
  const rows = file ? await tableOf(file) : []
  wrongFile.value = !rows.length
  if (!rows.length) return
  table.value = rows
  who.value = ALL
  const hits = (n: number) => rows.filter((row) => named.value.has((row[n] ?? '').toLowerCase())).length
  const best = Array.from({ length: width.value }, (_, n) => n).sort((a, b) => hits(b) - hits(a))[0] ?? ALL
  group.value = width.value > 1 && hits(best) > 0 ? best : ALL
  fill()
}
function fill() {
  const cells = (row: string[]) => {
    const people = who.value === ALL ? row.filter((_, n) => n !== group.value) : [row[who.value] ?? '']
    return [...people, group.value === ALL ? '' : (row[group.value] ?? '')].filter(Boolean)
  }
  text.value = table.value
    .map((row) => cells(row).join('\t'))
    .filter(Boolean)
    .join('\n')
    .slice(0, MOST)
}
watch([who, group], fill)
</script>

<template>
  <DockedColumn class="form" name="groups" :label="t('groups.paste.title')" closes @close="emit('close')">
    <h2>{{ t('groups.paste.title') }}</h2>
    <form @submit.prevent="putOn">
      <label for="group-list">{{ t('groups.paste.label') }}</label>
      <Textarea id="group-list" v-model="text" rows="9" fluid :maxlength="MOST" />
      <p class="soft small">{{ t('groups.paste.how') }}</p>
      <FileUpload
        mode="basic"
        custom-upload
        auto
        accept=".xlsx,.csv,.txt,.tsv,text/*"
        :choose-label="t('groups.paste.file')"
        :choose-button-props="{ size: 'small', variant: 'outlined' }"
        @select="read"
      />
      <template v-if="width > 1">
        <PickOne v-model="who" stacked :label="t('groups.paste.who')" :options="columnsOf(t('groups.paste.whole'))" />
        <PickOne
          v-model="group"
          stacked
          :label="t('groups.paste.into')"
          :options="columnsOf(t('groups.paste.noColumn'))"
        />
      </template>
      <p v-if="wrongFile" class="wrong" role="alert">{{ t('groups.paste.fileWrong') }}</p>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="text.trim()">
        <p role="status">
          <template v-if="reads">{{ t('card.ask.computing') }}</template>
          <template v-else>{{ t('groups.paste.found', { n: found.length }, found.length) }}</template>
        </p>
        <PickOne v-if="needsGroup" v-model="otherwise" stacked :label="t('groups.paste.group')" :options="groups" />
        <template v-if="!reads && unclear.length">
          <p>{{ t('groups.paste.others', { n: unclear.length }, unclear.length) }}</p>
          <ul>
            <li v-for="line in unclear" :key="line.number">
              <span>“{{ line.text }}”</span>
              <span v-if="!line.people.length" class="soft">{{ t('groups.paste.unknown') }}</span>
              <PickOne
                v-else
                :model-value="settled[line.text] ?? ''"
                :label="t('groups.paste.which')"
                :options="whose(line.people)"
                @update:model-value="settled[line.text] = $event ?? ''"
              />
            </li>
          </ul>
        </template>
      </template>
      <p class="acts">
        <Button
          type="submit"
          size="small"
          :disabled="!found.length || reads"
          :label="t('groups.paste.take', { n: found.length }, found.length)"
        />
        <button type="button" class="word" @click="emit('close')">{{ t('parts.cancel') }}</button>
      </p>
      <p class="soft small">{{ t('groups.paste.then') }}</p>
    </form>
  </DockedColumn>
</template>

<style scoped>
.form {
  --docked: 420px;
}
h2 {
  padding-right: 60px;
}
form {
  display: grid;
  gap: 8px;
  justify-items: start;
}
form > :deep(textarea) {
  width: 100%;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  padding: 4px 0;
  border-top: 1px solid var(--line);
}
.acts {
  display: flex;
  gap: 14px;
  align-items: center;
}
.wrong {
  color: var(--clay);
}
.small {
  font-size: 0.9rem;
}
</style>
