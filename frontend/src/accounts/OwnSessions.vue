<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import Tag from 'primevue/tag'
import { computed } from 'vue'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { queries } from '@/shared/queries'
import { ownZone as zone } from '@/shared/own'
import { dayAndTime } from '@/shared/sentences'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import { useColumns } from '@/ui/columns'
import DataRows from '@/ui/DataRows.vue'
import Trouble from '@/ui/Trouble.vue'
import EndSession from './EndSession.vue'

/** Where one is signed in: each place can be ended, or all others at once. */
const KEY = ['own-sessions']
const { data, error, refetch } = useQuery({ queryKey: KEY, queryFn: () => take(api.GET('/me/sessions')) })
const items = computed(() => data.value?.items ?? [])
const columns = useColumns('sessions', () => [
  { key: 'device', label: t('sessions.device'), weight: 2, always: true },
  { key: 'place', label: t('sessions.place'), weight: 1 },
  { key: 'used', label: t('sessions.used'), weight: 1.3 },
  { key: 'since', label: t('sessions.since'), weight: 1.3 },
  { key: 'ends', label: t('sessions.ends'), weight: 1.3 },
  { key: 'end', label: t('sessions.end'), weight: 0.8, always: true, unseen: true },
])
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
    <h2>{{ t('sessions.title') }}</h2>
    <p class="soft">{{ t('sessions.more') }}</p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="items.length">
      <DataRows :rows="items" :key-of="(item) => item.id" :columns="columns" :name="t('sessions.title')">
        <template #cell="{ row: item, column }">
          <template v-if="column === 'device'"
            >{{ item.device || t('sessions.unknown') }} <Tag v-if="item.current" :value="t('sessions.this')"
          /></template>
          <span v-else-if="column === 'place'" class="num">{{ item.place }}</span>
          <EndSession v-else-if="column === 'end' && !item.current" :session="item" :busy="busy" @end="end(item.id)" />
          <template v-else-if="column === 'used'">{{ dayAndTime(item.usedAt, zone) }}</template>
          <template v-else-if="column === 'since'">{{ dayAndTime(item.madeAt, zone) }}</template>
          <template v-else-if="column === 'ends'">{{ dayAndTime(item.endsAt, zone) }}</template>
        </template>
        <template #card="{ row: item }">
          <p>
            {{ item.device || t('sessions.unknown') }} <span class="num">{{ item.place }}</span> {{ ' '
            }}<Tag v-if="item.current" :value="t('sessions.this')" />
          </p>
          <p class="soft">{{ t('sessions.used') }}: {{ dayAndTime(item.usedAt, zone) }}</p>
          <EndSession v-if="!item.current" :session="item" :busy="busy" @end="end(item.id)" />
        </template>
      </DataRows>
      <p v-if="items.length > 1">
        <Button size="small" variant="outlined" :disabled="busy" :label="t('sessions.endAll')" @click="endOthers" />
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
