<script setup lang="ts">
import { keepPreviousData, useInfiniteQuery, useQueryClient } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, take, type Cohort } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { kindName } from '@/shared/kinds'
import { useLevels } from '@/shared/levels'
import { ownZone as zone } from '@/shared/own'
import ReadPeople from '@/intake/ReadPeople.vue'
import { refresh } from '@/shared/queries'
import { day, fullName } from '@/shared/sentences'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import { useColumns } from '@/ui/columns'
import DataRows from '@/ui/DataRows.vue'
import FindBox from '@/ui/FindBox.vue'
import Tick from '@/ui/Tick.vue'
import Trouble from '@/ui/Trouble.vue'
import PickedNames from './PickedNames.vue'

/** Who belongs to a cohort, and since when; who did. Of a list people are put on it and taken off it here. */
const props = defineProps<{ cohort: Cohort }>()
const router = useRouter()
const client = useQueryClient()
const { levelName } = useLevels()
const typed = ref('')
const q = refDebounced(typed, 200)
const ever = ref(false)
const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage, refetch } = useInfiniteQuery({
  queryKey: ['cohorts', 'members', computed(() => props.cohort.id), q, ever],
  initialPageParam: undefined as string | undefined,
  queryFn: ({ pageParam }) =>
    take(
      api.GET('/cohorts/{cohort}/members', {
        params: {
          path: { cohort: props.cohort.id },
          query: { q: q.value.trim() || undefined, ever: ever.value || undefined, cursor: pageParam },
        },
      }),
    ),
  getNextPageParam: (page) => page.next ?? undefined,
  placeholderData: keepPreviousData,
})
const rows = computed(() => data.value?.pages.flatMap((page) => page.items) ?? [])
type Member = (typeof rows.value)[number]
const keyOf = (row: Member) => row.id + row.from
const columns = useColumns('cohort-members', () => [
  { key: 'name', label: t('people.col.name'), weight: 1.7, always: true },
  { key: 'kind', label: t('people.col.kind'), weight: 1.1 },
  { key: 'division', label: t('people.col.division'), weight: 1.2 },
  { key: 'since', label: t('cohorts.col.since'), weight: 1.3 },
])
function since({ from, until, now }: Member) {
  const [first, last] = [day(from, zone), until ? day(until, zone) : '']
  if (now) return last ? t('cohorts.sinceUntil', { from: first, until: last }) : t('cohorts.since', { from: first })
  return t(new Date(from).getTime() > Date.now() ? 'cohorts.fromThen' : 'cohorts.wasThere', {
    from: first,
    until: last,
  })
}
const list = computed(() => props.cohort.kind === 'list' && props.cohort.keeps)
const chosen = reactive(new Set<string>())
interface Found {
  id: string
  name: string
  division: string
}
const adding = ref<Found[]>([])
/** A list that is pasted, or of a file. */
const pasting = ref(false)
const text = ref('')
const pasted = ref<string[]>([])
async function look(q: string): Promise<Found[]> {
  const { items } = await client.fetchQuery({
    queryKey: ['people', 'cohort', q],
    queryFn: () => take(api.GET('/people', { params: { query: { q } } })),
  })
  return items.map(({ person }) => ({ id: person.id, name: fullName(person), division: person.division.name }))
}
function add(found: Found) {
  if (!adding.value.some(({ id }) => id === found.id)) adding.value.push(found)
}
const { busy, run } = useBusy()
const put = (add: string[], remove: string[]) =>
  run(async () => {
    const path = { cohort: props.cohort.id }
    await take(api.POST('/cohorts/{cohort}/members', { params: { path }, body: { add, remove } }))
    done(
      add.length
        ? t('cohorts.did.added', { n: add.length }, add.length)
        : t('cohorts.did.taken', { n: remove.length }, remove.length),
      { back: async () => (await put(remove, add), '') },
    )
    chosen.clear()
    adding.value = []
    text.value = ''
    pasting.value = false
    await refresh('cohorts')
  })
const choose = (index: number) => {
  const id = rows.value[index]!.id
  if (!chosen.delete(id)) chosen.add(id)
}
const picked = computed(() => new Set(rows.value.filter(({ id, now }) => now && chosen.has(id)).map(keyOf)))
</script>

<template>
  <section aria-labelledby="cohort-people">
    <h2 id="cohort-people">
      {{ cohort.looking ? t('cohorts.lookingAt') : t('cohorts.belong', { n: $n(cohort.people) }, cohort.people) }}
    </h2>
    <form
      v-if="list"
      class="row"
      @submit.prevent="
        put(
          adding.map(({ id }) => id),
          [],
        )
      "
    >
      <PickedNames
        :names="adding.map(({ name }) => name)"
        @remove="(name) => (adding = adding.filter((each) => each.name !== name))"
      />
      <FindBox
        class="grow"
        small
        unseen
        :label="t('cohorts.add')"
        :placeholder="t('cohorts.addHint')"
        :find="look"
        :called="(each) => each.name"
        :none="t('cohorts.nobodyThere')"
        @pick="add"
        ><template #default="{ found }"
          >{{ found.name }} <span class="soft">{{ found.division }}</span></template
        ></FindBox
      >
      <Button type="submit" size="small" :disabled="busy || !adding.length" :label="t('cohorts.addThem')" />
      <button type="button" class="word" :aria-expanded="pasting" @click="pasting = !pasting">
        {{ t('cohorts.fromList') }}
      </button>
      <RouterLink :to="{ name: 'people' }">{{ t('cohorts.fromPeople') }}</RouterLink>
    </form>
    <form v-if="list && pasting" class="paste" @submit.prevent="put(pasted, [])">
      <ReadPeople v-model:text="text" :label="t('cohorts.form.listHow')" @people="pasted = $event" />
      <Button
        type="submit"
        size="small"
        :disabled="busy || !pasted.length"
        :label="t('cohorts.addMany', { n: $n(pasted.length) }, pasted.length)"
      />
    </form>
    <div class="row">
      <InputText
        v-model="typed"
        size="small"
        maxlength="80"
        :placeholder="t('cohorts.findPerson')"
        :aria-label="t('cohorts.findPerson')"
      />
      <Tick v-model="ever">{{ t('cohorts.ever') }}</Tick>
      <template v-if="picked.size"
        ><button class="word clay" :disabled="busy" @click="put([], [...chosen])">
          {{ t('cohorts.take', { n: chosen.size }, chosen.size) }}
        </button></template
      >
    </div>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <DataRows
      v-else-if="rows.length"
      :rows="rows"
      :key-of="keyOf"
      :columns="columns"
      :name="t('cohorts.people')"
      :chosen="list ? picked : undefined"
      :pick-name="(row) => row.name"
      :tone="(row) => (row.now ? '' : 'quiet')"
      opens
      @open="(row) => router.push({ name: 'person', params: { person: row.id } })"
      @choose="choose"
    >
      <template #cell="{ row, column }"
        ><RouterLink v-if="column === 'name'" :to="{ name: 'person', params: { person: row.id } }">{{
          row.name
        }}</RouterLink
        ><template v-else-if="column === 'kind'"
          >{{ kindName({ kind: row.kind as 'learner' })
          }}<template v-if="row.level">, {{ levelName(row.level, row.division.code) }}</template></template
        ><template v-else-if="column === 'division'">{{ row.division.name }}</template
        ><template v-else>{{ since(row) }}</template></template
      >
      <template #card="{ row }"
        ><RouterLink :to="{ name: 'person', params: { person: row.id } }">{{ row.name }}</RouterLink>
        <span class="soft">{{ row.division.name }} · {{ since(row) }}</span></template
      >
    </DataRows>
    <p v-else-if="isPending" class="skeleton" />
    <p v-else class="empty">{{ t(q ? 'cohorts.nobodyFound' : 'cohorts.nobody') }}</p>
    <Button
      v-if="hasNextPage"
      size="small"
      variant="outlined"
      :label="t('parts.more')"
      :disabled="isFetchingNextPage"
      @click="fetchNextPage()"
    />
  </section>
</template>

<style scoped>
.paste {
  display: grid;
  gap: 8px;
  justify-items: start;
  margin: 8px 0;
}
section {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  width: 100%;
}
.grow {
  flex: 1 1 280px;
  max-width: 560px;
}
</style>
