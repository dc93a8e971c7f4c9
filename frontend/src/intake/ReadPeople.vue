<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced, useFileDialog } from '@vueuse/core'
import Textarea from 'primevue/textarea'
import { computed, ref, watch } from 'vue'
import { api, take } from '@/shared/api'
import { tIn, t } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'
import { textOfFile, UnreadableFile } from './listFile'
import { keyed, MOST_CHARACTERS, whoOf, type PastedCandidate } from './pasted'
import WhoCouldBe from './WhoCouldBe.vue'

/** Whom a list means that is typed, pasted or of a file: those found, those to choose from, and lines of nobody. */
const props = defineProps<{ label: string; site?: string }>()
const text = defineModel<string>('text', { default: '' })
/** Whom lines mean that could mean several, by what stands on them; nothing for nobody. */
const said = defineModel<Record<string, string>>('said', { default: () => ({}) })
const emit = defineEmits<{ people: [ids: string[]] }>()
const asked = refDebounced(
  computed(() => text.value.trim()),
  300,
)
const { data, error, isFetching, refetch } = useQuery({
  queryKey: ['readings', computed(() => props.site ?? ''), asked],
  enabled: computed(() => asked.value !== ''),
  retry: false,
  queryFn: () =>
    take(
      props.site
        ? api.POST('/sites/{site}/intake', {
            params: { path: { site: props.site } },
            body: { text: asked.value, role: null },
          })
        : api.POST('/readings', { body: { text: asked.value } }),
    ),
})
const items = computed(() => (text.value.trim() ? keyed(data.value?.items ?? []) : []))
const chosen = (key: string) => said.value[key]
const meant = computed(() =>
  items.value.map((item) => ({
    item,
    who: whoOf(item, chosen(item.key) ? { person: chosen(item.key) } : undefined)?.person.id,
  })),
)
const people = computed(() => [...new Set(meant.value.flatMap(({ who }) => (who ? [who] : [])))])
const asks = computed(() =>
  meant.value.filter(({ item, who }) => {
    const open = ['choose', 'unknown'].includes(item.outcome) && item.candidates.length > 0
    return open && !who && chosen(item.key) === undefined
  }),
)
const unknown = computed(() =>
  meant.value.filter(({ item, who }) => item.outcome === 'unknown' && !who && !item.candidates.length),
)
watch(people, (ids) => emit('people', ids), { immediate: true })
const say = (key: string, person: string) => (said.value = { ...said.value, [key]: person })
const why = (candidate: PastedCandidate) => tIn('pasted.evidence', candidate.evidence)

const unread = ref<'' | 'large' | 'kind'>('')
const { open, onChange } = useFileDialog({ accept: '.csv,.txt,.tsv,text/*', reset: true })
onChange(async (files) => {
  unread.value = ''
  if (!files?.length) return
  try {
    const read = (await Promise.all(Array.from(files, textOfFile))).join('\n')
    text.value = [text.value.trim(), read].filter(Boolean).join('\n').slice(0, MOST_CHARACTERS)
  } catch (thrown) {
    if (!(thrown instanceof UnreadableFile)) throw thrown
    unread.value = thrown.why
  }
})
</script>

<template>
  <div class="read">
    <label class="follows"
      >{{ label
      }}<Textarea
        v-model="text"
        rows="4"
        fluid
        spellcheck="false"
        :maxlength="MOST_CHARACTERS"
        :placeholder="t('intake.placeholder')"
    /></label>
    <p class="row">
      <button type="button" class="word" @click="open()">{{ t('intake.list.file') }}</button>
      <span v-if="text.trim() && !error" role="status">
        <template v-if="isFetching || asked !== text.trim()">{{ t('intake.searching') }}</template>
        <template v-else
          >{{ t('intake.list.found', { n: $n(people.length) }, people.length)
          }}<template v-if="asks.length"
            >, <span class="brass">{{ t('intake.list.asks', { n: $n(asks.length) }, asks.length) }}</span></template
          ></template
        >
      </span>
    </p>
    <p v-if="unread" class="clay" role="alert">{{ t(`intake.file.${unread}`) }}</p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else>
      <div v-for="{ item } in asks" :key="item.key" class="callout">
        <p>
          <strong>{{ item.text }}</strong>
          <button type="button" class="word" @click="say(item.key, '')">{{ t('intake.list.drop') }}</button>
        </p>
        <WhoCouldBe
          :name="item.key"
          :offered="item.candidates"
          :near="item.outcome === 'unknown'"
          :why="why"
          @pick="say(item.key, $event.person.id)"
        />
      </div>
      <template v-if="unknown.length">
        <p class="brass">{{ t('intake.list.unknown', { n: $n(unknown.length) }, unknown.length) }}</p>
        <ul class="soft">
          <li v-for="{ item } in unknown.slice(0, 20)" :key="item.key">{{ item.text }}</li>
          <li v-if="unknown.length > 20">…</li>
        </ul>
      </template>
    </template>
  </div>
</template>

<style scoped>
.read {
  display: grid;
  gap: 6px;
  width: 100%;
}
p {
  margin: 0;
}
.row,
.callout p {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
