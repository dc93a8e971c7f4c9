<script setup lang="ts">
import Button from 'primevue/button'
import type { Site } from '@/shared/api'
import { t } from '@/shared/words'
import PeopleField, { type Named } from '@/roster/PeopleField.vue'

/** Groups of people of a site, each typed by names: who is to be together, or apart. */
defineProps<{ site: Site; label: string; add: string }>()
const groups = defineModel<Named[][]>({ required: true })
const put = (place: number, group: Named[]) =>
  (groups.value = groups.value.map((each, n) => (n === place ? group : each)))
</script>

<template>
  <div class="groups">
    <div v-for="(group, place) in groups" :key="place" class="group">
      <PeopleField
        :site="site"
        :label="`${label}, ${place + 1}`"
        :model-value="group"
        @update:model-value="put(place, $event)"
      />
      <button
        type="button"
        class="word"
        :aria-label="`${t('plans.form.noGroup')}: ${label}, ${place + 1}`"
        @click="groups = groups.filter((_, n) => n !== place)"
      >
        {{ t('plans.form.noGroup') }}
      </button>
    </div>
    <p><Button size="small" variant="text" :label="add" @click="groups = [...groups, []]" /></p>
  </div>
</template>

<style scoped>
.groups {
  display: grid;
  gap: 8px;
}
.group {
  display: flex;
  gap: 10px;
  align-items: center;
}
.group > :first-child {
  flex: 1;
  min-width: 0;
}
</style>
