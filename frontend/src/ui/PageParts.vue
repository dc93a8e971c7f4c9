<script setup lang="ts">
/** The parts of a page as links of one line, the one that is open marked. */
defineProps<{ label: string; parts: { to: string; words: string; on: boolean }[] }>()
</script>

<template>
  <nav :aria-label="label">
    <RouterLink
      v-for="{ to, words, on } in parts"
      :key="to"
      :to="to"
      :class="{ on }"
      :aria-current="on ? 'page' : undefined"
      >{{ words }}</RouterLink
    >
  </nav>
</template>

<style scoped>
nav {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  border-bottom: 1px solid var(--line);
}
a {
  text-decoration: none;
  color: var(--ink);
  font-weight: 600;
  padding: 3px 0 5px;
  border-bottom: 3px solid transparent;
}
a.on {
  border-color: var(--spruce);
}
</style>
