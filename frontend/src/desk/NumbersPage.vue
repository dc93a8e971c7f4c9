<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type Numbers } from '@/shared/api'
import { download } from '@/shared/csv'
import { lookAt } from '@/shared/lookedAt'
import { needless, usePlatform } from '@/shared/platform'
import { t, tIn } from '@/shared/words'
import { useColumns } from '@/ui/columns'
import ColumnsMenu from '@/ui/ColumnsMenu.vue'
import DataRows from '@/ui/DataRows.vue'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import { divisionOptions, optionsIn, optionsOf } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import PlainTable from '@/ui/PlainTable.vue'
import SeatMeter from '@/ui/SeatMeter.vue'
import Trouble from '@/ui/Trouble.vue'

/** Sites in numbers: how full they are and how many have come, without anybody's name. */
type Site = Numbers['sites'][number]
const FILTERS = ['division', 'term', 'kind', 'state'] as const
const route = useRoute()
const router = useRouter()
const { platform } = usePlatform()
const { n } = useI18n()
const chosen = (name: (typeof FILTERS)[number]) =>
  (route.query[name] as string | undefined) ?? (name === 'state' ? 'open' : '')
const asked = computed(() =>
  Object.fromEntries(
    FILTERS.map((name) => [name, chosen(name)]).filter(([, value]) => value !== '' && value !== 'any'),
  ),
)
const { data, error, refetch } = useQuery({
  queryKey: ['numbers', asked],
  queryFn: () => take(api.GET('/numbers', { params: { query: asked.value } })),
  placeholderData: keepPreviousData,
})
const choices = computed(() => ({
  division: divisionOptions(platform.value?.divisions),
  term: optionsOf(platform.value?.terms, 'code'),
  kind: optionsOf(platform.value?.siteKinds, 'code'),
  state: optionsIn<string>(['draft', 'open', 'closed'], (state) => tIn('siteState', state)),
}))
const kindName = (code: string) => platform.value?.siteKinds.find((kind) => kind.code === code)?.name ?? code
const said = (column: string) => tIn('numbers.col', column, { days: data.value?.days ?? '' })
const WEIGHTS = { title: 2.1, division: 1.2, term: 1, learners: 1.7, staff: 0.9, waiting: 1 }
const columns = useColumns('numbers', () =>
  Object.entries({ ...WEIGHTS, lately: 1.5, never: 1.2 }).map(([key, weight]) => ({
    key,
    label: said(key),
    weight,
    always: key === 'title',
  })),
)
const SUMS = ['division', 'sites', 'learners', 'staff', 'waiting', 'lately'] as const
const sums = computed(() =>
  (data.value?.divisions ?? []).map((each) => [
    each.division.name,
    ...[each.sites, each.learners, each.staff, each.waiting].map((each) => n(each)),
    each.counted ? t('numbers.of', { n: n(each.lately), of: n(each.counted) }) : '–',
  ]),
)
const save = () =>
  download(t('numbers.file'), [
    ['title', 'division', 'term', 'kind', 'state', 'seats', 'learners', 'staff', 'waiting', 'lately', 'never'].map(
      said,
    ),
    ...(data.value?.sites ?? []).map((site: Site) => [
      site.title,
      site.division.name,
      site.term ?? '',
      kindName(site.kind),
      tIn('siteState', site.state),
      ...[site.seats, site.learners, site.staff, site.waiting, site.lately, site.never].map((each) =>
        String(each ?? ''),
      ),
    ]),
  ])
</script>

<template>
  <div class="page">
    <h1>{{ t('numbers.title') }}</h1>
    <p class="soft">
      {{ t('numbers.more') }}
      <template v-if="data?.least">{{ t('numbers.small', { n: data.least }) }}</template>
    </p>
    <div class="filters">
      <PickOne
        v-for="name in FILTERS.filter((each) => !needless.has(each))"
        :key="name"
        :label="t(`numbers.${name}`)"
        :model-value="chosen(name) === 'any' ? '' : chosen(name)"
        :options="[{ value: '', label: t(`numbers.any.${name}`) }, ...choices[name]]"
        @update:model-value="lookAt(router, { [name]: name === 'state' ? $event || 'any' : $event })"
      />
      <ColumnsMenu :columns="columns" />
      <span v-if="data" class="soft nums" role="status">{{
        t('numbers.sites', { n: $n(data.sites.length) }, data.sites.length)
      }}</span>
      <button v-if="data?.sites.length" class="word last" @click="save">{{ t('numbers.copy') }}</button>
    </div>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <p v-else-if="!data" class="skeleton" />
    <p v-else-if="!data.sites.length" class="empty">{{ t('numbers.none') }}</p>
    <template v-else>
      <section v-if="data.divisions.length > 1">
        <h2>{{ t('numbers.sum') }}</h2>
        <PlainTable :name="t('numbers.sum')" :head="SUMS.map(said)" :rows="sums" />
      </section>
      <p v-if="data.more" class="brass">{{ t('numbers.moreSites', { n: $n(data.sites.length) }) }}</p>
      <DataRows :rows="data.sites" :key-of="(site) => site.id" :columns="columns" :name="t('numbers.title')">
        <template #cell="{ row: site, column }">
          <template v-if="column === 'title'"
            ><span class="state"><DoorGlyph :state="site.state" /></span
            ><RouterLink v-if="site.opens" :to="{ name: 'roster', params: { site: site.id } }">{{
              site.title
            }}</RouterLink
            ><strong v-else>{{ site.title }}</strong></template
          >
          <template v-else-if="column === 'division'">{{ site.division.name }}</template>
          <template v-else-if="column === 'term'">{{ site.term }}</template>
          <SeatMeter v-else-if="column === 'learners'" :held="site.learners" :seats="site.seats" />
          <span v-else-if="column === 'lately' || column === 'never'" class="nums">
            <template v-if="site[column] !== null">{{ $n(site[column]!) }}</template>
            <span v-else class="soft">{{ t('numbers.few') }}</span>
          </span>
          <span v-else class="nums">{{ $n(site[column as 'staff' | 'waiting']) }}</span>
        </template>
        <template #card="{ row: site }">
          <strong>{{ site.title }}</strong>
          <p class="card-line">
            <span class="soft">{{ site.term }}</span><SeatMeter :held="site.learners" :seats="site.seats" />
          </p>
        </template>
      </DataRows>
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 12px;
  align-content: start;
}
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.last {
  margin-left: auto;
}
.state {
  display: inline-block;
  vertical-align: -3px;
  margin-right: 8px;
}
section {
  display: grid;
  gap: 6px;
}
</style>
