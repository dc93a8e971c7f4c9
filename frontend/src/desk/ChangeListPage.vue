<script setup lang="ts">
import { useInfiniteQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type CarriedBack, type ChangeList, type ChangeReview } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { queries } from '@/shared/queries'
import { ownZone } from '@/shared/own'
import { dayAndTime } from '@/shared/sentences'
import { done, refreshSite } from '@/shared/undo'
import { csvFile } from '@/shared/csv'
import Trouble from '@/ui/Trouble.vue'
import AccountsMade from '@/accounts/AccountsMade.vue'
import { takeMergeBack } from '@/accounts/merging'
import { moveDivisionBack } from '@/platform/moving'
import { carryBack, isCarrying, takeCarryingBack } from './carrying'
import ChangeListLines from '@/changes/ChangeListLines.vue'
import MovedPeople from '@/groups/MovedPeople.vue'
import ChangeListUndo from '@/changes/ChangeListUndo.vue'
import { addressOf, change, sayLine, stateOf, takeSitesBack, type SiteMade } from '@/changes/changeLists'

/** One change list: what was on it, what became of each line, and how to take all of it back. */
const route = useRoute()
const router = useRouter()
const { t, n } = useI18n()
const { roleName } = usePlatform()
const id = computed(() => String(route.params.changeList))
const { data, error, hasNextPage, fetchNextPage, refetch } = useInfiniteQuery({
  queryKey: ['changeLists', 'one', id],
  initialPageParam: 0,
  queryFn: ({ pageParam }) =>
    take(
      api.GET('/change-lists/{changeList}', {
        params: { path: { changeList: id.value }, query: { after: pageParam } },
      }),
    ),
  getNextPageParam: (page) => page.next ?? undefined,
  refetchInterval: (query) => (query.state.data?.pages[0]?.state === 'applying' ? 600 : false),
})
const changeList = computed(() => data.value?.pages[0])
const lines = computed(() => data.value?.pages.flatMap((page) => page.lines) ?? [])
const sections = computed(() => data.value?.pages.flatMap((page) => page.sections) ?? [])
const work = computed(() => (changeList.value?.work ?? {}) as object)
/** What a change list of sites made. */
const rows = computed(() =>
  changeList.value?.kind === 'sites' ? ((work.value as { rows?: SiteMade[] }).rows ?? []) : [],
)
const standing = computed(() => rows.value.filter((row) => row.site && !row.gone).length)
const share = computed(() =>
  changeList.value?.total ? Math.round((100 * changeList.value.done) / changeList.value.total) : 0,
)
const review = ref<ChangeReview | null>(null)
const { busy, run } = useBusy()

const path = computed(() => ({ params: { path: { changeList: id.value } } }))
const lookBack = () =>
  run(
    async () =>
      (review.value = (await take(
        api.POST('/change-lists/{changeList}/undo', { ...path.value, body: { apply: false } }),
      )) as ChangeReview),
  )
const undo = (removing: number | null) =>
  run(async () => {
    const made = (await take(
      api.POST('/change-lists/{changeList}/undo', {
        ...path.value,
        body: { apply: true, removing },
      }),
    )) as ChangeList
    review.value = null
    done(t('changeLists.undone', { n: made.applied }, made.applied))
    await Promise.all([refreshSite(), queries.invalidateQueries({ queryKey: ['changeLists'] })])
    await router.push({ name: 'change-list', params: { changeList: made.id } })
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
/** What went from one division to others. */
const moved = computed(() =>
  changeList.value?.kind === 'division' ? (work.value as { people: number; sites: number; below: string[] }) : null,
)
const moveBack = () =>
  run(async () => {
    await moveDivisionBack(id.value)
    await Promise.all([refreshSite(), refetch()])
    done(t('changeLists.moved.undid'))
  })
const BACK = {
  'site-merge': 'sections.merge.back',
  'site-split': 'sections.out.back',
  'term-change': 'sections.termBack',
} as const
/** Sites that were merged or divided, or went on in another term. */
const carried = computed(() => (changeList.value && isCarrying(changeList.value.kind) ? changeList.value.kind : null))
const looked = ref<CarriedBack | null>(null)
const lookCarriedBack = () => run(async () => (looked.value = await carryBack(carried.value!, id.value, false)))
const carriedBack = () =>
  run(async () => {
    const more = await takeCarryingBack(carried.value!, id.value)
    looked.value = null
    await refetch()
    done(t(BACK[carried.value!]), undefined, more)
  })
const goOn = () =>
  run(async () => {
    await take(api.POST('/change-lists/{changeList}/continue', path.value))
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
      t(`changeLists.verb.${line.verb}`),
      line.verdict ? t(`changeLists.verdict.${line.verdict}`) : '',
      change(line, roleName, sections.value),
      sayLine(line, roleName),
    ])
    await navigator.clipboard.writeText(
      csvFile([
        ['line', 'typed', 'person', 'site', 'change', 'outcome', 'before and after', 'why'].map((word) =>
          t(`changeLists.csv.${word}`),
        ),
        ...rows,
      ]).slice(1),
    )
    done(t('did.copied', { n: n(rows.length) }, rows.length))
  })
}
</script>

<template>
  <div class="page">
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="changeList">
      <p>
        <RouterLink to="/changes">{{ t('changeLists.back') }}</RouterLink>
      </p>
      <header>
        <h1>
          {{ t(`changeLists.kind.${changeList.kind}`)
          }}<template v-if="changeList.site"
            >:
            <RouterLink :to="{ name: 'roster', params: { site: changeList.site.id } }">{{
              changeList.site.title
            }}</RouterLink></template
          >
        </h1>
        <p class="soft">
          {{ t('changeLists.by', { who: changeList.madeBy.name, at: dayAndTime(changeList.madeAt!, ownZone) }) }}
        </p>
      </header>
      <p :class="stateOf(changeList).tone" role="status">
        <strong>{{
          t(`changeLists.state.${stateOf(changeList).word}`, {
            done: $n(changeList.done),
            total: $n(changeList.total),
          })
        }}</strong>
        <template v-if="changeList.state === 'applied'">{{
          ' · ' +
          t('changeLists.sum', { applied: $n(changeList.applied), left: $n(changeList.total - changeList.applied) })
        }}</template>
        {{ ' '
        }}<RouterLink
          v-if="changeList.undoes"
          :to="{ name: 'change-list', params: { changeList: changeList.undoes } }"
          >{{ t('changeLists.undoesThis') }}</RouterLink
        >
        <RouterLink
          v-if="changeList.undoneBy"
          :to="{ name: 'change-list', params: { changeList: changeList.undoneBy } }"
          >{{ t('changeLists.undoneByThis') }}</RouterLink
        >
      </p>
      <template v-if="changeList.state === 'applying'">
        <div
          class="progress"
          role="progressbar"
          :aria-valuenow="share"
          aria-valuemin="0"
          aria-valuemax="100"
          :aria-label="t('changeLists.progress')"
        >
          <span :style="{ width: share + '%' }" />
        </div>
        <p v-if="changeList.trouble" class="callout bad" role="alert">
          {{ t(`changeLists.trouble.${changeList.trouble}`) }}
          <Button size="small" :disabled="busy" :label="t('changeLists.tryOn')" @click="goOn" />
        </p>
        <p v-else class="soft">
          {{ t('changeLists.canLeave') }}
          <button class="word" :disabled="busy" @click="goOn">{{ t('changeLists.continue') }}</button>
        </p>
      </template>
      <p v-if="changeList.tell !== null" class="soft">
        {{ t('changeLists.tells') }} <template v-if="changeList.tell">“{{ changeList.tell }}”</template>
      </p>
      <p class="acts">
        <Button
          v-if="changeList.state === 'draft'"
          size="small"
          :label="t('changeLists.goOn')"
          @click="router.push(addressOf(changeList))"
        />
        <Button
          v-if="standing"
          size="small"
          variant="outlined"
          :disabled="busy"
          :label="t('changeLists.undo')"
          @click="sitesBack"
        />
        <Button
          v-else-if="changeList.kind === 'merge' && changeList.applied > 0 && !changeList.undoneBy"
          size="small"
          variant="outlined"
          :disabled="busy"
          :label="t('merge.back')"
          @click="mergeBack"
        />
        <Button
          v-else-if="moved && !changeList.undoneBy"
          size="small"
          variant="outlined"
          :disabled="busy"
          :label="t('changeLists.undo')"
          @click="moveBack"
        />
        <Button
          v-else-if="carried && !changeList.undoneBy && !looked"
          size="small"
          variant="outlined"
          :disabled="busy"
          :label="t('changeLists.undo')"
          @click="lookCarriedBack"
        />
        <Button
          v-else-if="changeList.kind !== 'merge' && !carried && changeList.applied > 0 && !review && lines.length"
          size="small"
          variant="outlined"
          :disabled="busy"
          :label="t('changeLists.undo')"
          @click="lookBack"
        />
        <button v-if="lines.length" class="word" @click="copy">{{ t('changeLists.copy') }}</button>
      </p>
      <ChangeListUndo v-if="review" :review="review" :busy="busy" @undo="undo" @close="review = null" />
      <div v-if="looked" class="callout">
        <p>{{ t('changeLists.carried.back', { n: n(looked.people) }, looked.people) }}</p>
        <p v-if="looked.stay">
          {{ t('sections.merge.stayed', { n: n(looked.stay) }, looked.stay) }}
          <span class="soft">{{ looked.left.map(({ name }) => name).join(', ') }}</span>
        </p>
        <p class="acts">
          <Button size="small" :disabled="busy" :label="t('changeLists.carried.undo')" @click="carriedBack" />
          <button class="word" @click="looked = null">{{ t('parts.cancel') }}</button>
        </p>
      </div>
      <AccountsMade
        v-if="changeList.kind === 'accounts' && changeList.state !== 'draft'"
        :change-list="changeList"
        @changed="refetch()"
      />
      <p v-if="carried">
        <strong>{{ changeList.title }}</strong>
      </p>
      <p v-if="moved">
        <strong>{{ changeList.title }}</strong>:
        {{ t('changeLists.moved.people', { n: n(moved.people) }, moved.people) }}
        {{ t('changeLists.moved.sites', { n: n(moved.sites) }, moved.sites) }}
        <template v-if="moved.below.length">{{ moved.below.join(', ') }}</template>
      </p>
      <MovedPeople v-if="changeList.kind === 'groups'" :change-list="changeList" />
      <p v-if="changeList.kind === 'erase'" class="callout">{{ t('erase.changeList') }}</p>
      <ChangeListLines :change-list="changeList" :rows="rows" :lines="lines" :sections="sections" />
      <Button v-if="hasNextPage" variant="outlined" size="small" :label="t('parts.more')" @click="fetchNextPage()" />
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
