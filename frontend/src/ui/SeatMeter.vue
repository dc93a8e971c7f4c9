<script setup lang="ts">
import { computed } from 'vue'
import { t } from '@/shared/words'

/** How many seats are held, of how many: a short bar and the numbers. */
const props = defineProps<{ held: number; seats: number | null; bare?: boolean }>()
const share = computed(() => (props.seats ? Math.min(1, props.held / props.seats) : 0))
</script>

<template>
  <span class="meter nums">
    <svg v-if="seats && !bare" viewBox="0 0 60 8" width="60" height="8" aria-hidden="true">
      <rect width="60" height="8" rx="2" class="all" />
      <rect :width="60 * share" height="8" rx="2" :class="{ brim: share >= 0.95 }" class="held" />
    </svg>
    <span>{{ seats ? t('sites.seats', { held: $n(held), seats: $n(seats) }) : $n(held) }}</span>
    <span v-if="seats && held >= seats" class="brass">{{ t('sites.full') }}</span>
  </span>
</template>

<style scoped>
.meter {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  white-space: nowrap;
}
.all {
  fill: var(--line);
}
.held {
  fill: var(--spruce);
}
.brim {
  fill: var(--brass);
}
</style>
