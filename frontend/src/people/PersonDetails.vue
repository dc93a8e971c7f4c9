<script setup lang="ts">
import { api, take, type PersonPage } from '@/shared/api'
import { refresh } from '@/shared/queries'
import { refreshSite } from '@/shared/undo'
import { fullName } from '@/shared/sentences'
import { t } from '@/shared/words'
import DetailFields from './DetailFields.vue'

/** What is kept of somebody under details of the platform. */
const props = defineProps<{ page: PersonPage }>()

async function put(values: Record<string, string>) {
  const params = { path: { person: props.page.person.id } }
  await take(api.PUT('/people/{person}/details', { params, body: { values } }))
  await Promise.all([refresh('person', 'directory'), refreshSite()])
}
</script>

<template>
  <section>
    <h2>{{ t('details.title') }}</h2>
    <DetailFields :details="page.details" :put="put" :did="t('details.did', { name: fullName(page.person) })" />
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}
</style>
