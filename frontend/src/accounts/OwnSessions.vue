<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import Tag from 'primevue/tag'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { queries } from '@/shared/queries'
import { ownZone as zone } from '@/shared/own'
import { dayAndTime } from '@/shared/sentences'
import { done } from '@/shared/undo'
import Trouble from '@/ui/Trouble.vue'

/** Where one is signed in: each place can be ended, or all others at once. */
const { t } = useI18n()
const KEY = ['own-sessions']
const { data, error, refetch } = useQuery({ queryKey: KEY, queryFn: () => take(api.GET('/me/sessions')) })
const items = computed(() => data.value?.items ?? [])
const { busy, run } = useBusy()
const end = (session: string) =>
  run(async () => {
    const left = await take(api.DELETE('/me/sessions/{session}', { params: { path: { session } } }))
    queries.setQueryData(KEY, left)
    done(t('sessions.did'))
  })
const endOthers = () =>
  run(async () => {
    queries.setQueryData(KEY, await take(api.DELETE('/me/sessions')))
    done(t('sessions.didAll'))
  })
</script>

<template>
  <section>
    <h2>{{ $t('sessions.title') }}</h2>
    <p class="soft">{{ $t('sessions.more') }}</p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="items.length">
      <DataTable :value="items" data-key="id" size="small" :table-props="{ 'aria-label': t('sessions.title') }">
        <Column :header="$t('sessions.device')">
          <template #body="{ data: item }">
            {{ item.device || $t('sessions.unknown') }} <Tag v-if="item.current" :value="$t('sessions.this')" />
          </template>
        </Column>
        <Column :header="$t('sessions.place')">
          <template #body="{ data: item }"
            ><span class="num">{{ item.place }}</span></template
          >
        </Column>
        <Column :header="$t('sessions.used')">
          <template #body="{ data: item }">{{ dayAndTime(item.usedAt, zone) }}</template>
        </Column>
        <Column :header="$t('sessions.since')">
          <template #body="{ data: item }">{{ dayAndTime(item.madeAt, zone) }}</template>
        </Column>
        <Column :header="$t('sessions.ends')">
          <template #body="{ data: item }">{{ dayAndTime(item.endsAt, zone) }}</template>
        </Column>
        <Column>
          <template #header
            ><span class="unseen">{{ $t('sessions.end') }}</span></template
          >
          <template #body="{ data: item }">
            <Button
              v-if="!item.current"
              size="small"
              variant="outlined"
              :disabled="busy"
              :label="$t('sessions.end')"
              :aria-label="$t('sessions.endOf', { device: item.device, place: item.place })"
              @click="end(item.id)"
            />
          </template>
        </Column>
      </DataTable>
      <p v-if="items.length > 1">
        <Button size="small" variant="outlined" :disabled="busy" :label="$t('sessions.endAll')" @click="endOthers" />
      </p>
    </template>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}
</style>
