<script setup lang="ts">
import MeterGroup from 'primevue/metergroup'
import { computed } from 'vue'

/** What a whole is made of: a bar in parts, each with its number and words beside its colour. */
export interface Share {
  words: string
  n: number
  colour: 'spruce' | 'mint' | 'brass' | 'clay' | 'soft' | 'line'
}
const props = defineProps<{ shares: Share[]; bare?: boolean }>()
const parts = computed(() => props.shares.filter(({ n }) => n > 0))
const whole = computed(() =>
  Math.max(
    1,
    parts.value.reduce((sum, { n }) => sum + n, 0),
  ),
)
const value = computed(() =>
  parts.value.map(({ words, n, colour }) => ({ label: words, value: n, color: `var(--${colour})` })),
)
/** It measures several things, which is no meter: it is a picture of what its words say. */
const asPicture = computed(() => ({
  role: 'img',
  'aria-label': parts.value.map(({ words }) => words).join(', '),
  'aria-valuemin': null,
  'aria-valuemax': null,
  'aria-valuenow': null,
}))
</script>

<template>
  <div class="share">
    <MeterGroup :value="value" :max="whole" :pt="{ root: asPicture }">
      <template #label>
        <ul v-if="!bare">
          <li v-for="part in parts" :key="part.words">
            <span class="spot" :style="{ background: `var(--${part.colour})` }" />{{ part.words }}
          </li>
        </ul>
        <span v-else />
      </template>
    </MeterGroup>
  </div>
</template>

<style scoped>
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  gap: 7px;
  align-items: center;
}
.spot {
  width: 11px;
  height: 11px;
  border-radius: 2px;
  border: 1px solid var(--soft);
}
</style>
