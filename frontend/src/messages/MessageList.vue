<script setup lang="ts">
import { useInfiniteQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { ownZone as zone } from '@/shared/own'
import { dayAndTime } from '@/shared/sentences'
import { t } from '@/shared/words'
import { useColumns } from '@/ui/columns'
import DataRows from '@/ui/DataRows.vue'
import Trouble from '@/ui/Trouble.vue'
import LetterView from './LetterView.vue'
import MessageCell from './MessageCell.vue'
import { sendAgain, withdraw } from './messages'

/** Messages, the last first: each with how it stands, its words, and what one may do with it, alone or with others. */
const props = defineProps<{ query: Record<string, string>; bare?: boolean }>()
const { data, error, isPending, hasNextPage, fetchNextPage, refetch } = useInfiniteQuery({
  queryKey: ['messages', computed(() => props.query)],
  initialPageParam: undefined as string | undefined,
  queryFn: ({ pageParam }) => take(api.GET('/messages', { params: { query: { ...props.query, cursor: pageParam } } })),
  getNextPageParam: (page) => page.next ?? undefined,
  refetchInterval: (query) =>
    query.state.data?.pages[0]?.items.some((message) => message.waits !== null) ? 5_000 : false,
})
const at = (instant: string) => dayAndTime(instant, zone)
const messages = computed(() => data.value?.pages.flatMap((page) => page.items) ?? [])
const chosen = ref(new Set<string>())
const open = ref('')
const turn = (id: string) => (open.value = open.value === id ? '' : id)
const columns = useColumns('messages', () => [
  ...(props.bare ? [] : [{ key: 'to', label: t('messages.col.to'), weight: 0.9 }]),
  { key: 'subject', label: t('messages.col.subject'), weight: 1.7, always: true },
  { key: 'about', label: t('messages.col.about'), weight: 1.2 },
  { key: 'state', label: t('messages.col.state'), weight: 1.2 },
])
watch(
  () => props.query,
  () => (chosen.value = new Set()),
)
const picked = computed(() => messages.value.filter((message) => chosen.value.has(message.id)))
const waiting = computed(() => picked.value.filter((message) => message.waits !== null))
const over = computed(() => picked.value.filter((message) => message.waits === null))
const bounced = computed(() => messages.value.filter((message) => message.state === 'bounced'))
const pick = (id: string) => {
  const now = new Set(chosen.value)
  if (!now.delete(id)) now.add(id)
  chosen.value = now
}
const { busy, run } = useBusy()
const act = (work: (ids: string[]) => Promise<void>, ids: string[]) =>
  run(async () => {
    await work(ids)
    chosen.value = new Set()
  })
</script>

<template>
  <Trouble v-if="error" :error="error" @again="refetch()" />
  <p v-else-if="isPending" class="skeleton" />
  <p v-else-if="!messages.length" class="empty">{{ t(bare ? 'messages.noneHere' : 'messages.none') }}</p>
  <template v-else>
    <p v-if="picked.length" class="picked">
      <strong>{{ t('messages.chosen', { n: picked.length }, picked.length) }}</strong>
      <button
        v-if="over.length"
        class="word"
        :disabled="busy"
        @click="
          act(
            sendAgain,
            over.map((each) => each.id),
          )
        "
      >
        {{ t('messages.sendAgain', { n: over.length }, over.length) }}
      </button>
      <button
        v-if="waiting.length"
        class="word"
        :disabled="busy"
        @click="
          act(
            withdraw,
            waiting.map((each) => each.id),
          )
        "
      >
        {{ t('messages.withdraw', { n: waiting.length }, waiting.length) }}
      </button>
      <button class="word" @click="chosen = new Set()">{{ t('changeList.nobody') }}</button>
    </p>
    <p v-else-if="!bare && bounced.length > 1">
      <button class="word" @click="chosen = new Set(bounced.map((each) => each.id))">
        {{ t('messages.pickBounced', { n: bounced.length }) }}
      </button>
    </p>
    <DataRows
      :rows="messages"
      :key-of="(message) => message.id"
      :columns="columns"
      :name="t('messages.title')"
      :chosen="chosen"
      :pick-name="
        (message) => t('messages.pick', { subject: message.subject, name: message.person?.name ?? message.to })
      "
      :expanded="open"
      @choose="(index) => messages[index] && pick(messages[index].id)"
    >
      <template #cell="{ row: message, column }">
        <MessageCell :message="message" :column="column" :open="open === message.id" @open="turn(message.id)" />
      </template>
      <template #card="{ row: message }">
        <MessageCell :message="message" column="subject" :open="open === message.id" @open="turn(message.id)" />
        <p class="soft">{{ message.person?.name ?? message.to }}</p>
        <p><MessageCell :message="message" column="state" /></p>
      </template>
      <template #expansion="{ row: message }">
        <div class="more">
          <p class="soft">
            {{
              message.by
                ? t('messages.by', { who: message.by, at: at(message.madeAt) })
                : t('messages.asked', { at: at(message.madeAt) })
            }}<template v-if="message.changeList">
              ·
              <RouterLink :to="{ name: 'change-list', params: { changeList: message.changeList } }">{{
                t('messages.withChangeList')
              }}</RouterLink></template
            >
          </p>
          <LetterView :to="message.to" :subject="message.subject" :text="message.text" />
        </div>
      </template>
    </DataRows>
    <Button
      v-if="hasNextPage"
      class="further"
      variant="outlined"
      size="small"
      :label="t('parts.more')"
      @click="fetchNextPage()"
    />
  </template>
</template>

<style scoped>
.more {
  padding: 2px 8px 12px 38px;
  max-width: 720px;
  display: grid;
  gap: 6px;
}
.empty {
  padding: 18px 0;
}
.further {
  justify-self: start;
}
@media (max-width: 640px) {
  .more {
    padding-left: 0;
  }
}
</style>
