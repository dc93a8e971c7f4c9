<script setup lang="ts">
import { divisionOptions, optionsIn, optionsOf } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import { keepPreviousData, useInfiniteQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, defineAsyncComponent, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take } from '@/shared/api'
import { lookAt } from '@/shared/lookedAt'
import { t, tIn } from '@/shared/words'
import { needless, usePlatform } from '@/shared/platform'
import { administers, me } from '@/shared/me'
import { useColumns } from '@/ui/columns'
import ColumnsMenu from '@/ui/ColumnsMenu.vue'
import Trouble from '@/ui/Trouble.vue'
import OwnWaits from '@/doors/OwnWaits.vue'
import OwnGroupsHint from '@/groups/OwnGroupsHint.vue'
import OwnWishesHint from '@/plans/OwnWishesHint.vue'
import ApprovalsHint from '@/people/ApprovalsHint.vue'
import MySites from '@/sites/MySites.vue'
import SiteTable from '@/sites/SiteTable.vue'

const SiteChangesPanel = defineAsyncComponent(() => import('./SiteChangesPanel.vue'))
const VERBS = ['open', 'close', 'seats', 'lead'] as const
const picked = reactive(new Set<string>())
const verb = ref<'' | (typeof VERBS)[number]>('')
function pick(id: string) {
  if (!picked.delete(id)) picked.add(id)
}
const chosenSites = () => sites.value.filter(({ id }) => picked.has(id)).map(({ id, title }) => ({ id, title }))
function pickNone() {
  picked.clear()
  verb.value = ''
}

const route = useRoute()
const router = useRouter()
const { platform } = usePlatform()
const scope = computed(() => route.params.scope as 'run' | 'in' | 'all')
const scopes = computed(() => [
  ...(me.value?.mayMakeSites ? (['run'] as const) : []),
  'in' as const,
  ...(administers.value ? (['all'] as const) : []),
])

const WEIGHTS = { title: 2.6, division: 1.4, term: 1, levels: 0.9, state: 0.8, people: 1.3 }
const columns = useColumns('sites', () =>
  Object.entries(WEIGHTS).map(([key, weight]) => ({
    key,
    label: tIn('sites.col', key),
    weight,
    always: key === 'title',
  })),
)

const typed = ref(String(route.query.q ?? ''))
const q = refDebounced(typed, 150)
watch(q, (q) => lookAt(router, { q }))
const filters = ['division', 'term', 'kind', 'state'] as const
const chosen = (name: string) => (route.query[name] as string | undefined) ?? ''
const choose = (name: string, value: string) => lookAt(router, { [name]: value })
const choices = computed(() => ({
  division: divisionOptions(platform.value?.divisions),
  term: optionsOf(platform.value?.terms, 'code'),
  kind: optionsOf(platform.value?.siteKinds, 'code'),
  state: optionsIn<string>(['draft', 'open', 'closed'], (state) => tIn('siteState', state)),
}))

/** Sites that were closed for long left the list. */
const ofArchive = computed(() => route.query.archived === '1')
const archived = computed(() => data.value?.pages[0]?.archived ?? 0)
const asked = computed(() => ({
  scope: scope.value,
  q: q.value || undefined,
  ...Object.fromEntries(filters.map((name) => [name, chosen(name) || undefined])),
  archived: ofArchive.value || undefined,
}))
const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage, refetch } = useInfiniteQuery({
  queryKey: ['sites', asked],
  initialPageParam: undefined as string | undefined,
  queryFn: ({ pageParam }) =>
    take(api.GET('/sites', { params: { query: { ...asked.value, limit: 40, cursor: pageParam } } })),
  getNextPageParam: (page) => page.next ?? undefined,
  placeholderData: keepPreviousData,
})
const sites = computed(() => data.value?.pages.flatMap((page) => page.items) ?? [])
const total = computed(() => data.value?.pages[0]?.total ?? 0)
/** Of those that words find, only so many are counted. */
const beyond = computed(() => data.value?.pages[0]?.moreThanThat ?? false)
watch(scope, pickNone)
const filtered = computed(() => !!q.value || filters.some((name) => chosen(name)))
</script>

<template>
  <div class="both">
    <div class="page">
      <nav class="scopes" :aria-label="t('sites.lists')">
        <RouterLink
          v-for="each in scopes"
          :key="each"
          :to="`/sites/${each}`"
          :class="{ on: each === scope }"
          :aria-current="each === scope ? 'page' : undefined"
          >{{ t(`sites.${each}`) }}</RouterLink
        >
        <RouterLink v-if="scope === 'run' && sites.length" class="beside" :to="{ name: 'first-day-checks' }">{{
          t('firstDayChecks.title')
        }}</RouterLink>
        <RouterLink v-if="scope === 'all'" class="beside" to="/numbers">{{ t('sites.numbers') }}</RouterLink>
        <RouterLink v-if="scope === 'all'" class="beside" to="/forecast">{{ t('site.forecast') }}</RouterLink>
        <RouterLink v-if="me?.mayMakeSites && scope !== 'in'" class="beside" :to="{ name: 'make-sites' }">{{
          t('makeSites.title')
        }}</RouterLink>
        <Button
          v-if="me?.mayMakeSites"
          class="new"
          :label="t('sites.new')"
          size="small"
          @click="router.push({ name: 'new-site' })"
        />
      </nav>
      <h1 class="unseen">{{ t(`sites.${scope}`) }}</h1>
      <ApprovalsHint />
      <div class="filters">
        <InputText
          v-if="scope !== 'in' || total > 8 || filtered"
          v-model="typed"
          :placeholder="t('sites.find')"
          :aria-label="t('sites.find')"
          maxlength="200"
          size="small"
        />
        <template v-if="scope === 'all'">
          <PickOne
            v-for="name in filters.filter((each) => !needless.has(each))"
            :key="name"
            :label="t(`sites.filterBy.${name}`)"
            :model-value="chosen(name)"
            :options="[{ value: '', label: t(`sites.any.${name}`) }, ...choices[name]]"
            @update:model-value="choose(name, $event ?? '')"
          />
        </template>
        <ColumnsMenu v-if="scope !== 'in'" class="last" :columns="columns" />
        <span class="soft nums" role="status">
          <template v-if="isPending">{{ t('sites.loading') }}</template>
          <template v-else-if="beyond">{{ t('sites.beyond', { n: $n(total) }) }}</template>
          <template v-else>{{ t('sites.count', { n: $n(total) }, total) }}</template>
        </span>
      </div>

      <p v-if="scope === 'in'" class="ways">
        <RouterLink to="/join">{{ t('openDoors.withKey') }}</RouterLink>
        {{ ' ' }}<RouterLink to="/sites/open">{{ t('openDoors.title') }}</RouterLink>
      </p>
      <OwnWishesHint v-if="scope === 'in'" />
      <OwnGroupsHint v-if="scope === 'in'" />
      <OwnWaits v-if="scope === 'in'" />
      <p v-if="picked.size" class="picked" role="status">
        <strong class="nums">{{ t('siteChangeList.chosen', { n: picked.size }, picked.size) }}:</strong>
        <button v-for="each in VERBS" :key="each" class="word" :aria-pressed="verb === each" @click="verb = each">
          {{ t(`siteChangeList.words.${each}`) }}
        </button>
        <button
          v-if="picked.size <= 100"
          class="word"
          @click="router.push({ name: 'term-change', state: { sites: chosenSites() } })"
        >
          {{ t('siteChangeList.words.term') }}
        </button>
        <span class="soft">·</span>
        <button v-if="picked.size < sites.length" class="word" @click="sites.forEach((site) => picked.add(site.id))">
          {{ t('siteChangeList.all') }}
        </button>
        <button class="word" @click="pickNone">{{ t('siteChangeList.none') }}</button>
      </p>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <MySites v-else-if="scope === 'in' && sites.length" :sites="sites" />
      <SiteTable
        v-else-if="sites.length || isPending"
        :sites="sites.length ? sites : null"
        :name="t(`sites.${scope}`)"
        :picked="picked"
        :columns="columns"
        @pick="pick"
      />
      <p v-else class="empty">
        {{ t(`sites.empty.${filtered ? 'none' : scope === 'run' && !me?.mayMakeSites ? 'runNoMake' : scope}`) }}
      </p>
      <p v-if="ofArchive" class="archived">
        {{ t('sites.archive.these') }}
        <button class="word" @click="lookAt(router, { archived: '' })">{{ t('sites.archive.back') }}</button>
      </p>
      <p v-else-if="archived && !hasNextPage" class="archived">
        <button class="word" @click="lookAt(router, { archived: '1' })">
          {{ t('sites.archive.show', { n: archived > 999 ? '999+' : $n(archived) }, archived) }}
        </button>
      </p>
      <Button
        v-if="hasNextPage"
        class="more"
        variant="outlined"
        :label="t('parts.more')"
        :disabled="isFetchingNextPage"
        @click="fetchNextPage()"
      />
    </div>
    <SiteChangesPanel
      v-if="verb && picked.size"
      :key="verb"
      :sites="[...picked]"
      :verb="verb"
      @close="verb = ''"
      @applied="pickNone"
    />
  </div>
</template>

<style scoped>
.both {
  display: flex;
  min-height: 100%;
}
.both > .page {
  flex: 1;
  min-width: 0;
}
.picked {
  margin-bottom: 8px;
}
.archived {
  margin: 10px 0 0;
  color: var(--soft);
}
.scopes .beside {
  font: inherit;
  color: var(--spruce);
  text-decoration: underline;
  margin-left: auto;
  border: 0;
}
.beside + .new {
  margin-left: 0;
}
.scopes {
  display: flex;
  gap: 22px;
  align-items: baseline;
  margin-bottom: 14px;
}
.scopes a {
  font-family: var(--title);
  font-size: 1.25rem;
  font-weight: 600;
  text-decoration: none;
  color: var(--soft);
  padding-bottom: 3px;
  border-bottom: 3px solid transparent;
}
.scopes a.on {
  color: var(--ink);
  border-color: var(--spruce);
}
.new {
  margin-left: auto;
}
.ways {
  display: flex;
  gap: 20px;
  margin-bottom: 12px;
}
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin-bottom: 12px;
}
.last {
  order: 1;
  margin-left: auto;
}
.filters .p-inputtext {
  width: 260px;
}
.empty {
  padding: 26px 0;
  font-size: 1.05rem;
}
.more {
  margin-top: 14px;
}
@media (max-width: 760px) {
  .scopes {
    flex-wrap: wrap;
    gap: 6px 18px;
  }
  .both {
    flex-direction: column;
  }
}
</style>
