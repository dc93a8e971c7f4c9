<script setup lang="ts">
import { computed } from 'vue'
import { t } from '@/shared/words'
import { useOwnWishes } from './ownWishes'
import { untilOf } from './plans'

/** That somebody may say which section they would like, or that it was decided. */
const { data } = useOwnWishes()
const asked = computed(() => (data.value?.items ?? []).filter(({ asks, saidAt }) => asks && !saidAt))
const others = computed(() => (data.value?.items ?? []).filter((each) => !asked.value.includes(each)))
</script>

<template>
  <section v-if="data?.items.length" :aria-label="t('plans.own.title')">
    <p v-for="each in asked" :key="each.plan" class="asked">
      <strong>{{ each.site.name }}</strong>
      <span>{{ t('plans.own.ask', { at: untilOf(each.closesAt!, each.timeZone) }) }}</span>
      <RouterLink to="/wishes"
        >{{ t('plans.own.open') }}<span class="unseen">: {{ each.site.name }}</span></RouterLink
      >
    </p>
    <p v-if="!asked.length && others.length">
      <RouterLink to="/wishes">{{ t('plans.own.title') }}</RouterLink>
    </p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}
.asked {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
  border-left: 4px solid var(--brass);
  background: var(--brass-pale);
  border-radius: 0 6px 6px 0;
  padding: 10px 14px;
}
</style>
