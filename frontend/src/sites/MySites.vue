<script setup lang="ts">
import type { SiteSummary } from '@/shared/api'
import { dotted } from '@/shared/lists'
import { t } from '@/shared/words'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import ReasonLine from '@/ui/ReasonLine.vue'

/** The sites somebody is in, each with whether they can enter, and if not why and when. Made for a phone first. */
defineProps<{ sites: SiteSummary[] }>()
</script>

<template>
  <ul class="mine">
    <li v-for="site in sites" :key="site.id">
      <div class="top">
        <DoorGlyph :state="site.state" />
        <div>
          <h2>{{ site.title }}</h2>
          <p class="soft">{{ dotted(site.division.name, site.term?.name, t(`siteState.${site.state}`)) }}</p>
        </div>
      </div>
      <ReasonLine v-if="site.mine" :reason="site.mine.reason" :zone="site.timeZone" who="you" />
      <RouterLink
        v-if="site.mine && site.mine.reason.entry !== 'no'"
        class="go"
        :to="{ name: 'landing', params: { site: site.id } }"
      >
        {{ t(site.mine.reason.entry === 'enter' ? 'sites.enter' : 'sites.look')
        }}<span class="unseen">: {{ site.title }}</span>
      </RouterLink>
    </li>
  </ul>
</template>

<style scoped>
.mine {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(340px, 100%), 1fr));
  gap: 14px;
}
li {
  display: grid;
  gap: 10px;
  align-content: start;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 14px;
}
.top {
  display: flex;
  gap: 12px;
}
.go {
  justify-self: start;
  background: var(--spruce);
  color: var(--on-spruce);
  font-weight: 600;
  padding: 8px 20px;
  border-radius: 4px;
  text-decoration: none;
}
</style>
