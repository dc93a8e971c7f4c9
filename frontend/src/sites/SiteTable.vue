<script setup lang="ts">
import Skeleton from 'primevue/skeleton'
import type { SiteSummary } from '@/shared/api'
import { useLevels } from '@/shared/levels'
import { usePlatform } from '@/shared/platform'
import { t } from '@/shared/words'
import type { Columns } from '@/ui/columns'
import DataRows from '@/ui/DataRows.vue'
import GlyphMark from '@/ui/GlyphMark.vue'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import SeatMeter from '@/ui/SeatMeter.vue'

/** Sites in rows, of which some may be picked; without sites, where they will come. */
const props = defineProps<{ sites: SiteSummary[] | null; name: string; picked: Set<string>; columns: Columns }>()
const emit = defineEmits<{ pick: [site: string] }>()
function all() {
  const sites = props.sites ?? []
  const open = sites.filter((site) => !props.picked.has(site.id))
  for (const site of open.length ? open : sites) emit('pick', site.id)
}
const { levelBand } = useLevels()
const { glyphOf } = usePlatform()
</script>

<template>
  <DataRows
    v-if="sites"
    :rows="sites"
    :key-of="(site) => site.id"
    :columns="columns"
    :name="name"
    :chosen="picked"
    :pick-name="(site) => t('siteChangeList.pick', { title: site.title })"
    :all-name="t('sites.allHere')"
    @choose="(index) => sites?.[index] && emit('pick', sites[index].id)"
    @all="all"
  >
    <template #cell="{ row: site, column }">
      <template v-if="column === 'title'"
        ><GlyphMark class="of-kind" :name="glyphOf(site.kind)" :size="16" /><RouterLink
          class="title"
          :to="{ name: 'roster', params: { site: site.id } }"
          >{{ site.title }}</RouterLink
        >
        {{ ' ' }}<span class="num soft">{{ site.code }}</span></template
      >
      <template v-else-if="column === 'division'">{{ site.division.name }}</template>
      <template v-else-if="column === 'term'">{{ site.term?.name }}</template>
      <span v-else-if="column === 'levels'" class="nums">{{ levelBand(site.levels, site.division.code, true) }}</span>
      <span v-else-if="column === 'state'" class="state"
        ><DoorGlyph :state="site.state" />{{ t(`siteState.${site.state}`) }}</span
      >
      <SeatMeter v-else :held="site.learners" :seats="site.seats" />
    </template>
    <template #card="{ row: site }">
      <RouterLink class="title" :to="{ name: 'roster', params: { site: site.id } }">{{ site.title }}</RouterLink>
      <p class="card-line">
        <span class="state soft"><DoorGlyph :state="site.state" />{{ site.term?.name }}</span
        ><SeatMeter :held="site.learners" :seats="site.seats" />
      </p>
    </template>
  </DataRows>
  <div v-else aria-hidden="true">
    <p v-for="n in 6" :key="n" class="waiting"><Skeleton height="16px" /></p>
  </div>
</template>

<style scoped>
.of-kind {
  vertical-align: -3px;
  margin-right: 6px;
}
.title {
  font-weight: 600;
}
.state {
  display: flex;
  gap: 8px;
  align-items: center;
}
.card-line {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
.waiting {
  padding: 9px 10px;
}
</style>
