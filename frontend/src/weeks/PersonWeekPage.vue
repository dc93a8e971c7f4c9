<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { api, take } from '@/shared/api'
import { ownZone } from '@/shared/own'
import { fullName } from '@/shared/sentences'
import { t } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'
import WeekOf from './WeekOf.vue'

/** The week of somebody, for staff. */
const route = useRoute()
const id = computed(() => String(route.params.person))
const { data, error, refetch } = useQuery({
  queryKey: ['person', id],
  queryFn: () => take(api.GET('/people/{person}', { params: { path: { person: id.value } } })),
})
const name = computed(() => (data.value ? fullName(data.value.person) : ''))
const week = (day: string) =>
  take(
    api.GET('/people/{person}/week', {
      params: { path: { person: id.value }, query: { day, zone: ownZone } },
    }),
  )
</script>

<template>
  <div class="page">
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="data">
      <p>
        <RouterLink :to="{ name: 'person', params: { person: id } }">{{ name }}</RouterLink>
      </p>
      <h1>{{ t('weeks.of', { name }) }}</h1>
      <WeekOf :of="['person', id]" :label="t('weeks.of', { name })" :zone="ownZone" :fetch="week" kind="person" />
    </template>
    <p v-else class="skeleton" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 14px;
  align-content: start;
}
</style>
