<script setup lang="ts">
/** What somebody is asked for, site by site, with the way there; or the way to what was asked before. */
defineProps<{
  title: string
  to: string
  open: string
  asked: readonly { key: string; site: string; said: string; about: string }[]
  /** Whether there is something that was answered. */
  others: boolean
}>()
</script>

<template>
  <section v-if="asked.length || others" :aria-label="title">
    <p v-for="each in asked" :key="each.key" class="asked">
      <strong>{{ each.site }}</strong>
      <span>{{ each.said }}</span>
      <RouterLink :to="to"
        >{{ open }}<span class="unseen">: {{ each.about }}</span></RouterLink
      >
    </p>
    <p v-if="!asked.length">
      <RouterLink :to="to">{{ title }}</RouterLink>
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
