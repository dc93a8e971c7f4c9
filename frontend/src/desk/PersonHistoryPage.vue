<script setup lang="ts">
import { useInfiniteQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { api, take } from '@/shared/api'
import { ownZone as zone } from '@/shared/own'
import { t } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'
import HistoryEntries from '@/history/HistoryEntries.vue'

/** What happened to one person in all sites whose history one reads, newest first. */
const route = useRoute()
const person = computed(() => String(route.params.person))
const site = computed(() => (typeof route.query.site === 'string' ? route.query.site : ''))
const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage, refetch } = useInfiniteQuery({
  queryKey: ['history', 'person', person],
  initialPageParam: undefined as string | undefined,
  queryFn: ({ pageParam }) =>
    take(
      api.GET('/people/{person}/history', { params: { path: { person: person.value }, query: { cursor: pageParam } } }),
    ),
  getNextPageParam: (page) => page.next ?? undefined,
})
const entries = computed(() => data.value?.pages.flatMap((page) => page.items) ?? [])
</script>

<template>
  <div class="page">
    <h1>{{ t('log.personTitle', { name: entries[0]?.person?.name ?? '' }) }}</h1>
    <p class="soft">
      {{ t('log.everywhere')
      }}<template v-if="site">
        ·
        <RouterLink :to="{ name: 'roster', params: { site }, query: { person } }">{{
          t('log.back')
        }}</RouterLink></template
      >
    </p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <p v-else-if="!isPending && !entries.length">{{ t('log.empty') }}</p>
    <HistoryEntries v-else :entries="entries" :zone="zone" :may-undo="() => true" />
    <Button
      v-if="hasNextPage"
      variant="outlined"
      :label="t('parts.earlier')"
      :disabled="isFetchingNextPage"
      @click="fetchNextPage()"
    />
  </div>
</template>
