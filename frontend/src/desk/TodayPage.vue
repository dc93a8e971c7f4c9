<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Skeleton from 'primevue/skeleton'
import { computed, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, take } from '@/shared/api'
import { guiding } from '@/shared/guiding'
import { me } from '@/shared/me'
import { t } from '@/shared/words'
import OwnWaits from '@/doors/OwnWaits.vue'
import RegistrationsHint from '@/accounts/RegistrationsHint.vue'
import ApprovalsHint from '@/people/ApprovalsHint.vue'
import OwnGroupsHint from '@/groups/OwnGroupsHint.vue'
import OwnWishesHint from '@/plans/OwnWishesHint.vue'
import MySites from '@/sites/MySites.vue'
import Trouble from '@/ui/Trouble.vue'
import TodayChanged from './TodayChanged.vue'
import TodayComing from './TodayComing.vue'
import TodayDecisions from './TodayDecisions.vue'
import TodayFirstSteps from './TodayFirstSteps.vue'
import TodayFirstDay from './TodayFirstDay.vue'
import TodayPlatform from './TodayPlatform.vue'
import TodaySites from './TodaySites.vue'

/** Where everybody begins: what waits for them, what changes next, what others did, and their sites. */
const { data, error, refetch } = useQuery({
  queryKey: ['today'],
  queryFn: () => take(api.GET('/today')),
  refetchInterval: 60_000,
})
const { data: mine } = useQuery({
  queryKey: ['sites', 'today', 'in'],
  queryFn: () => take(api.GET('/sites', { params: { query: { scope: 'in', limit: 50 } } })),
})
const router = useRouter()
// An empty platform opens with its first steps, until somebody leaves them.
watch(data, (today) => {
  const steps = today?.platform?.firstSteps
  if (steps && !steps.begun && !guiding.value) void router.replace({ name: 'first-steps' })
})
const runs = computed(() => me.value?.mayMakeSites ?? false)
const quiet = computed(() => data.value?.decisions.length === 0)
</script>

<template>
  <div class="page today">
    <h1>{{ t('today.hello', { name: me?.name ?? '' }) }}</h1>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <div class="two" :class="{ one: !runs }">
      <div class="main">
        <template v-if="runs">
          <TodayFirstSteps v-if="data?.platform?.firstSteps" :steps="data.platform.firstSteps" />
          <ApprovalsHint />
          <RegistrationsHint />
          <p v-if="!data" aria-busy="true"><Skeleton height="90px" /></p>
          <template v-else>
            <TodayDecisions v-for="each in data.decisions" :key="each.kind" :decisions="each" />
          </template>
          <TodayFirstDay />
          <p v-if="quiet" class="soft">{{ t('today.nothing') }}</p>
        </template>
        <OwnWishesHint />
        <OwnGroupsHint />
        <OwnWaits />
        <section v-if="mine?.items.length" :aria-labelledby="'today-mine'">
          <h2 id="today-mine">{{ t('sites.in') }}</h2>
          <MySites :sites="mine.items" />
        </section>
        <section v-else-if="mine && !runs" class="first">
          <p>{{ t('today.noSites') }}</p>
        </section>
        <p v-if="!runs || mine?.items.length" class="ways">
          <RouterLink to="/join">{{ t('openDoors.withKey') }}</RouterLink>
          {{ ' ' }}<RouterLink to="/sites/open">{{ t('openDoors.title') }}</RouterLink>
        </p>
      </div>
      <aside v-if="runs && data" class="beside" :aria-label="t('today.beside')">
        <TodaySites />
        <TodayPlatform v-if="data.platform" :platform="data.platform" />
        <TodayComing :coming="data.coming" />
        <TodayChanged :today="data" />
      </aside>
    </div>
  </div>
</template>

<style scoped>
.today {
  display: grid;
  gap: 14px;
  align-content: start;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.7fr) minmax(280px, 1fr);
  gap: 32px;
  align-items: start;
}
.two.one {
  grid-template-columns: 1fr;
}
.main,
.beside {
  display: grid;
  gap: 20px;
  align-content: start;
  min-width: 0;
}
section {
  display: grid;
  gap: 10px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
}
@media (max-width: 860px) {
  .two {
    grid-template-columns: 1fr;
    gap: 22px;
  }
}
</style>
