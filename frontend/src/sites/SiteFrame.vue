<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import Skeleton from 'primevue/skeleton'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { Problem } from '@/shared/api'
import { day, lastDay } from '@/shared/sentences'
import { platformName } from '@/shared/appearance'
import { dotted } from '@/shared/lists'
import { useLevels } from '@/shared/levels'
import { t } from '@/shared/words'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import SeatMeter from '@/ui/SeatMeter.vue'
import { provideTerm } from '@/ui/term'
import Trouble from '@/ui/Trouble.vue'
import SeenAs from './SeenAs.vue'
import SiteLife from './SiteLife.vue'
import SitePages from './SitePages.vue'
import HelpWord from '@/ui/HelpWord.vue'
import { useSite } from './site'

/** The door frame around the pages of a site: what it is, how many are in, its pages; on a phone folded to a line. */
const route = useRoute()
const router = useRouter()
const id = computed(() => String(route.params.site))
const { site, error, refetch, may } = useSite(id)
const choosing = ref(false)
const narrow = useMediaQuery('(max-width: 640px)')
const unfolded = ref(false)
watch(
  () => route.name,
  () => (unfolded.value = false),
)
// The letter t in a field for a day is the first day of this site's term, as long as it is to come.
provideTerm(() => site.value?.term ?? undefined)

// Who may not see the roster is shown the way in instead; through other eyes, inside the same frame.
watch(
  site,
  (now) =>
    now &&
    !now.may.includes('see-roster') &&
    router.replace({ name: now.seenAs ? 'seen' : 'landing', params: { site: now.id } }),
)
// What became part of another site is looked for there.
watch(error, (thrown) => {
  const now = thrown instanceof Problem ? thrown.document.now : undefined
  if (now) void router.replace({ name: 'roster', params: { site: now } })
})
watch(site, (now) => now && (document.title = `${now.title} · ${platformName.value}`))
const { levelBand } = useLevels()
</script>

<template>
  <div v-if="error" class="page"><Trouble :error="error" @again="refetch()" /></div>
  <div v-else-if="site && (site.may.includes('see-roster') || site.seenAs)" class="inside">
    <header class="frame no-print" :class="[site.state, { other: site.seenAs }]">
      <div class="lintel">
        <DoorGlyph :state="site.state" />
        <h1>{{ site.title }}</h1>
        <template v-if="!narrow || unfolded">
          <span class="num soft">{{ site.code }}</span>
          <span class="facts">
            {{ dotted(site.division.name, site.term?.name, levelBand(site.levels, site.division.code)) }} ·
            <strong
              ><HelpWord v-if="site.state === 'draft'" term="draft">{{ t('siteState.draft') }}</HelpWord
              ><template v-else>{{ t(`siteState.${site.state}`) }}</template></strong
            ><template v-if="site.state === 'draft' && site.opensAt"
              >, {{ t('site.opens', { day: day(site.opensAt, site.timeZone) }) }}</template
            ><template v-else-if="site.state === 'open' && site.closesAt"
              >, {{ t('site.closes', { day: lastDay(site.closesAt, site.timeZone) }) }}</template
            >
          </span>
        </template>
        <span class="seats"
          ><template v-if="site.seats"
            ><span v-if="!narrow" class="soft">{{ t('site.seats') }}</span> {{ ' '
            }}<SeatMeter :held="site.learners" :seats="site.seats" :bare="narrow" /></template
          ><template v-else>{{ t('site.unlimited', { n: $n(site.learners) }, site.learners) }}</template></span
        >
        <button
          v-if="narrow"
          class="word fold"
          :aria-expanded="unfolded"
          :aria-label="t('site.unfold')"
          @click="unfolded = !unfolded"
        >
          {{ t(unfolded ? 'site.less' : 'site.more') }}
        </button>
      </div>
      <div v-if="!narrow || unfolded" class="sill">
        <SitePages :site="site" />
        <button v-if="may('see-as') && !site.seenAs && !choosing" class="word" @click="choosing = true">
          {{ t('seeAs.start') }}
        </button>
        <span v-if="site.administrator && !site.standing" class="soft">{{ t('site.asAdmin') }}</span>
        <SiteLife v-if="may('run-site') && !site.seenAs" :site="site" :reload="refetch" />
      </div>
      <SeenAs v-model:choosing="choosing" :site="site" />
    </header>
    <RouterView v-slot="{ Component }"
      ><component :is="Component" :key="id + (site.seenAs?.as ?? '')" :site="site"
    /></RouterView>
  </div>
  <div v-else class="page" aria-busy="true"><Skeleton width="320px" height="28px" /></div>
</template>

<style scoped>
.inside {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
}
.frame {
  margin: 8px 20px 0;
  border: 2px solid var(--spruce);
  border-bottom: 0;
  padding: 8px 14px 0;
  border-radius: 6px 6px 0 0;
  background: var(--sheet);
}
.frame.draft {
  border-color: var(--brass);
}
.frame.other {
  border-style: dashed;
  border-color: var(--brass);
}
.frame.closed {
  border-color: var(--soft);
}
.lintel {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}
h1 {
  font-size: 1.35rem;
  overflow-wrap: anywhere;
}
.facts {
  color: var(--ink);
}
.seats {
  margin-left: auto;
  display: flex;
  gap: 8px;
  align-items: center;
}
.sill {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
  padding-top: 3px;
}
.sill > nav {
  margin-right: auto;
}
.fold {
  padding: 6px 9px;
}
@media (max-width: 760px) {
  .frame {
    margin: 6px 8px 0;
  }
}
@media (max-width: 640px) {
  .frame {
    padding: 2px 10px 0;
  }
  h1 {
    font-size: 1.1rem;
    flex: 1;
    min-width: 0;
  }
  .lintel:not(:has(.facts)) {
    flex-wrap: nowrap;
  }
  .lintel:not(:has(.facts)) h1 {
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .facts {
    order: 3;
    width: 100%;
  }
  .sill > nav {
    width: 100%;
  }
}
</style>
