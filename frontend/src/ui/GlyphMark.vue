<script setup lang="ts">
import { GLYPHS } from './glyphs'

/** A small drawing, beside the word that says the same. Nothing where there is no drawing of that name. */
defineProps<{ name: string; size?: number }>()
</script>

<template>
  <svg
    v-if="GLYPHS[name]"
    class="glyph"
    viewBox="0 0 24 24"
    :width="size ?? 20"
    :height="size ?? 20"
    aria-hidden="true"
  >
    <path :d="GLYPHS[name]" />
  </svg>
</template>

<style scoped>
.glyph {
  flex: none;
  fill: none;
  stroke: var(--spruce);
  stroke-width: 1.8;
  stroke-linecap: round;
  stroke-linejoin: round;
}
</style>
