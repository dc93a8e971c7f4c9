<script setup lang="ts">
import Tick from '@/ui/Tick.vue'
import { keepPreviousData, useInfiniteQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type ChangeListSummary } from '@/shared/api'
import { lookAt, type Looked } from '@/shared/lookedAt'
import { queries } from '@/shared/queries'
import { ownZone } from '@/shared/own'
import { dayAndTime } from '@/shared/sentences'
import { done, wentWrong } from '@/shared/undo'
import { t, tIn } from '@/shared/words'
import { useColumns } from '@/ui/columns'
import ColumnsMenu from '@/ui/ColumnsMenu.vue'
import DataRows from '@/ui/DataRows.vue'
import Trouble from '@/ui/Trouble.vue'
import HelpWord from '@/ui/HelpWord.vue'
import ChangeListActs from './ChangeListActs.vue'
import { stateOf } from './changeLists'

/** Every change list one made or may see: what it is, who made it, what became of it. */
const STATES = ['', 'draft', 'applying', 'applied', 'dropped'] as const
const { n } = useI18n()
const route = useRoute()
const router = useRouter()
const state = computed(() =>
  (STATES as readonly string[]).includes(String(route.query.state))
    ? (route.query.state as ChangeListSummary['state'])
    : '',
)
const mine = computed(() => route.query.mine === '1')
const look = (change: Looked) => lookAt(router, change)
const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage, refetch } = useInfiniteQuery({
  queryKey: ['changeLists', 'list', state, mine],
  initialPageParam: undefined as string | undefined,
  queryFn: ({ pageParam }) =>
    take(api.GET('/change-lists', { params: { query: { state: state.value, mine: mine.value, cursor: pageParam } } })),
  getNextPageParam: (page) => page.next ?? undefined,
  placeholderData: keepPreviousData,
  refetchInterval: (query) =>
    query.state.data?.pages.some((page) => page.items.some((changeList) => changeList.state === 'applying'))
      ? 1500
      : false,
})
const changeLists = computed(() => data.value?.pages.flatMap((page) => page.items) ?? [])
const WEIGHTS = { what: 1.2, where: 1.6, who: 1.5, count: 0.8, state: 1.1, acts: 1.3 }
const columns = useColumns('changes', () =>
  Object.entries(WEIGHTS).map(([key, weight]) => ({
    key,
    label: tIn('changeLists.col', key),
    weight,
    always: key === 'what',
    unseen: key === 'acts',
  })),
)
const placeOf = (each: ChangeListSummary) => each.site?.title ?? (each.title || t('changeLists.severalSites'))
const countOf = (each: ChangeListSummary) =>
  each.state === 'draft' || each.state === 'dropped'
    ? ''
    : t('changeLists.count', { applied: n(each.applied), total: n(each.total) })
const standing = (each: ChangeListSummary) =>
  t(`changeLists.state.${stateOf(each).word}`, { done: n(each.done), total: n(each.total) })

async function drop(changeList: ChangeListSummary, dropped: boolean) {
  const path = { params: { path: { changeList: changeList.id } } }
  try {
    await take(
      dropped
        ? api.PUT('/change-lists/{changeList}/dropped', path)
        : api.DELETE('/change-lists/{changeList}/dropped', path),
    )
    done(t(dropped ? 'changeLists.dropped' : 'changeLists.takenUp'), {
      back: async () => {
        await drop(changeList, !dropped)
        return ''
      },
    })
    await queries.invalidateQueries({ queryKey: ['changeLists'] })
  } catch (thrown) {
    wentWrong(thrown)
  }
}
</script>

<template>
  <div class="page">
    <header>
      <h1>
        <HelpWord term="change-list">{{ t('changeLists.title') }}</HelpWord>
      </h1>
      <Button size="small" :label="t('changeLists.many')" @click="router.push({ name: 'people' })" />
      <Button
        size="small"
        variant="outlined"
        :label="t('makeSites.title')"
        @click="router.push({ name: 'make-sites' })"
      />
    </header>
    <p class="soft">{{ t('changeLists.more') }}</p>
    <p class="filters">
      <button
        v-for="each in STATES"
        :key="each"
        class="word"
        :aria-pressed="state === each"
        @click="look({ state: each })"
      >
        {{ t(`changeLists.filter.${each || 'all'}`) }}
      </button>
      <Tick :model-value="mine" @update:model-value="look({ mine: mine ? undefined : '1' })">{{
        t('changeLists.mine')
      }}</Tick>
      <ColumnsMenu :columns="columns" />
    </p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <DataRows
      v-else-if="changeLists.length"
      :rows="changeLists"
      :key-of="(each) => each.id"
      :columns="columns"
      :name="t('changeLists.title')"
    >
      <template #cell="{ row, column }">
        <RouterLink v-if="column === 'what'" :to="{ name: 'change-list', params: { changeList: row.id } }">{{
          tIn('changeLists.kind', row.kind)
        }}</RouterLink>
        <template v-else-if="column === 'where'">{{ placeOf(row) }}</template>
        <template v-else-if="column === 'who'"
          >{{ row.madeBy.name }}, {{ dayAndTime(row.changedAt!, ownZone) }}</template
        >
        <span v-else-if="column === 'count'" class="nums">{{ countOf(row) }}</span>
        <span v-else-if="column === 'state'" :class="stateOf(row).tone">{{ standing(row) }}</span>
        <ChangeListActs v-else :change-list="row" @drop="drop(row, $event)" />
      </template>
      <template #card="{ row }">
        <p class="two">
          <RouterLink :to="{ name: 'change-list', params: { changeList: row.id } }">{{
            tIn('changeLists.kind', row.kind)
          }}</RouterLink><span :class="stateOf(row).tone">{{ standing(row) }}</span>
        </p>
        <p class="soft">{{ placeOf(row) }} · {{ row.madeBy.name }}, {{ dayAndTime(row.changedAt!, ownZone) }}</p>
        <ChangeListActs :change-list="row" @drop="drop(row, $event)" />
      </template>
    </DataRows>
    <p v-else-if="isPending" class="skeleton" />
    <p v-else class="empty">{{ t(state || mine ? 'changeLists.none' : 'changeLists.empty') }}</p>
    <Button
      v-if="hasNextPage"
      class="further"
      variant="outlined"
      :label="t('parts.more')"
      :disabled="isFetchingNextPage"
      @click="fetchNextPage()"
    />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 10px;
  align-content: start;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
header h1 {
  margin-right: auto;
}
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
}
.filters label {
  margin-left: auto;
}
.two {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
.empty {
  padding: 26px 0;
  font-size: 1.05rem;
}
.further {
  justify-self: start;
}
</style>
