<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import type { Site } from '@/shared/api'
import { day, dayAndTime } from '@/shared/sentences'
import { untilOf } from '@/shared/until'
import { t } from '@/shared/words'
import ShareBar from '@/ui/ShareBar.vue'
import type { Plan } from './plans'

/** How many have said what they wish, as it comes in; nobody's own wishes. */
const props = defineProps<{ site: Site; plan: Plan; busy: boolean; mayChange: boolean }>()
defineEmits<{ close: []; remind: [] }>()
const silent = computed(() => props.plan.asked - props.plan.answered)
const state = computed(() => {
  const { wishesFrom, closesAt, asks, comes } = props.plan
  if (!closesAt) return t('plans.wishes.none')
  const at = untilOf(closesAt, props.site.timeZone)
  if (asks) return t('plans.wishes.open', { at })
  return comes
    ? t('plans.wishes.later', { day: day(`${wishesFrom}T12:00:00Z`, 'UTC'), at })
    : t('plans.wishes.closed', { at })
})
const shares = computed(() => [
  {
    words: t('plans.wishes.said', { n: props.plan.answered }, props.plan.answered),
    n: props.plan.answered,
    colour: 'spruce' as const,
  },
  { words: t('plans.wishes.silent', { n: silent.value }, silent.value), n: silent.value, colour: 'line' as const },
])
</script>

<template>
  <section :aria-label="t('plans.wishes.title')">
    <h3>{{ t('plans.wishes.title') }}</h3>
    <p>{{ state }}</p>
    <div v-if="plan.closesAt" class="shares"><ShareBar :shares="shares" /></div>
    <p v-if="mayChange && plan.asks" class="acts">
      <Button
        v-if="silent"
        size="small"
        :disabled="busy"
        :label="t('plans.wishes.remind', { n: silent }, silent)"
        @click="$emit('remind')"
      />
      <Button
        size="small"
        variant="outlined"
        :disabled="busy"
        :label="t('plans.wishes.close')"
        @click="$emit('close')"
      />
      <span v-if="plan.remindedAt" class="soft">{{
        t('plans.wishes.reminded', { at: dayAndTime(plan.remindedAt, site.timeZone) })
      }}</span>
    </p>
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
</style>
