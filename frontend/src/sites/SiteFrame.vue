<script setup lang="ts">
import DayField from '@/ui/DayField.vue'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useI18n } from 'vue-i18n'
import { api, Problem, take, type Site } from '@/shared/api'
import { day, lastDay } from '@/shared/sentences'
import { done, refreshSite, wentWrong } from '@/shared/undo'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import SeatMeter from '@/ui/SeatMeter.vue'
import Trouble from '@/ui/Trouble.vue'
import SeenAs from './SeenAs.vue'
import { useSite } from './site'

const { t } = useI18n()
const route = useRoute()
const router = useRouter()
const id = computed(() => String(route.params.site))
const { site, error, refetch, may } = useSite(id)
const asking = ref(false)
const choosing = ref(false)
const busy = ref(false)
const on = ref('')
const wrongDay = ref('')
const dayOf = (instant: string | null) => day(instant, site.value?.timeZone ?? 'UTC')
const next = computed(() => (site.value?.state === 'open' ? 'closed' : 'open'))

// Who may not see the roster is shown the way in instead; through other eyes, inside the same frame.
watch(
  site,
  (now) =>
    now &&
    !now.may.includes('see-roster') &&
    router.replace({ name: now.seenAs ? 'seen' : 'landing', params: { site: now.id } }),
)
watch(site, (now) => now && (document.title = `${now.title} · Mint Door`))

async function live(state: Site['state'], planned = '') {
  if (!site.value) return
  busy.value = true
  wrongDay.value = ''
  try {
    const changed = await take(
      api.PUT('/sites/{site}/life', {
        params: { path: { site: id.value }, header: { 'If-Match': `"${site.value.version}"` } },
        body: { state, on: planned || null },
      }),
    )
    asking.value = false
    await refreshSite()
    const when = state === 'open' ? changed.opensAt : changed.closesAt
    done(
      planned
        ? t('site.planned.' + state, {
            title: changed.title,
            day: state === 'open' ? dayOf(when) : lastDay(when, changed.timeZone),
          })
        : t('site.did.' + state, { title: changed.title }),
      { site: id.value, entry: changed.entry },
    )
    on.value = ''
  } catch (thrown) {
    wrongDay.value = (thrown instanceof Problem && thrown.field('on')) || ''
    if (!wrongDay.value) {
      wentWrong(thrown)
      await refetch()
    }
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div v-if="error" class="page"><Trouble :error="error" @again="refetch()" /></div>
  <div v-else-if="site && (site.may.includes('see-roster') || site.seenAs)" class="inside">
    <header class="frame no-print" :class="[site.state, { other: site.seenAs }]">
      <div class="lintel">
        <DoorGlyph :state="site.state" />
        <h1>{{ site.title }}</h1>
        <span class="num soft">{{ site.code }}</span>
        <span class="facts">
          {{ site.division.name }} · {{ site.term.name }} ·
          {{ site.levels ? $t('site.levels', site.levels) : $t('sites.allLevels') }} ·
          <strong>{{ $t('siteState.' + site.state) }}</strong><template v-if="site.state === 'draft' && site.opensAt"
            >, {{ $t('site.opens', { day: day(site.opensAt, site.timeZone) }) }}</template
          ><template v-else-if="site.state === 'open' && site.closesAt"
            >, {{ $t('site.closes', { day: lastDay(site.closesAt, site.timeZone) }) }}</template
          >
        </span>
        <span class="seats"
          ><template v-if="site.seats"
            ><span class="soft">{{ $t('site.seats') }}</span> {{ ' '
            }}<SeatMeter :held="site.learners" :seats="site.seats" /></template
          ><template v-else>{{ $t('site.unlimited', { n: $n(site.learners) }, site.learners) }}</template></span
        >
      </div>
      <div class="sill">
        <nav :aria-label="site.title">
          <RouterLink v-if="may('see-roster')" :to="{ name: 'roster', params: { site: id } }" exact-active-class="on">{{
            $t('site.roster')
          }}</RouterLink>
          <RouterLink
            v-if="may('keep-doors') && !site.seenAs"
            :to="{ name: 'doors', params: { site: id } }"
            active-class="on"
            >{{ $t('site.doors') }}</RouterLink
          >
          <RouterLink
            v-if="may('let-in') && !site.seenAs"
            :to="{ name: 'first-day-check', params: { site: id } }"
            active-class="on"
            >{{ $t('site.firstDayCheck') }}</RouterLink
          >
          <RouterLink v-if="may('see-history')" :to="{ name: 'history', params: { site: id } }" active-class="on">{{
            $t('site.history')
          }}</RouterLink>
          <RouterLink
            v-if="may('write-to-people') && !site.seenAs"
            :to="{ name: 'messages', params: { part: 'messages' }, query: { site: id } }"
            >{{ $t('site.messages') }}</RouterLink
          >
          <RouterLink
            v-if="may('run-site') && !site.seenAs"
            :to="{ name: 'settings', params: { site: id } }"
            active-class="on"
            >{{ $t('site.settings') }}</RouterLink
          >
          <RouterLink v-if="site.seenAs" :to="{ name: 'seen', params: { site: id } }" active-class="on">{{
            $t('seeAs.inside')
          }}</RouterLink>
          <RouterLink v-else-if="site.standing" :to="{ name: 'landing', params: { site: id } }">{{
            $t('site.goIn')
          }}</RouterLink>
        </nav>
        <button v-if="may('see-as') && !site.seenAs && !choosing" class="word" @click="choosing = true">
          {{ $t('seeAs.start') }}
        </button>
        <span v-if="site.administrator && !site.standing" class="soft">{{ $t('site.asAdmin') }}</span>
        <template v-if="may('run-site') && !site.seenAs">
          <span v-if="asking" class="ask" role="alert">
            {{
              on
                ? $t(next === 'open' ? 'site.willOpenOn' : 'site.willCloseOn')
                : next === 'open'
                  ? $t('site.willOpen', { n: site.learners }, site.learners)
                  : $t('site.willClose')
            }}
            <DayField
              v-model="on"
              shown
              :label="$t(next === 'open' ? 'site.onDay' : 'site.afterDay')"
              :zone="site.timeZone"
              :invalid="!!wrongDay"
            />
            {{ ' ' }}<span class="soft">{{ $t('card.ask.fromNow') }}</span>
            <span v-if="wrongDay" class="clay">{{ wrongDay }}</span>
            <Button
              size="small"
              :disabled="busy"
              :severity="next === 'open' ? undefined : 'danger'"
              :label="
                $t('site.sure.' + (on ? (next === 'open' ? 'openOn' : 'closeOn') : next === 'open' ? 'open' : 'close'))
              "
              @click="live(next, on)"
            />
            <button class="word" @click="asking = false">{{ $t('site.sure.no') }}</button>
          </span>
          <button
            v-if="!asking && site.state === 'draft' && site.opensAt"
            class="word"
            :disabled="busy"
            @click="live('draft')"
          >
            {{ $t('site.stayDraft') }}
          </button>
          <button v-if="!asking" class="word" @click="asking = true">
            {{ $t(site.state === 'open' ? 'site.close' : site.state === 'draft' ? 'site.open' : 'site.openAgain') }}
          </button>
        </template>
      </div>
      <SeenAs v-model:choosing="choosing" :site="site" />
    </header>
    <RouterView v-slot="{ Component }"
      ><component :is="Component" :key="id + (site.seenAs?.as ?? '')" :site="site"
    /></RouterView>
  </div>
  <div v-else class="page" aria-busy="true">
    <span class="skeleton" style="display: block; width: 320px; height: 28px" />
  </div>
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
.sill nav {
  display: flex;
  gap: 18px;
  margin-right: auto;
}
.sill nav a {
  text-decoration: none;
  color: var(--ink);
  font-weight: 600;
  padding: 3px 0 5px;
  border-bottom: 3px solid transparent;
}
.sill nav a.on {
  border-color: var(--spruce);
}
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
}
@media (max-width: 760px) {
  .frame {
    margin: 8px 8px 0;
  }
  .seats {
    margin-left: 0;
  }
}
</style>
