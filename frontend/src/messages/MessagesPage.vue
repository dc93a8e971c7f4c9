<script setup lang="ts">
import { optionsIn } from '@/ui/options'
import InputText from 'primevue/inputtext'
import PickOne from '@/ui/PickOne.vue'
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take } from '@/shared/api'
import { lookAt, type Looked } from '@/shared/lookedAt'
import { me } from '@/shared/me'
import { ownZone as zone } from '@/shared/own'
import { dayAndTime } from '@/shared/sentences'
import { t, tIn } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'
import LetterView from './LetterView.vue'
import MessageList from './MessageList.vue'
import { KINDS, STATES } from './messages'
import TextsOf from './TextsOf.vue'

/**
 * Messages: what was sent, in which words messages go out, and, where nothing leaves the platform, what arrived.
 */
const route = useRoute()
const router = useRouter()
const part = computed(
  () =>
    (['texts', 'simulated-inbox'].includes(String(route.params.part)) ? String(route.params.part) : 'messages') as
      'messages' | 'texts' | 'simulated-inbox',
)
const parts = computed(() =>
  (['messages', 'texts', 'simulated-inbox'] as const).filter(
    (each) => each !== 'simulated-inbox' || me.value?.seesMailboxes,
  ),
)
const of = (name: string) => String(route.query[name] ?? '')
const look = (change: Looked) => lookAt(router, change)
const query = computed(
  () =>
    Object.fromEntries(
      ['site', 'person', 'kind', 'state', 'q'].map((name) => [name, of(name)]).filter(([, value]) => value),
    ) as Record<string, string>,
)
const typed = ref(of('q'))
const q = refDebounced(typed, 250)
watch(q, (q) => look({ q }))
const { data: site } = useQuery({
  queryKey: ['site', computed(() => of('site'))],
  enabled: computed(() => of('site') !== ''),
  queryFn: () => take(api.GET('/sites/{site}', { params: { path: { site: of('site') } } })),
})
const address = ref('')
const asked = refDebounced(address, 250)
const {
  data: box,
  error: noBox,
  refetch,
} = useQuery({
  queryKey: ['inbox', asked],
  enabled: computed(() => part.value === 'simulated-inbox'),
  queryFn: () => take(api.GET('/simulated-inbox', { params: { query: { address: asked.value } } })),
  refetchInterval: 4_000,
  retry: false,
})
const open = ref('')
</script>

<template>
  <div class="page">
    <h1>{{ t('messages.title') }}</h1>
    <nav class="parts" :aria-label="t('messages.title')">
      <RouterLink
        v-for="each in parts"
        :key="each"
        :to="{ name: 'messages', params: { part: each }, query: of('site') ? { site: of('site') } : {} }"
        :class="{ on: part === each }"
        >{{ t(`messages.parts.${each}`) }}</RouterLink
      >
    </nav>
    <p v-if="site" class="soft">
      {{ t('messages.ofSite') }}
      <RouterLink :to="{ name: 'roster', params: { site: site.id } }">{{ site.title }}</RouterLink>
      {{ ' ' }}<button class="word" @click="look({ site: undefined })">{{ t('messages.everywhere') }}</button>
    </p>
    <template v-if="part === 'messages'">
      <p class="filters">
        <label
          >{{ t('messages.address') }}
          <InputText
            v-model="typed"
            size="small"
            type="search"
            maxlength="190"
            :placeholder="t('messages.addressHint')"
        /></label>
        <PickOne
          :label="t('messages.about')"
          :model-value="of('kind')"
          :options="optionsIn(['', ...KINDS], (kind) => (kind ? tIn('messages.kind', kind) : t('messages.any.kind')))"
          @update:model-value="look({ kind: $event })"
        />
        <PickOne
          :label="t('messages.how')"
          :model-value="of('state')"
          :options="
            optionsIn(['', ...STATES], (state) => (state ? tIn('messages.told', state) : t('messages.any.state')))
          "
          @update:model-value="look({ state: $event })"
        />
      </p>
      <MessageList :query="query" />
    </template>
    <TextsOf v-else-if="part === 'texts'" :site="of('site') || null" />
    <template v-else>
      <p class="callout">{{ t('messages.simulated') }}</p>
      <p class="filters">
        <label
          >{{ t('messages.address') }}
          <InputText
            v-model="address"
            size="small"
            type="search"
            maxlength="190"
            :placeholder="t('messages.addressHint')"
        /></label>
      </p>
      <Trouble v-if="noBox" :error="noBox" @again="refetch()" />
      <p v-else-if="box && !box.items.length" class="soft">{{ t('messages.emptyBox') }}</p>
      <ol v-else>
        <li v-for="letter in box?.items" :key="letter.id">
          <p class="line">
            <span class="num">{{ letter.address }}</span><button
              class="word"
              :aria-expanded="open === letter.id"
              @click="open = open === letter.id ? '' : letter.id"
            >
              {{ letter.subject }}</button
            ><span class="soft">{{ dayAndTime(letter.arrivedAt, zone) }}</span>
          </p>
          <LetterView
            v-if="open === letter.id"
            :to="letter.address"
            :subject="letter.subject"
            :text="letter.text"
            :html="letter.html"
            links
          />
        </li>
      </ol>
    </template>
  </div>
</template>

<style scoped>
.filters .p-inputtext {
  width: 17em;
}
.page {
  display: grid;
  gap: 12px;
  align-content: start;
}
.parts {
  display: flex;
  gap: 18px;
  border-bottom: 1px solid var(--line);
}
.parts a {
  padding: 4px 0;
  text-decoration: none;
  color: var(--ink);
  border-bottom: 2px solid transparent;
}
.parts a.on {
  border-color: var(--spruce);
  font-weight: 600;
}
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 2px solid var(--line);
}
li {
  border-bottom: 1px solid var(--line);
  padding: 5px 8px;
  max-width: 900px;
}
.line {
  display: grid;
  grid-template-columns: minmax(180px, 1fr) minmax(180px, 2fr) 120px;
  gap: 14px;
  align-items: baseline;
}
.line .word {
  text-align: left;
}
@media (max-width: 640px) {
  .line {
    grid-template-columns: 1fr;
  }
}
</style>
