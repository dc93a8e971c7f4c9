<script setup lang="ts">
import { useInfiniteQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type SheetPage, type SheetReview } from '@/app/api'
import { useBusy } from '@/app/busy'
import { useHouse } from '@/app/house'
import { queries } from '@/app/queries'
import { dayAndTime, ownZone } from '@/app/sentences'
import { done, refreshSite } from '@/app/undo'
import { csvFile } from '@/roster/csv'
import Trouble from '@/ui/Trouble.vue'
import AccountsMade from '@/people/AccountsMade.vue'
import { takeMergeBack } from '@/people/merging'
import SheetLines from './SheetLines.vue'
import SheetUndo from './SheetUndo.vue'
import { addressOf, change, sayLine, stateOf, takeSitesBack, type SiteMade } from './sheets'

/** One sheet: what was on it, what became of each line, and how to take all of it back. */
const route = useRoute()
const router = useRouter()
const { t, n } = useI18n()
const { roleName } = useHouse()
const id = computed(() => String(route.params.sheet))
const { data, error, hasNextPage, fetchNextPage, refetch } = useInfiniteQuery({
  queryKey: ['sheets', 'one', id],
  initialPageParam: 0,
  queryFn: ({ pageParam }) =>
    take(api.GET('/sheets/{sheet}', { params: { path: { sheet: id.value }, query: { after: pageParam } } })),
  getNextPageParam: (page) => page.next ?? undefined,
  refetchInterval: (query) => (query.state.data?.pages[0]?.state === 'applying' ? 600 : false),
})
const sheet = computed(() => data.value?.pages[0])
const lines = computed(() => data.value?.pages.flatMap((page) => page.lines) ?? [])
const work = computed(() => (sheet.value?.work ?? {}) as object)
/** What a sheet of sites made. */
const rows = computed(() => (sheet.value?.kind === 'sites' ? ((work.value as { rows?: SiteMade[] }).rows ?? []) : []))
const standing = computed(() => rows.value.filter((row) => row.site && !row.gone).length)
const share = computed(() => (sheet.value?.total ? Math.round((100 * sheet.value.done) / sheet.value.total) : 0))
const review = ref<SheetReview | null>(null)
const { busy, run } = useBusy()

const path = computed(() => ({ params: { path: { sheet: id.value } } }))
const lookBack = () =>
  run(
    async () =>
      (review.value = (await take(
        api.POST('/sheets/{sheet}/undo', { ...path.value, body: { apply: false } }),
      )) as SheetReview),
  )
const undo = (removing: number | null) =>
  run(async () => {
    const made = (await take(
      api.POST('/sheets/{sheet}/undo', {
        ...path.value,
        body: { apply: true, removing },
      }),
    )) as SheetPage
    review.value = null
    done(t('sheets.undone', { n: made.applied }, made.applied))
    await Promise.all([refreshSite(), queries.invalidateQueries({ queryKey: ['sheets'] })])
    await router.push({ name: 'sheet', params: { sheet: made.id } })
  })
const sitesBack = () =>
  run(async () => {
    const before = standing.value
    const more = await takeSitesBack(id.value)
    await Promise.all([refreshSite(), refetch()])
    const gone = before - standing.value
    done(t('makeSites.back', { n: n(gone) }, gone), undefined, more)
  })
const mergeBack = () =>
  run(async () => {
    await takeMergeBack(id.value)
    await Promise.all([refreshSite(), refetch()])
    done(t('merge.parted'))
  })
const goOn = () =>
  run(async () => {
    await take(api.POST('/sheets/{sheet}/continue', path.value))
    await refetch()
  })

/** All lines, also those that are not shown yet. */
async function copy() {
  await run(async () => {
    while (hasNextPage.value) await fetchNextPage()
    const rows = lines.value.map((line) => [
      String(line.position),
      line.text,
      line.person.name,
      line.site.title,
      t('sheets.verb.' + line.verb),
      line.verdict ? t('sheets.verdict.' + line.verdict) : '',
      change(line, roleName),
      sayLine(line, roleName),
    ])
    await navigator.clipboard.writeText(
      csvFile([
        ['line', 'typed', 'person', 'site', 'change', 'outcome', 'before and after', 'why'].map((word) =>
          t('sheets.csv.' + word),
        ),
        ...rows,
      ]).slice(1),
    )
    done(t('away.copied', { n: n(rows.length) }, rows.length))
  })
}
</script>

<template>
  <div class="page">
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="sheet">
      <p>
        <RouterLink to="/sheets">{{ $t('sheets.back') }}</RouterLink>
      </p>
      <header>
        <h1>
          {{ $t('sheets.kind.' + sheet.kind)
          }}<template v-if="sheet.site"
            >:
            <RouterLink :to="{ name: 'roster', params: { site: sheet.site.id } }">{{
              sheet.site.title
            }}</RouterLink></template
          >
        </h1>
        <p class="soft">{{ $t('sheets.by', { who: sheet.madeBy.name, at: dayAndTime(sheet.madeAt!, ownZone) }) }}</p>
      </header>
      <p :class="stateOf(sheet).tone" role="status">
        <strong>{{
          $t('sheets.state.' + stateOf(sheet).word, { done: $n(sheet.done), total: $n(sheet.total) })
        }}</strong>
        <template v-if="sheet.state === 'applied'">{{
          ' · ' + $t('sheets.sum', { applied: $n(sheet.applied), left: $n(sheet.total - sheet.applied) })
        }}</template>
        {{ ' '
        }}<RouterLink v-if="sheet.undoes" :to="{ name: 'sheet', params: { sheet: sheet.undoes } }">{{
          $t('sheets.undoesThis')
        }}</RouterLink>
        <RouterLink v-if="sheet.undoneBy" :to="{ name: 'sheet', params: { sheet: sheet.undoneBy } }">{{
          $t('sheets.undoneByThis')
        }}</RouterLink>
      </p>
      <template v-if="sheet.state === 'applying'">
        <div
          class="progress"
          role="progressbar"
          :aria-valuenow="share"
          aria-valuemin="0"
          aria-valuemax="100"
          :aria-label="$t('sheets.progress')"
        >
          <span :style="{ width: share + '%' }" />
        </div>
        <p v-if="sheet.trouble" class="callout bad" role="alert">
          {{ $t('sheets.trouble.' + sheet.trouble) }}
          <Button size="small" :disabled="busy" :label="$t('sheets.tryOn')" @click="goOn" />
        </p>
        <p v-else class="soft">
          {{ $t('sheets.canLeave') }}
          <button class="word" :disabled="busy" @click="goOn">{{ $t('sheets.continue') }}</button>
        </p>
      </template>
      <p v-if="sheet.tell !== null" class="soft">
        {{ $t('sheets.tells') }} <template v-if="sheet.tell">“{{ sheet.tell }}”</template>
      </p>
      <p class="acts">
        <Button
          v-if="sheet.state === 'draft'"
          size="small"
          :label="$t('sheets.goOn')"
          @click="router.push(addressOf(sheet))"
        />
        <Button
          v-if="standing"
          size="small"
          variant="outlined"
          :disabled="busy"
          :label="$t('sheets.undo')"
          @click="sitesBack"
        />
        <Button
          v-else-if="sheet.kind === 'merge' && sheet.applied > 0 && !sheet.undoneBy"
          size="small"
          variant="outlined"
          :disabled="busy"
          :label="$t('merge.back')"
          @click="mergeBack"
        />
        <Button
          v-else-if="sheet.kind !== 'merge' && sheet.applied > 0 && !review && lines.length"
          size="small"
          variant="outlined"
          :disabled="busy"
          :label="$t('sheets.undo')"
          @click="lookBack"
        />
        <button v-if="lines.length" class="word" @click="copy">{{ $t('sheets.copy') }}</button>
      </p>
      <SheetUndo v-if="review" :review="review" :busy="busy" @undo="undo" @close="review = null" />
      <AccountsMade v-if="sheet.kind === 'accounts' && sheet.state !== 'draft'" :sheet="sheet" @changed="refetch()" />
      <p v-if="sheet.kind === 'erase'" class="callout">{{ $t('erase.sheet') }}</p>
      <SheetLines :sheet="sheet" :rows="rows" :lines="lines" />
      <Button v-if="hasNextPage" severity="secondary" size="small" :label="$t('sites.more')" @click="fetchNextPage()" />
    </template>
    <p v-else class="skeleton" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 10px;
  align-content: start;
}
.progress {
  height: 12px;
  border: 1px solid var(--spruce);
  border-radius: 3px;
  max-width: 560px;
  background: var(--sheet);
}
.progress span {
  display: block;
  height: 100%;
  background: var(--spruce);
  transition: width 0.4s;
}
</style>
