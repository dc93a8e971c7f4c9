<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useMediaQuery } from '@vueuse/core'
import Button from 'primevue/button'
import { computed, defineAsyncComponent, ref } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { dayAndTime } from '@/shared/sentences'
import { done, refreshSite } from '@/shared/undo'
import { t } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'
import PlanOutcome from './PlanOutcome.vue'
import PlanSections from './PlanSections.vue'
import PlanWishes from './PlanWishes.vue'
import PlanWith from './PlanWith.vue'

const PlanForm = defineAsyncComponent(() => import('./PlanForm.vue'))

/** Who is to go into which section of a site: asked, wished, computed, and carried out. */
const props = defineProps<{ site: Site }>()
const narrow = useMediaQuery('(max-width: 760px)')
const path = computed(() => ({ path: { site: props.site.id } }))
const { data, error, refetch } = useQuery({
  queryKey: ['plan', computed(() => props.site.id)],
  queryFn: () => take(api.GET('/sites/{site}/plan', { params: path.value })),
  refetchInterval: ({ state }) => {
    const now = state.data?.plan
    return now?.state === 'computing' ? 1_000 : now?.asks ? 15_000 : false
  },
})
const plan = computed(() => data.value?.plan)
const mayChange = computed(() => !props.site.seenAs)
const forming = ref(false)
/** Wishes come first, where there are to be any. */
const wishing = computed(() => !!plan.value?.asks || !!plan.value?.comes)
/** So many are put there while one waits. */
const AT_ONCE = 200
const { busy, run } = useBusy()
const act = (what: 'compute' | 'stop' | 'close' | 'reminders', sentence = '') =>
  run(async () => {
    const request = {
      compute: () => api.POST('/sites/{site}/plan/compute', { params: path.value }),
      stop: () => api.POST('/sites/{site}/plan/stop', { params: path.value }),
      close: () => api.POST('/sites/{site}/plan/close', { params: path.value }),
      reminders: () => api.POST('/sites/{site}/plan/reminders', { params: path.value }),
    }[what]
    await take(request())
    if (sentence) done(sentence)
    await refreshSite()
  })
const apply = () =>
  run(async () => {
    const n = plan.value!.outcome!.moves
    const answer = await take(
      api.POST('/sites/{site}/plan/apply', {
        params: { ...path.value, header: { 'If-Match': `"${plan.value!.version}"` } },
      }),
    )
    // What a worker does is taken back where the changes are.
    const here = n <= AT_ONCE ? { site: props.site.id, changeList: answer.plan?.changeList ?? null } : undefined
    done(t(here ? 'plans.did' : 'plans.didBegin', { n }, n), here)
    await refreshSite()
  })
const asking = ref(false)
const drop = () =>
  run(async () => {
    await take(api.DELETE('/sites/{site}/plan', { params: path.value }))
    asking.value = false
    done(t('plans.didDrop'))
    await refreshSite()
  })
const back = () =>
  run(async () => {
    await take(api.POST('/sites/{site}/plan/back', { params: path.value }))
    done(t('plans.didBack'))
    await refreshSite()
  })
const at = (instant?: string | null) => (instant ? dayAndTime(instant, props.site.timeZone) : '')
const drawn = computed(() => at(plan.value?.drawnAt))
</script>

<template>
  <div class="below">
    <div v-show="!narrow || !forming" class="plan">
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="data">
        <header>
          <h2>{{ t('plans.title') }}</h2>
          <Button
            v-if="mayChange && plan && !forming"
            size="small"
            variant="outlined"
            :disabled="plan.state === 'computing'"
            :label="t('plans.change')"
            @click="forming = true"
          />
          <button v-if="mayChange && plan && !asking" class="word" @click="asking = true">{{ t('plans.drop') }}</button>
          <RouterLink :to="{ name: 'sections', params: { site: site.id } }">{{ t('plans.sections') }}</RouterLink>
        </header>
        <p v-if="asking" class="ask" role="alert">
          {{ t('plans.dropSure', { n: plan?.answered ?? 0 }, plan?.answered ?? 0) }} {{ t('plans.dropUntil') }}
          <Button size="small" severity="danger" :disabled="busy" :label="t('plans.dropYes')" @click="drop" />
          <button class="word" @click="asking = false">{{ t('parts.cancel') }}</button>
        </p>
        <template v-if="!plan">
          <p v-if="data.awayAt" class="away">
            {{ t('plans.away', { n: data.awayAnswered, at: at(data.awayAt) }, data.awayAnswered) }}
            {{ t('plans.awayMore') }}
            <Button
              v-if="mayChange"
              size="small"
              variant="outlined"
              :disabled="busy"
              :label="t('plans.back')"
              @click="back"
            />
          </p>
          <p class="empty">{{ t('plans.empty') }} {{ t('plans.emptyMore') }}</p>
          <p>
            <Button
              v-if="mayChange && data.sections.length && !forming"
              :label="t('plans.begin')"
              @click="forming = true"
            />
            <template v-else-if="!data.sections.length">{{ t('plans.noSections') }}</template>
          </p>
        </template>
        <template v-else>
          <PlanSections :plan="data" />
          <PlanWith :site="site" :plan="plan" :may-change="mayChange" />
          <PlanWishes
            :site="site"
            :plan="plan"
            :busy="busy"
            :may-change="mayChange"
            @close="act('close', t('plans.wishes.didClose'))"
            @remind="act('reminders', t('plans.wishes.didRemind'))"
          />
          <PlanOutcome
            :site="site"
            :plan="plan"
            :sections="data.sections"
            :busy="busy"
            :may-change="mayChange"
            :wishing="wishing"
            :drawn="drawn"
            @compute="act('compute')"
            @stop="act('stop')"
            @apply="apply"
          />
        </template>
      </template>
    </div>
    <PlanForm
      v-if="forming && data"
      :key="plan?.version ?? 1"
      :site="site"
      :plan="data"
      :drawn="drawn"
      @close="forming = false"
    />
  </div>
</template>

<style scoped>
.plan {
  flex: 1;
  min-width: 0;
  display: grid;
  gap: 18px;
  align-content: start;
  overflow: auto;
  padding: 10px 2px 12px;
}
header,
.away,
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
}
h2 {
  font-size: 1.2rem;
}
.ask {
  border-left: 4px solid var(--clay);
  padding: 6px 12px;
}
.empty {
  max-width: 62ch;
  font-size: 1.05rem;
}
</style>
