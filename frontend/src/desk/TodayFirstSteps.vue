<script setup lang="ts">
import { computed } from 'vue'
import type { FirstSteps } from '@/shared/api'
import { t } from '@/shared/words'

/** What the platform still misses on the way to its first class. */
const props = defineProps<{ steps: FirstSteps }>()
const open = computed(() => props.steps.steps.filter(({ state }) => state === 'open'))
</script>

<template>
  <section v-if="open.length" aria-labelledby="today-first-steps">
    <h2 id="today-first-steps">{{ t('firstSteps.title') }}</h2>
    <p class="soft">{{ t('firstSteps.today') }}</p>
    <ul>
      <li v-for="{ step } in open" :key="step">
        <RouterLink :to="{ name: 'first-steps', params: { step } }">{{
          t(`firstSteps.step.${step}.title`)
        }}</RouterLink>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
</style>
