<script setup lang="ts">
import Tick from '@/ui/Tick.vue'
import { useInfiniteQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { ownZone as zone } from '@/shared/own'
import { dayAndTime } from '@/shared/sentences'
import Trouble from '@/ui/Trouble.vue'
import LetterView from './LetterView.vue'
import { sendAgain, stateSentence, toneOf, withdraw } from './messages'

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
  <p v-else-if="!messages.length" class="empty">{{ $t(bare ? 'messages.noneHere' : 'messages.none') }}</p>
  <template v-else>
    <p v-if="picked.length" class="picked">
      <strong>{{ $t('messages.chosen', { n: picked.length }, picked.length) }}</strong>
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
        {{ $t('messages.sendAgain', { n: over.length }, over.length) }}
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
        {{ $t('messages.withdraw', { n: waiting.length }, waiting.length) }}
      </button>
      <button class="word" @click="chosen = new Set()">{{ $t('people.no') }}</button>
    </p>
    <p v-else-if="!bare && bounced.length > 1">
      <button class="word" @click="chosen = new Set(bounced.map((each) => each.id))">
        {{ $t('messages.pickBounced', { n: bounced.length }) }}
      </button>
    </p>
    <ol>
      <li v-for="message in messages" :key="message.id">
        <div class="line">
          <Tick
            :model-value="chosen.has(message.id)"
            :label="$t('messages.pick', { subject: message.subject, name: message.person?.name ?? message.to })"
            @update:model-value="pick(message.id)"
          />
          <span v-if="!bare"
            ><RouterLink v-if="message.person" :to="{ name: 'person', params: { person: message.person.id } }">{{
              message.person.name
            }}</RouterLink
            ><template v-else>{{ message.to }}</template></span
          >
          <button
            class="word subject"
            :aria-expanded="open === message.id"
            @click="open = open === message.id ? '' : message.id"
          >
            {{ message.subject || $t('messages.erased') }}
          </button>
          <span class="soft"
            >{{ $t('messages.kind.' + message.kind)
            }}<template v-if="message.site"
              >{{ ' · '
              }}<RouterLink :to="{ name: 'roster', params: { site: message.site.id } }">{{
                message.site.title
              }}</RouterLink></template
            ></span
          >
          <span :class="toneOf(message.state)"
            >{{ stateSentence(message, at)
            }}<span v-if="message.reason && message.state !== 'sent'" class="soft">{{
              ' ' + message.reason
            }}</span></span
          >
        </div>
        <div v-if="open === message.id" class="more">
          <p class="soft">
            {{
              message.by
                ? $t('messages.by', { who: message.by, at: at(message.madeAt) })
                : $t('messages.asked', { at: at(message.madeAt) })
            }}<template v-if="message.changeList">
              ·
              <RouterLink :to="{ name: 'change-list', params: { changeList: message.changeList } }">{{
                $t('messages.withChangeList')
              }}</RouterLink></template
            >
          </p>
          <LetterView :to="message.to" :subject="message.subject" :text="message.text" />
        </div>
      </li>
    </ol>
    <Button
      v-if="hasNextPage"
      class="further"
      severity="secondary"
      size="small"
      :label="$t('sites.more')"
      @click="fetchNextPage()"
    />
  </template>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 2px solid var(--line);
}
li {
  border-bottom: 1px solid var(--line);
}
.line {
  display: grid;
  grid-template-columns: 18px minmax(130px, 0.9fr) minmax(180px, 1.6fr) minmax(150px, 1.2fr) minmax(150px, 1.2fr);
  gap: 12px;
  align-items: baseline;
  padding: 5px 8px;
}
li .line:not(:has(> :nth-child(5))) {
  grid-template-columns: 18px minmax(180px, 1.6fr) minmax(150px, 1.2fr) minmax(150px, 1.2fr);
}
.line:hover {
  background: var(--hover);
}
.subject {
  text-align: left;
}
.more {
  padding: 2px 8px 12px 38px;
  max-width: 720px;
  display: grid;
  gap: 6px;
}
.picked {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  padding: 5px 10px;
  background: var(--brass-pale);
  border-left: 4px solid var(--brass);
}
.empty {
  padding: 18px 0;
}
.further {
  justify-self: start;
}
@media (max-width: 760px) {
  .line,
  li .line:not(:has(> :nth-child(5))) {
    grid-template-columns: 18px 1fr;
  }
  .line > * {
    grid-column: 2;
  }
  .line > input {
    grid-column: 1;
    grid-row: 1;
  }
  .more {
    padding-left: 8px;
  }
}
</style>
