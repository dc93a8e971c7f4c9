<script setup lang="ts">
import { keepPreviousData, useInfiniteQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take } from '@/shared/api'
import { lookAt, type Looked } from '@/shared/lookedAt'
import { detailColumn } from '@/shared/details'
import { administers } from '@/shared/me'
import { usePlatform } from '@/shared/platform'
import { wentWrong } from '@/shared/undo'
import { inSentence, t } from '@/shared/words'
import DetailWords from '@/people/DetailWords.vue'
import { useColumns } from '@/ui/columns'
import ColumnsMenu from '@/ui/ColumnsMenu.vue'
import Trouble from '@/ui/Trouble.vue'
import PeopleChanges from './PeopleChanges.vue'
import PeopleFilters from './PeopleFilters.vue'
import PeopleRows from './PeopleRows.vue'
import HelpWord from '@/ui/HelpWord.vue'

/** Everybody of one's reach, to be found, chosen, and let into sites or out of them. */
const route = useRoute()
const router = useRouter()
const FILTERS = ['kind', 'division', 'level', 'label', 'site', 'details'] as const
const { platform } = usePlatform()
const chosenBy = (name: string) => String(route.query[name] ?? '')
const look = (change: Looked) => lookAt(router, change)
const typed = ref(chosenBy('q'))
const label = ref(chosenBy('label'))
const q = refDebounced(typed, 200)
const marked = refDebounced(label, 300)
watch([q, marked], ([q, label]) => look({ q, label }))
const query = computed(
  () =>
    Object.fromEntries(
      [['q', chosenBy('q')], ...FILTERS.map((name) => [name, chosenBy(name)])].filter(([, value]) => value),
    ) as Record<string, string>,
)
const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage, refetch } = useInfiniteQuery({
  queryKey: ['directory', query],
  initialPageParam: undefined as string | undefined,
  queryFn: ({ pageParam }) =>
    take(api.GET('/directory', { params: { query: { ...query.value, limit: 60, cursor: pageParam } as object } })),
  getNextPageParam: (page) => page.next ?? undefined,
  placeholderData: keepPreviousData,
})
const people = computed(() => data.value?.pages.flatMap((page) => page.items) ?? [])
const total = computed(() => data.value?.pages[0]?.total ?? 0)
/** Of those whom a word finds, only so many are counted. */
const beyond = computed(() => data.value?.pages[0]?.moreThanThat ?? false)

/** Those who were chosen elsewhere come along. */
const came = history.state as { people?: string[]; site?: { id: string; title: string } } | null
const given = came?.people ?? []
const chosen = reactive(
  new Set<string>(given.concat(typeof route.query.person === 'string' ? [route.query.person] : [])),
)
const draft = computed(() => (typeof route.query.changeList === 'string' ? route.query.changeList : ''))
const open = ref(chosen.size > 0 || draft.value !== '')
const columns = useColumns('people', () => [
  { key: 'name', label: t('people.col.name'), weight: 1.9, always: true },
  { key: 'kind', label: t('people.col.kind'), weight: 1.25 },
  { key: 'division', label: t('people.col.division'), weight: 1.2 },
  { key: 'number', label: t('people.col.number'), weight: 0.8 },
  { key: 'labels', label: t('people.col.labels'), weight: 1.2 },
  ...(platform.value?.details ?? []).map(({ code, name }) => ({
    key: detailColumn(code),
    label: name,
    weight: 1,
    optional: true,
  })),
])
const pick = (id: string) => chosen.delete(id) || chosen.add(id)
async function chooseAll() {
  try {
    const { ids } = await take(api.GET('/directory/ids', { params: { query: query.value as object } }))
    ids.forEach((id) => chosen.add(id))
  } catch (thrown) {
    wentWrong(thrown)
  }
}
function close() {
  open.value = false
  void look({ changeList: undefined, person: undefined })
}
function done() {
  chosen.clear()
  close()
}
const opened = (ids: string[]) => ids.forEach((id) => chosen.add(id))
</script>

<template>
  <div class="both">
    <div class="page">
      <header>
        <h1>
          <HelpWord term="directory">{{ t('people.title') }}</HelpWord>
        </h1>
        <template v-if="administers"
          ><RouterLink to="/approvals">{{ t('approvals.open') }}</RouterLink
          ><RouterLink to="/people/duplicates">{{ t('duplicates.open') }}</RouterLink></template
        ><RouterLink to="/cohorts">{{ t('people.cohorts') }}</RouterLink
        ><Button
          size="small"
          variant="outlined"
          :label="t('accounts.open')"
          @click="router.push({ name: 'make-accounts' })"
        /><Button size="small" :disabled="!chosen.size" :label="t('people.into')" @click="open = true" />
      </header>
      <p class="soft">{{ t('people.more') }}</p>
      <div class="filters">
        <InputText
          v-model="typed"
          size="small"
          maxlength="200"
          :placeholder="t('people.find')"
          :aria-label="t('people.find')"
        />
        <PeopleFilters :chosen="chosenBy" @choose="look" />
        <InputText
          v-model="label"
          size="small"
          class="label"
          maxlength="40"
          :placeholder="t('people.label')"
          :aria-label="t('people.by.label')"
        />
        <DetailWords
          v-if="platform?.details.length"
          :model-value="chosenBy('details')"
          @update:model-value="look({ details: $event || undefined })"
        />
        <ColumnsMenu class="last" :columns="columns" />
        <span class="soft nums" role="status">{{
          beyond ? t('people.beyond', { n: $n(total) }) : t('people.count', { n: $n(total) }, total)
        }}</span>
      </div>
      <p v-if="chosen.size" class="picked" role="status">
        <strong class="nums">{{ t('people.chosen', { n: $n(chosen.size) }, chosen.size) }}</strong>
        <button v-if="beyond || chosen.size < total" class="word" @click="chooseAll">
          {{ beyond ? t('people.everyone') : t('people.all', { n: $n(total) }) }}
        </button>
        <button
          v-if="chosen.size <= 60"
          class="word"
          @click="router.push({ name: 'cards', state: { people: [...chosen] } })"
        >
          {{ inSentence(t('changeList.cards')) }}
        </button>
        <button class="word" @click="chosen.clear()">{{ t('changeList.nobody') }}</button>
      </p>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <PeopleRows
        v-else-if="people.length"
        :people="people"
        :total="total"
        :chosen="chosen"
        :columns="columns"
        @pick="pick"
      />
      <p v-else-if="isPending" class="skeleton" />
      <p v-else class="empty">{{ t('people.none') }}</p>
      <Button
        v-if="hasNextPage"
        class="further"
        size="small"
        variant="outlined"
        :label="t('parts.more')"
        :disabled="isFetchingNextPage"
        @click="fetchNextPage()"
      />
    </div>
    <PeopleChanges
      v-if="open && (chosen.size || draft)"
      :key="draft ? 'draft' : 'new'"
      :people="[...chosen]"
      :change-list="draft"
      :into="came?.site"
      @close="close"
      @people="opened"
      @applied="done"
    />
  </div>
</template>

<style scoped>
.both {
  display: flex;
  min-height: 100%;
}
.page {
  flex: 1;
  min-width: 0;
  display: grid;
  gap: 10px;
  align-content: start;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
header h1 {
  margin-right: auto;
}
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.last {
  order: 1;
  margin-left: auto;
}
.filters > .p-inputtext {
  width: 240px;
}
.filters > .label {
  width: 140px;
}
.empty {
  padding: 26px 0;
  font-size: 1.05rem;
}
.further {
  justify-self: start;
}
@media (max-width: 760px) {
  .both {
    flex-direction: column;
  }
}
</style>
