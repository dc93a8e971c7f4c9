<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { mark } from '@/shared/appearance'

/** The mark of the platform: a drawing it chose, or the program's own. */
defineProps<{ size: number }>()
// Whoever only joins loads the drawings where the platform has one.
const GlyphMark = defineAsyncComponent(() => import('./GlyphMark.vue'))
</script>

<template>
  <GlyphMark v-if="mark" :name="mark" :size="size" />
  <img v-else src="/mark.svg" alt="" :width="size" :height="size" />
</template>
