<script setup lang="ts">
import { keepPreviousData, useInfiniteQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type SheetRecord } from '@/app/api'
import { queries } from '@/app/queries'
import { dayAndTime, ownZone } from '@/app/sentences'
import { done, wentWrong } from '@/app/undo'
import { t } from '@/app/words'
import Trouble from '@/ui/Trouble.vue'
import { addressOf, stateOf } from './sheets'

/** Every sheet one made or may see: what it is, who made it, what became of it. */
const STATES = ['', 'draft', 'applying', 'applied', 'dropped'] as const
const route = useRoute()
const router = useRouter()
const state = computed(() =>
  (STATES as readonly string[]).includes(String(route.query.state)) ? (route.query.state as SheetRecord['state']) : '',
)
const mine = computed(() => route.query.mine === '1')
const look = (query: object) => router.replace({ query: { ...route.query, ...query } })
const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage, refetch } = useInfiniteQuery({
  queryKey: ['sheets', 'list', state, mine],
  initialPageParam: undefined as string | undefined,
  queryFn: ({ pageParam }) =>
    take(api.GET('/sheets', { params: { query: { state: state.value, mine: mine.value, cursor: pageParam } } })),
  getNextPageParam: (page) => page.next ?? undefined,
  placeholderData: keepPreviousData,
  refetchInterval: (query) =>
    query.state.data?.pages.some((page) => page.items.some((sheet) => sheet.state === 'applying')) ? 1500 : false,
})
const sheets = computed(() => data.value?.pages.flatMap((page) => page.items) ?? [])

async function drop(sheet: SheetRecord, dropped: boolean) {
  const path = { params: { path: { sheet: sheet.id } } }
  try {
    await take(dropped ? api.PUT('/sheets/{sheet}/dropped', path) : api.DELETE('/sheets/{sheet}/dropped', path))
    done(t(dropped ? 'sheets.dropped' : 'sheets.takenUp'), {
      back: async () => {
        await drop(sheet, !dropped)
        return ''
      },
    })
    await queries.invalidateQueries({ queryKey: ['sheets'] })
  } catch (thrown) {
    wentWrong(thrown)
  }
}
</script>

<template>
  <div class="page">
    <header>
      <h1>{{ $t('sheets.title') }}</h1>
      <Button size="small" :label="$t('sheets.many')" @click="router.push({ name: 'people' })" />
      <Button
        size="small"
        severity="secondary"
        variant="outlined"
        :label="$t('sheets.makeSites')"
        @click="router.push({ name: 'make-sites' })"
      />
    </header>
    <p class="soft">{{ $t('sheets.more') }}</p>
    <p class="filters">
      <button
        v-for="each in STATES"
        :key="each"
        class="word"
        :aria-pressed="state === each"
        @click="look({ state: each || undefined })"
      >
        {{ $t('sheets.filter.' + (each || 'all')) }}
      </button>
      <label
        ><input type="checkbox" :checked="mine" @change="look({ mine: mine ? undefined : '1' })" />
        {{ $t('sheets.mine') }}</label
      >
    </p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <div v-else-if="sheets.length" role="table" :aria-label="$t('sheets.title')">
      <div role="row" class="row head">
        <span v-for="col in ['what', 'where', 'who', 'count', 'state', 'acts']" :key="col" role="columnheader"
          ><span :class="{ unseen: col === 'acts' }">{{ $t('sheets.col.' + col) }}</span></span
        >
      </div>
      <div v-for="sheet in sheets" :key="sheet.id" role="row" class="row">
        <span role="cell"
          ><RouterLink :to="{ name: 'sheet', params: { sheet: sheet.id } }">{{
            $t('sheets.kind.' + sheet.kind)
          }}</RouterLink></span
        >
        <span role="cell">{{ sheet.site?.title ?? (sheet.title || $t('sheets.severalSites')) }}</span>
        <span role="cell">{{ sheet.madeBy.name }}, {{ dayAndTime(sheet.changedAt!, ownZone) }}</span>
        <span role="cell" class="nums">{{
          sheet.state === 'draft' || sheet.state === 'dropped'
            ? ''
            : $t('sheets.count', { applied: $n(sheet.applied), total: $n(sheet.total) })
        }}</span>
        <span role="cell" :class="stateOf(sheet).tone">{{
          $t('sheets.state.' + stateOf(sheet).word, { done: $n(sheet.done), total: $n(sheet.total) })
        }}</span>
        <span role="cell" class="acts">
          <RouterLink v-if="sheet.state === 'draft'" :to="addressOf(sheet)">{{ $t('sheets.goOn') }}</RouterLink>
          <button v-if="sheet.state === 'draft'" class="word" @click="drop(sheet, true)">
            {{ $t('sheets.drop') }}
          </button>
          <button v-if="sheet.state === 'dropped'" class="word" @click="drop(sheet, false)">
            {{ $t('sheets.takeUp') }}
          </button>
        </span>
      </div>
    </div>
    <p v-else-if="isPending" class="skeleton" />
    <p v-else class="empty">{{ $t(state || mine ? 'sheets.none' : 'sheets.empty') }}</p>
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
