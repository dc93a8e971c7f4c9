<script setup lang="ts">
import Button from 'primevue/button'
import ProgressBar from 'primevue/progressbar'
import { computed, ref } from 'vue'
import type { Site } from '@/shared/api'
import { t } from '@/shared/words'
import ShareBar, { type Share } from '@/ui/ShareBar.vue'
import PlannedPeople from './PlannedPeople.vue'
import WhatIf from './WhatIf.vue'
import { betterOf, nthWish, sharesOf, type Plan, type PlanSection } from './plans'

/** The plan as it is computed: how good it is, for whom there is no place, and who goes where. */
const props = defineProps<{
  site: Site
  plan: Plan
  sections: PlanSection[]
  busy: boolean
  mayChange: boolean
  /** Whether wishes are or will be asked for, so that it is too early. */
  wishing: boolean
  drawn: string
}>()
defineEmits<{ compute: []; stop: []; apply: [] }>()
const trying = ref(false)
const outcome = computed(() => props.plan.outcome)
const wishes = computed(() => (outcome.value ? sharesOf(outcome.value) : []))
const COLOURS = ['spruce', 'mint', 'brass'] as const
const shares = computed<Share[]>(() => {
  if (!outcome.value) return []
  const { nowhere, unnamed, wishless, stays } = outcome.value.because
  return [
    ...wishes.value.map(({ wish, people, share }, place) => ({
      words: t('plans.outcome.wish', { n: people, wish: nthWish(wish), share }, people),
      n: people,
      colour: COLOURS[Math.min(place, COLOURS.length - 1)]!,
    })),
    {
      words: t(
        'plans.outcome.makesRoom',
        { n: outcome.value.because['makes-room'] },
        outcome.value.because['makes-room'],
      ),
      n: outcome.value.because['makes-room'],
      colour: 'brass',
    },
    { words: t('plans.outcome.unnamed', { n: unnamed }, unnamed), n: unnamed, colour: 'clay' },
    { words: t('plans.outcome.wishless', { n: wishless }, wishless), n: wishless, colour: 'soft' },
    { words: t('plans.outcome.stays', { n: stays }, stays), n: stays, colour: 'line' },
    { words: t('plans.outcome.nowhere', { n: nowhere }, nowhere), n: nowhere, colour: 'clay' },
  ]
})
/** The worst that anybody who has a place got. */
const worst = computed(() => {
  const { unnamed = 0, nowhere = 0 } = outcome.value?.because ?? {}
  const last = wishes.value.at(-1)?.wish
  return !last || unnamed || nowhere
    ? ''
    : last === 1
      ? t('plans.outcome.allFirst')
      : t('plans.outcome.worst', { wish: nthWish(last) })
})
/** How good it is, as far as that is known. */
const how = computed(() => {
  const { better = null, proven = false } = outcome.value ?? {}
  if (better === null) return t(proven ? 'plans.outcome.proven' : 'plans.outcome.stopped')
  return better ? t('plans.outcome.better', { share: betterOf(better) }) : t('plans.outcome.best')
})
const canApply = computed(
  () =>
    !!outcome.value?.moves &&
    (props.plan.state === 'computed' || (props.plan.state === 'applied' && props.plan.undone)),
)
const share = computed(() => (props.plan.steps ? Math.round((100 * props.plan.done) / props.plan.steps) : 0))
const record = computed(() => `/api/v1/sites/${props.site.id}/plan/record`)
</script>

<template>
  <section :aria-label="t('plans.outcome.title')">
    <h3>{{ t('plans.outcome.title') }}</h3>
    <template v-if="plan.state === 'computing'">
      <p role="status">
        {{ t('plans.outcome.computing', { done: $n(plan.done), of: plan.steps ? $n(plan.steps) : '…' }) }}
      </p>
      <div class="shares"><ProgressBar :value="share" :aria-label="t('plans.outcome.title')" /></div>
      <p v-if="mayChange">
        <Button
          size="small"
          variant="outlined"
          :disabled="busy"
          :label="t('plans.outcome.stop')"
          @click="$emit('stop')"
        />
      </p>
    </template>
    <template v-else-if="!outcome">
      <p>{{ t(wishing ? 'plans.outcome.early' : 'plans.outcome.none') }}</p>
      <p v-if="mayChange && !wishing">
        <Button size="small" :disabled="busy" :label="t('plans.outcome.compute')" @click="$emit('compute')" />
      </p>
    </template>
    <template v-else>
      <div class="shares"><ShareBar :shares="shares" /></div>
      <p>
        {{ worst }} {{ how }}
        <template v-if="plan.state === 'applied' && !plan.undone && plan.changeList">
          <strong>{{ t('plans.outcome.applied') }}</strong>
          {{ ' ' }}
          <RouterLink :to="{ name: 'change-list', params: { changeList: plan.changeList } }">{{
            t('plans.outcome.list')
          }}</RouterLink>
        </template>
        <strong v-else-if="!outcome.moves">{{ t('plans.outcome.allThere') }}</strong>
      </p>
      <p v-if="mayChange" class="acts">
        <Button
          v-if="canApply"
          size="small"
          :disabled="busy"
          :label="t('plans.outcome.apply', { n: outcome.moves }, outcome.moves)"
          @click="$emit('apply')"
        />
        <Button
          size="small"
          variant="outlined"
          :disabled="busy || wishing"
          :label="t('plans.outcome.again')"
          @click="$emit('compute')"
        />
      </p>
      <p v-if="mayChange && !wishing">
        <button class="word" :aria-expanded="trying" @click="trying = !trying">{{ t('plans.whatIf.title') }}</button>
      </p>
      <WhatIf v-if="trying" :key="plan.version" :site="site" :outcome="outcome" :sections="sections" />
      <PlannedPeople :site="site" :plan="plan" :sections="sections" :may-change="mayChange" />
      <p class="soft">
        {{ t('plans.outcome.lot', { at: drawn }) }} <span class="key">{{ plan.seed }}</span> ·
        <a :href="record" download>{{ t('plans.outcome.record') }}</a>
      </p>
    </template>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}
h3 {
  font-size: 1.05rem;
}
.shares {
  max-width: 760px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
.key {
  font-family: var(--mono);
  font-size: 0.88rem;
  overflow-wrap: anywhere;
}
</style>
