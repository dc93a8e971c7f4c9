<script setup lang="ts">
/**
 * A door seen from the front: its leaf stands open, ajar (by approval) or shut. Always beside the word that says the
 * same.
 */
defineProps<{ state: 'open' | 'draft' | 'closed' }>()
</script>

<template>
  <svg class="door" :class="state" viewBox="0 0 20 24" width="17" height="20" aria-hidden="true">
    <path d="M2 23V2h16v21" fill="none" stroke="currentColor" stroke-width="2" />
    <path v-if="state === 'closed'" class="leaf" d="M4 4h12v19H4z" />
    <path v-else-if="state === 'draft'" class="leaf" d="M4 4l8 2v17l-8 0z" />
    <path v-else class="leaf" d="M4 4l3 3v19l-3-3z" />
    <circle v-if="state !== 'open'" :cx="state === 'closed' ? 13.5 : 10" cy="14" r="1.1" fill="currentColor" />
  </svg>
</template>

<style scoped>
.door {
  flex: none;
  color: var(--spruce);
}
.leaf {
  fill: var(--line);
  stroke: currentColor;
  stroke-width: 1.2;
}
.open .leaf {
  fill: var(--mint);
}
.draft {
  color: var(--brass);
}
.draft .leaf {
  fill: var(--brass-pale);
}
.closed {
  color: var(--soft);
}
</style>
