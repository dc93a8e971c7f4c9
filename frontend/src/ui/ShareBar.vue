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
const said = computed(() => parts.value.map(({ words }) => words).join(', '))
</script>

<template>
  <div class="share" :role="bare ? 'img' : undefined" :aria-label="bare ? said : undefined">
    <MeterGroup :value="value" :max="whole" :pt="{ meters: { 'aria-hidden': 'true' } }">
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
