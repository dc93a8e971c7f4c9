<script setup lang="ts">
import { useInfiniteQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed } from 'vue'
import { api, take, type HistoryEntry } from '@/shared/api'
import { queries } from '@/shared/queries'
import { ownZone as zone } from '@/shared/own'
import { done, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import HistoryEntries from '@/history/HistoryEntries.vue'
import Trouble from '@/ui/Trouble.vue'

/** What changed in the rules and among administrators, newest first; rules of before can be put in force again. */
defineProps<{ version: number }>()
defineEmits<{ putBack: [version: number] }>()
const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage, refetch } = useInfiniteQuery({
  queryKey: ['platform-log'],
  initialPageParam: undefined as string | undefined,
  queryFn: ({ pageParam }) => take(api.GET('/platform/history', { params: { query: { cursor: pageParam } } })),
  getNextPageParam: (page) => page.next ?? undefined,
})
const entries = computed(() => data.value?.pages.flatMap((page) => page.items) ?? [])
const before = (entry: HistoryEntry) =>
  entry.code === 'rules-changed' ? Number((entry.data as { before?: number }).before) : 0
interface Administers {
  platform: boolean
  divisions: string[]
}
const administered = (entry: HistoryEntry) =>
  entry.code === 'administrator-named' && entry.person ? (entry.data as { before: Administers }).before : null

async function nameAgain(entry: HistoryEntry) {
  const before = administered(entry)
  if (!before || !entry.person) return
  try {
    await take(api.PUT('/administrators/{person}', { params: { path: { person: entry.person.id } }, body: before }))
    done(t('rules.admin.did', { name: entry.person.name }))
    await Promise.all([refetch(), queries.invalidateQueries({ queryKey: ['administrators'] })])
  } catch (thrown) {
    wentWrong(thrown)
  }
}
</script>

<template>
  <Trouble v-if="error" :error="error" @again="refetch()" />
  <p v-else-if="!isPending && !entries.length">{{ t('rules.log.empty') }}</p>
  <HistoryEntries v-else :entries="entries" :zone="zone" site="" :may-undo="() => false">
    <template #default="{ entry }"
      ><button v-if="before(entry)" class="word" @click="$emit('putBack', before(entry))">
        {{ t('rules.log.putBack', { version: before(entry) }) }}
      </button>
      <button v-else-if="administered(entry)" class="word" @click="nameAgain(entry)">
        {{ t('rules.log.asBefore') }}
      </button></template
    >
  </HistoryEntries>
  <Button
    v-if="hasNextPage"
    variant="outlined"
    :label="t('parts.earlier')"
    :disabled="isFetchingNextPage"
    @click="fetchNextPage()"
  />
</template>
