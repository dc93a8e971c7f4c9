<script setup lang="ts">
import Tick from '@/ui/Tick.vue'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { useDropZone, useEventListener, useFileDialog, useMediaQuery, watchDebounced } from '@vueuse/core'
import InputText from 'primevue/inputtext'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, take, type Candidate, type Site } from '@/shared/api'
import { isTyping, useKeys } from '@/shared/keys'
import { day } from '@/shared/sentences'
import { tellEach } from '@/shared/tell'
import { inSentence, t } from '@/shared/words'
import CandidateRow from './CandidateRow.vue'
import { textOfFile, UnreadableFile } from './listFile'
import { isList } from './pasted'
import Trouble from '@/ui/Trouble.vue'

/** The box on top of the roster: finds who is here and who is not, and lets in whoever is not. */
const props = defineProps<{ site: Site }>()
const emit = defineEmits<{ show: [person: string]; list: [text: string, changeList: string] }>()
const lists = ['alreadyHere', 'wasHere', 'blocked', 'canBeLetIn'] as const

const root = ref<HTMLElement>()
const typed = ref('')
const q = ref('')
watchDebounced(typed, (text) => (q.value = text), { debounce: 110 })
const narrow = useMediaQuery('(max-width: 760px)')
const opened = ref('')
const enough = computed(() => q.value.trim().length > 1)

const {
  data: found,
  error,
  isFetching,
  refetch,
} = useQuery({
  queryKey: ['intake', computed(() => props.site.id), q],
  enabled: enough,
  queryFn: ({ signal }) =>
    take(
      api.GET('/sites/{site}/intake', {
        signal,
        params: { path: { site: props.site.id }, query: { q: q.value.trim() } },
      }),
    ),
  placeholderData: keepPreviousData,
})
/** The last list that somebody began here and did not let in yet. */
const { data: changeLists } = useQuery({
  queryKey: ['changeLists', 'begun', computed(() => props.site.id)],
  queryFn: () => take(api.GET('/change-lists', { params: { query: { site: props.site.id, state: 'draft' } } })),
})
const route = useRoute()
const begun = computed(() =>
  changeLists.value?.items.find(
    (changeList) => changeList.kind === 'pasted' && changeList.id !== route.query.changeList,
  ),
)
const shown = computed(() => (enough.value ? found.value : undefined))
const count = computed(() => (shown.value ? lists.reduce((sum, list) => sum + shown.value![list].length, 0) : 0))
const anyMore = computed(() => lists.some((list) => shown.value?.more[list]))
useKeys({ i: () => root.value?.querySelector('input')?.focus() })
watch(q, () => (opened.value = ''))
function show(candidate: Candidate) {
  typed.value = q.value = ''
  emit('show', candidate.person.id)
}

async function after() {
  opened.value = ''
  await nextTick()
  const box = root.value?.querySelector('input')
  box?.focus()
  box?.select()
}

function step(event: KeyboardEvent) {
  const stops = [...(root.value?.querySelectorAll<HTMLElement>('input[data-stop], button[data-stop]') ?? [])]
  stops[stops.indexOf(document.activeElement as HTMLElement) + (event.key === 'ArrowDown' ? 1 : -1)]?.focus()
}

/** A list that is pasted is no name to look for: it opens as a change list. */
function pasted(event: ClipboardEvent) {
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (!isList(text)) return
  event.preventDefault()
  typed.value = ''
  emit('list', text, '')
}
// Also where nobody has put the cursor into the box: there is one thing on this page that a list is for.
useEventListener(document, 'paste', (event) => isTyping(event.target) || pasted(event))

const unread = ref<'' | 'large' | 'kind'>('')
async function dropped(files: ArrayLike<File> | null) {
  unread.value = ''
  if (!files?.length) return
  try {
    const text = (await Promise.all(Array.from(files, textOfFile))).join('\n')
    if (isList(text)) emit('list', text, '')
    else typed.value = text.trim().slice(0, 200)
  } catch (error) {
    if (!(error instanceof UnreadableFile)) throw error
    unread.value = error.why
  }
}
const { isOverDropZone } = useDropZone(root, dropped)
const { open: chooseFile, onChange } = useFileDialog({ accept: '.csv,.txt,.tsv,text/*', reset: true })
onChange(dropped)

function close() {
  if (opened.value) opened.value = ''
  else {
    typed.value = q.value = ''
    root.value?.querySelector('input')?.blur()
  }
}
</script>

<template>
  <section
    ref="root"
    class="intake no-print"
    :class="{ over: isOverDropZone }"
    :aria-label="t('intake.label')"
    @keydown.down.prevent="step"
    @keydown.up.prevent="step"
    @keydown.esc.stop="close"
  >
    <div class="box">
      <label for="let-in">{{ t('intake.label') }}</label>
      <InputText
        id="let-in"
        v-model="typed"
        data-stop
        autocomplete="off"
        spellcheck="false"
        maxlength="200"
        aria-keyshortcuts="i"
        :placeholder="t(narrow ? 'intake.onPhone' : 'intake.placeholder')"
        fluid
        @paste="pasted"
      />
      <span class="said"
        ><span class="soft status" role="status">
          {{
            typed.trim().length === 1
              ? t('intake.short')
              : !shown
                ? t(enough && isFetching ? 'intake.searching' : 'intake.hint')
                : shown.slip && !count
                  ? t('intake.slip', { format: inSentence(shown.slip) })
                  : t('intake.found', { n: count }, count)
          }} </span
        ><Tick v-if="count" v-model="tellEach" class="soft">{{ t('tell.each') }}</Tick></span
      >
      <button v-if="!typed && begun" class="word" @click="$emit('list', '', begun.id)">
        {{ t('pasted.again', { day: day(begun.changedAt, site.timeZone) }) }}
      </button>
      <button v-if="typed" class="word" @click="close">{{ t('intake.close') }}</button>
      <button v-else-if="!narrow" class="word" @click="chooseFile()">{{ t('intake.file.choose') }}</button>
    </div>
    <p v-if="unread" class="clay" role="alert">{{ t(`intake.file.${unread}`) }}</p>
    <div v-if="enough && (shown || error)" class="found">
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <p v-else-if="!count" class="none">{{ t('intake.nobody') }}</p>
      <template v-for="part in lists" v-else :key="part">
        <h2 v-if="shown?.[part].length" :class="part">{{ t(`intake.${part}`) }}</h2>
        <ul v-if="shown?.[part].length">
          <li v-for="candidate in shown[part]" :key="candidate.person.id">
            <CandidateRow
              :candidate="candidate"
              :part="part"
              :site="site"
              :named="q.trim()"
              :opened="opened === candidate.person.id"
              @show="show(candidate)"
              @toggle="opened = opened === candidate.person.id ? '' : candidate.person.id"
              @changed="after"
            />
          </li>
        </ul>
      </template>
      <p v-if="anyMore" class="soft small">{{ t('intake.more') }}</p>
      <!-- What else is called so. -->
      <slot name="also" :q="q.trim()" />
    </div>
  </section>
</template>

<style scoped>
.intake {
  border: 2px solid var(--spruce);
  border-top: 0;
  background: var(--mint-pale);
  margin: 0 20px;
  padding: 8px 14px;
  border-radius: 0 0 6px 6px;
}
.over {
  outline: 3px dashed var(--spruce);
  outline-offset: -6px;
}
.box {
  display: grid;
  grid-template-columns: auto minmax(200px, 1fr) minmax(260px, 1fr) auto auto;
  gap: 12px;
  align-items: center;
}
label {
  font-weight: 600;
}
.box > label {
  font-family: var(--title);
  font-size: 1.05rem;
}
.found {
  max-height: min(52vh, 460px);
  overflow: auto;
  margin-top: 8px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 2px 12px 8px;
}
h2 {
  font-size: 0.92rem;
  color: var(--soft);
  padding: 8px 0 2px;
}
h2.canBeLetIn {
  color: var(--spruce);
}
h2.blocked {
  color: var(--clay);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border-top: 1px solid var(--line);
  padding: 4px 0;
}
.said {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
}
.said label {
  font-weight: 400;
}
.small {
  font-size: 0.9rem;
  line-height: 1.2;
}
.none {
  padding: 8px 0;
}
@media (max-width: 760px) {
  .box {
    grid-template-columns: 1fr auto;
  }
  .box > input {
    grid-column: 1 / -1;
  }
  .box > .word {
    justify-self: start;
  }
  .box > label {
    position: absolute;
    clip-path: inset(50%);
  }
  .box:not(:focus-within, :has(input:not(:placeholder-shown))) .said {
    display: none;
  }
  .intake {
    margin: 0 8px;
  }
}
</style>
