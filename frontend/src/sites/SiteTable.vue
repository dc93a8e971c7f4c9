<script setup lang="ts">
import Tick from '@/ui/Tick.vue'
import type { SiteSummary } from '@/shared/api'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import SeatMeter from '@/ui/SeatMeter.vue'

/** Sites in rows, of which some may be picked; without sites, where they will come. */
defineProps<{ sites: SiteSummary[] | null; name: string; picked: Set<string> }>()
defineEmits<{ pick: [site: string] }>()
</script>

<template>
  <div v-if="sites" class="rows" role="table" :aria-label="name">
    <div role="row" class="row head">
      <span role="columnheader"
        ><span class="unseen">{{ $t('siteChangeList.chosen', { n: picked.size }, picked.size) }}</span></span
      >
      <span v-for="col in ['title', 'division', 'term', 'levels', 'state', 'people']" :key="col" role="columnheader">{{
        $t('sites.col.' + col)
      }}</span>
    </div>
    <div v-for="site in sites" :key="site.id" role="row" class="row" :class="{ on: picked.has(site.id) }">
      <span role="cell" class="pick"
        ><Tick
          :model-value="picked.has(site.id)"
          :label="$t('siteChangeList.pick', { title: site.title })"
          @update:model-value="$emit('pick', site.id)"
      /></span>
      <span role="cell" class="title"
        ><RouterLink :to="{ name: 'roster', params: { site: site.id } }">{{ site.title }}</RouterLink> {{ ' '
        }}<span class="num soft">{{ site.code }}</span></span
      >
      <span role="cell">{{ site.division.name }}</span>
      <span role="cell">{{ site.term.name }}</span>
      <span role="cell" class="nums">{{ site.levels ? $t('sites.levels', site.levels) : $t('sites.allLevels') }}</span>
      <span role="cell" class="state"><DoorGlyph :state="site.state" />{{ $t('siteState.' + site.state) }}</span>
      <span role="cell"><SeatMeter :held="site.learners" :seats="site.seats" /></span>
    </div>
  </div>
  <div v-else class="rows" aria-hidden="true">
    <div v-for="n in 6" :key="n" class="row"><span class="skeleton" /></div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 18px minmax(200px, 2.4fr) 1.3fr 0.9fr 0.7fr 0.7fr 1.3fr;
  gap: 14px;
  align-items: center;
  padding: 7px 10px;
  border-bottom: 1px solid var(--line);
}
.row:not(.head):hover {
  background: var(--hover);
}
.row.on,
.row.on:hover {
  background: var(--brass-pale);
}
.head {
  font-weight: 600;
  font-size: 0.88rem;
  color: var(--soft);
  border-bottom: 2px solid var(--line);
}
.pick input {
  margin: 0;
}
.title a {
  font-weight: 600;
}
.state {
  display: flex;
  gap: 8px;
  align-items: center;
}
@media (max-width: 760px) {
  .row {
    grid-template-columns: 1fr auto;
    gap: 4px 10px;
  }
  .row > :nth-child(2) {
    grid-column: 1 / -1;
  }
  .row.head,
  .row > :nth-child(1),
  .row > :nth-child(4),
  .row > :nth-child(5) {
    display: none;
  }
}
</style>
