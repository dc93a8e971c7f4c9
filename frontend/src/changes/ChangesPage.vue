<script setup lang="ts">
import Tick from '@/ui/Tick.vue'
import { keepPreviousData, useInfiniteQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type ChangeListSummary } from '@/shared/api'
import { queries } from '@/shared/queries'
import { ownZone } from '@/shared/own'
import { dayAndTime } from '@/shared/sentences'
import { done, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'
import { addressOf, stateOf } from './changeLists'

/** Every change list one made or may see: what it is, who made it, what became of it. */
const STATES = ['', 'draft', 'applying', 'applied', 'dropped'] as const
const route = useRoute()
const router = useRouter()
const state = computed(() =>
  (STATES as readonly string[]).includes(String(route.query.state))
    ? (route.query.state as ChangeListSummary['state'])
    : '',
)
const mine = computed(() => route.query.mine === '1')
const look = (query: object) => router.replace({ query: { ...route.query, ...query } })
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
      <h1>{{ $t('changeLists.title') }}</h1>
      <Button size="small" :label="$t('changeLists.many')" @click="router.push({ name: 'people' })" />
      <Button
        size="small"
        severity="secondary"
        variant="outlined"
        :label="$t('changeLists.makeSites')"
        @click="router.push({ name: 'make-sites' })"
      />
    </header>
    <p class="soft">{{ $t('changeLists.more') }}</p>
    <p class="filters">
      <button
        v-for="each in STATES"
        :key="each"
        class="word"
        :aria-pressed="state === each"
        @click="look({ state: each || undefined })"
      >
        {{ $t('changeLists.filter.' + (each || 'all')) }}
      </button>
      <Tick :model-value="mine" @update:model-value="look({ mine: mine ? undefined : '1' })">{{
        $t('changeLists.mine')
      }}</Tick>
    </p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <div v-else-if="changeLists.length" role="table" :aria-label="$t('changeLists.title')">
      <div role="row" class="row head">
        <span v-for="col in ['what', 'where', 'who', 'count', 'state', 'acts']" :key="col" role="columnheader"
          ><span :class="{ unseen: col === 'acts' }">{{ $t('changeLists.col.' + col) }}</span></span
        >
      </div>
      <div v-for="changeList in changeLists" :key="changeList.id" role="row" class="row">
        <span role="cell"
          ><RouterLink :to="{ name: 'change-list', params: { changeList: changeList.id } }">{{
            $t('changeLists.kind.' + changeList.kind)
          }}</RouterLink></span
        >
        <span role="cell">{{ changeList.site?.title ?? (changeList.title || $t('changeLists.severalSites')) }}</span>
        <span role="cell">{{ changeList.madeBy.name }}, {{ dayAndTime(changeList.changedAt!, ownZone) }}</span>
        <span role="cell" class="nums">{{
          changeList.state === 'draft' || changeList.state === 'dropped'
            ? ''
            : $t('changeLists.count', { applied: $n(changeList.applied), total: $n(changeList.total) })
        }}</span>
        <span role="cell" :class="stateOf(changeList).tone">{{
          $t('changeLists.state.' + stateOf(changeList).word, {
            done: $n(changeList.done),
            total: $n(changeList.total),
          })
        }}</span>
        <span role="cell" class="acts">
          <RouterLink v-if="changeList.state === 'draft'" :to="addressOf(changeList)">{{
            $t('changeLists.goOn')
          }}</RouterLink>
          <button v-if="changeList.state === 'draft'" class="word" @click="drop(changeList, true)">
            {{ $t('changeLists.drop') }}
          </button>
          <button v-if="changeList.state === 'dropped'" class="word" @click="drop(changeList, false)">
            {{ $t('changeLists.takeUp') }}
          </button>
        </span>
      </div>
    </div>
    <p v-else-if="isPending" class="skeleton" />
    <p v-else class="empty">{{ $t(state || mine ? 'changeLists.none' : 'changeLists.empty') }}</p>
    <Button
      v-if="hasNextPage"
      class="further"
      severity="secondary"
      :label="$t('sites.more')"
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
.filters .word[aria-pressed='true'] {
  font-weight: 700;
  color: var(--ink);
  text-decoration: none;
}
.filters label {
  margin-left: auto;
}
.row {
  display: grid;
  grid-template-columns: minmax(150px, 1.2fr) minmax(150px, 1.6fr) minmax(160px, 1.4fr) 110px minmax(120px, 1fr) 170px;
  gap: 14px;
  align-items: baseline;
  padding: 7px 10px;
  border-bottom: 1px solid var(--line);
}
.row:not(.head):hover {
  background: var(--hover);
}
.head {
  font-weight: 600;
  font-size: 0.88rem;
  color: var(--soft);
  border-bottom: 2px solid var(--line);
}
.acts {
  display: flex;
  gap: 14px;
  align-items: baseline;
}
.empty {
  padding: 26px 0;
  font-size: 1.05rem;
}
.further {
  justify-self: start;
}
@media (max-width: 760px) {
  .row {
    grid-template-columns: 1fr;
    gap: 2px;
  }
  .head {
    display: none;
  }
}
</style>
