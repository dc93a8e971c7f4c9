<script setup lang="ts">
import { computed, watch } from 'vue'
import { useRoute } from 'vue-router'
import { guiding } from '@/shared/guiding'
import { t } from '@/shared/words'
import { useFirstSteps } from '@/desk/firstSteps'

/** Leads back to the first steps from the pages they lead to. */
const route = useRoute()
const { steps, open, refetch } = useFirstSteps()
watch(
  () => route.path,
  () => void refetch(),
)
const next = computed(() => open.value[0])
</script>

<template>
  <p v-if="steps.length" class="way-back no-print" role="status">
    <RouterLink :to="{ name: 'first-steps', params: { step: next } }">{{
      next
        ? t('firstSteps.goOn', { step: t(`firstSteps.step.${next}.short`), n: open.length }, open.length)
        : t('firstSteps.all')
    }}</RouterLink>
    <button class="word" @click="guiding = false">{{ t('firstSteps.hide') }}</button>
  </p>
</template>

<style scoped>
.way-back {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  justify-content: space-between;
  padding: 5px 20px;
  background: var(--brass-pale);
  border-bottom: 1px solid var(--line);
}
@media (max-width: 640px) {
  .way-back {
    padding: 5px 10px;
  }
}
</style>
