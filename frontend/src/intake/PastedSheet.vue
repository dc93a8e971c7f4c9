<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { api, take, type LineWish, type Site } from '@/app/api'
import { useBusy } from '@/app/busy'
import { useHouse } from '@/app/house'
import { day } from '@/app/sentences'
import { done, refreshSite } from '@/app/undo'
import { telling } from '@/post/telling'
import { useKept } from '@/sheets/kept'
import TellThem from '@/sheets/TellThem.vue'
import { useSlowly } from '@/ui/slowly'
import { emptyWork, keyed, MOST_CHARACTERS, whoOf, type PastedItem, type PastedWork, type Said } from './pasted'
import PastedLineRow from './PastedLineRow.vue'
import RememberedLines from './RememberedLines.vue'

/**
 * Pasted lines as a sheet: whom each was taken for and why, what has to be settled, and what letting them in would do,
 * before it is done.
 */
const props = defineProps<{ site: Site; text: string; sheet: string }>()
const emit = defineEmits<{ close: []; kept: [sheet: string]; applied: [] }>()
const { t, n } = useI18n()
const router = useRouter()
const { house, roleName } = useHouse()

const work = ref<PastedWork>(emptyWork(props.text))
const kept = useKept({
  kind: 'pasted',
  site: props.site.id,
  title: () => t('pasted.titleOf', { site: props.site.title }),
  work,
  worth: () => work.value.text.trim() !== '' && work.value.text.length <= MOST_CHARACTERS,
  id: props.sheet,
  over: (sheet) => void router.replace({ name: 'sheet', params: { sheet } }),
})
watch(kept.id, (id) => id && emit('kept', id))

const tooLong = computed(() => work.value.text.length > MOST_CHARACTERS)
const asked = useSlowly(
  computed(() => ({ text: work.value.text, role: work.value.role || null })),
  350,
)
const { data: read, error } = useQuery({
  queryKey: ['intake', 'pasted', computed(() => props.site.id), asked],
  enabled: computed(() => kept.opened.value && !tooLong.value && asked.value.text.trim() !== ''),
  queryFn: () =>
    take(api.POST('/sites/{site}/intake', { params: { path: { site: props.site.id } }, body: asked.value })),
  placeholderData: keepPreviousData,
})
const items = computed(() => keyed(read.value?.items ?? []))
const said = (item: PastedItem): Said => work.value.said[item.key] ?? {}
const say = (item: PastedItem, more: Said) =>
  (work.value.said = { ...work.value.said, [item.key]: { ...said(item), ...more } })
const who = (item: PastedItem) => (item.outcome === 'repeat' ? undefined : whoOf(item, said(item)))
/** Lines kept for an invitation, on their way to one. */
const invitees = computed(() => items.value.filter((item) => said(item).keep).map((item) => item.text))
const open = (item: PastedItem) => !said(item).out && !said(item).keep

const wishes = computed(() =>
  items.value
    .filter((item) => open(item) && who(item))
    .map((item) => {
      const own = said(item)
      const line: LineWish = {
        person: who(item)!.person.id,
        verb: 'let-in',
        named: item.text.slice(0, 300),
        role: own.role || work.value.role || null,
        fromDay: own.fromDay || work.value.fromDay || null,
        untilDay: own.untilDay || work.value.untilDay || null,
        section: own.section || work.value.section || null,
        sure: !!own.sure,
      }
      return { key: item.key, wish: { site: props.site.id, text: item.text.slice(0, 200), line } }
    }),
)
const reviewed = useSlowly(
  computed(() => JSON.stringify(wishes.value)),
  200,
)
const {
  data: review,
  error: wrong,
  isFetching,
} = useQuery({
  queryKey: ['preview', 'pasted', computed(() => props.site.id), reviewed],
  enabled: computed(() => reviewed.value !== '[]'),
  queryFn: async () => {
    const asked = JSON.parse(reviewed.value) as typeof wishes.value
    const answer = await take(api.POST('/sheet-reviews', { body: { lines: asked.map((each) => each.wish) } }))
    return { ...answer, byKey: new Map(answer.lines.map((line) => [asked[line.key]!.key, line])) }
  },
  placeholderData: keepPreviousData,
})
const current = computed(() =>
  wishes.value.length && reviewed.value === JSON.stringify(wishes.value) && !isFetching.value
    ? review.value
    : undefined,
)
const lineOf = (item: PastedItem) => (who(item) && open(item) ? review.value?.byKey.get(item.key) : undefined)

/** What has to be looked at is on top of what is settled; what is so already, and what is nobody, is folded away. */
const part = (item: PastedItem): 'look' | 'so' | 'aside' | 'nobody' => {
  if (item.outcome === 'no-person') return 'nobody'
  if (!open(item)) return 'aside'
  return item.outcome === 'repeat' || lineOf(item)?.verdict === 'nothing-to-do' ? 'so' : 'look'
}
const parts = computed(() => {
  const all = {
    look: [] as PastedItem[],
    so: [] as PastedItem[],
    aside: [] as PastedItem[],
    nobody: [] as PastedItem[],
  }
  for (const item of items.value) all[part(item)].push(item)
  return all
})
const ready = computed(() => current.value?.verdicts.ready ?? 0)
const count = (test: (item: PastedItem) => boolean) => items.value.filter((item) => open(item) && test(item)).length
const sum = computed(() => {
  const toSettle = count(
    (item) => (item.outcome === 'choose' && !who(item)) || lineOf(item)?.verdict === 'needs-choice',
  )
  const unknown = count((item) => item.outcome === 'unknown' && !who(item))
  const already = count((item) => lineOf(item)?.verdict === 'nothing-to-do')
  const cannot = count((item) => ['refused', 'waits-for-seat'].includes(lineOf(item)?.verdict ?? ''))
  const site = current.value?.sites[0]
  return (
    [
      t('pasted.ready', { n: ready.value }, ready.value),
      toSettle && t('pasted.toSettle', { n: toSettle }, toSettle),
      already && t('pasted.already', { n: already }, already),
      unknown && t('pasted.unknown', { n: unknown }, unknown),
      cannot && t('pasted.cannot', { n: cannot }, cannot),
    ]
      .filter(Boolean)
      .join(', ') +
    (site
      ? '; ' +
        (site.seats === null
          ? t('pasted.heldAfter', { n: n(site.after) }, site.after)
          : t('pasted.seatsAfter', { after: n(site.after), seats: n(site.seats) }))
      : '') +
    '.'
  )
})

const termIsToCome = computed(() => props.site.term.startsOn > (house.value?.now ?? '').slice(0, 10))
const asks = computed(() => parts.value.look.some((item) => !who(item) && ['choose', 'unknown'].includes(item.outcome)))
const panel = ref<HTMLElement>()
const goToAsking = () => panel.value?.querySelector<HTMLElement>('li[data-asks]')?.focus()

function correct(item: PastedItem, text: string) {
  const lines = work.value.text.split(/\r\n|\r|\n/)
  // Several people may stand on one line: only what was read as this one is corrected.
  const line = lines[item.number - 1] ?? ''
  const at = line.toLowerCase().indexOf(item.text.toLowerCase())
  lines[item.number - 1] = at < 0 ? text : line.slice(0, at) + text + line.slice(at + item.text.length)
  work.value.text = lines.join('\n')
}

const { busy, run } = useBusy()
const apply = () =>
  run(async () => {
    const review = current.value
    if (!review) return
    const sheet = await kept.now()
    const lines = wishes.value.map(({ key, wish }) => {
      const line = review.byKey.get(key)
      return { ...wish, line: { ...wish.line, version: line?.version ?? null, siteVersion: line?.siteVersion ?? null } }
    })
    const settled = items.value
      .filter((item) => item.gist && said(item).person && open(item))
      .map((item) => ({ gist: item.gist, text: item.text.slice(0, 200), person: said(item).person! }))
    const applied = await take(
      api.POST('/sheets/{sheet}/apply', {
        params: { path: { sheet } },
        body: { lines, settled, ...telling(work.value.tell, work.value.words) },
      }),
    )
    emit('applied')
    if (applied.state === 'applying') await router.push({ name: 'sheet', params: { sheet } })
    else {
      const left = applied.total - applied.applied
      done(
        t('pasted.did', { n: applied.applied }, applied.applied),
        { site: props.site.id, sheet: applied.applied ? sheet : null },
        left ? t('sheet.leftOut', { n: left }, left) : '',
      )
      await refreshSite()
    }
  })
</script>

<template>
  <aside ref="panel" class="docked no-print" :aria-label="$t('pasted.title')" @keydown.esc.stop="$emit('close')">
    <button class="word shut" @click="$emit('close')">{{ $t('card.close') }}</button>
    <h2>{{ $t('pasted.title') }}</h2>
    <p class="soft small kept" role="status">{{ $t('pasted.kept.' + (kept.state.value || 'not')) }}</p>
    <p v-if="tooLong" class="clay" role="alert">
      {{ $t('pasted.tooLong', { n: $n(work.text.length), most: $n(MOST_CHARACTERS) }) }}
    </p>
    <p v-else-if="error" class="clay" role="alert">{{ error.message }}</p>
    <div v-if="kept.opened.value && (tooLong || error || !work.text.trim())" class="field">
      <label for="pasted-text">{{ $t('pasted.empty') }}</label>
      <textarea id="pasted-text" v-model.lazy="work.text" class="plain" rows="14" spellcheck="false" />
    </div>
    <template v-else-if="read">
      <p class="sum" role="status">{{ sum }}</p>
      <fieldset class="all">
        <legend class="unseen">{{ $t('pasted.forAll') }}</legend>
        <label
          >{{ $t('pasted.as') }}
          <select v-model="work.role" class="plain">
            <option value="">{{ $t('pasted.suggested') }}</option>
            <option v-for="each in house?.roles" :key="each.code" :value="each.code">
              {{ each.name.toLowerCase() }}
            </option>
          </select>
        </label>
        <label v-if="site.sections.length"
          >{{ $t('pasted.section') }}
          <select v-model="work.section" class="plain">
            <option value="">{{ $t('pasted.noSection') }}</option>
            <option v-for="each in site.sections" :key="each.id" :value="each.id">{{ each.name }}</option>
          </select>
        </label>
        <label
          >{{ $t('pasted.from') }}
          <input
            v-model="work.fromDay"
            type="date"
            aria-keyshortcuts="t"
            @keydown.t.prevent="termIsToCome && (work.fromDay = site.term.startsOn)"
        /></label>
        <button
          v-if="termIsToCome && work.fromDay !== site.term.startsOn"
          class="word"
          @click="work.fromDay = site.term.startsOn"
        >
          <kbd>t</kbd> {{ $t('pasted.termStart', { day: day(site.term.startsOn, 'UTC') }) }}
        </button>
        <label>{{ $t('pasted.until') }} <input v-model="work.untilDay" type="date" /></label>
      </fieldset>
      <TellThem
        v-model:tell="work.tell"
        v-model:words="work.words"
        kind="let-in"
        :site="site.id"
        :lines="current?.lines"
      />
      <p class="doing">
        <Button :disabled="!ready || busy" :label="$t('pasted.apply', { n: ready }, ready)" @click="apply" />
        {{ ' ' }}<button v-if="asks" class="word" @click="goToAsking">{{ $t('pasted.next') }}</button> {{ ' '
        }}<span class="soft small">{{ $t('pasted.keys') }}</span>
      </p>
      <p v-if="wrong" class="clay" role="alert">{{ wrong.message }}</p>
      <ol>
        <PastedLineRow
          v-for="item in parts.look"
          :key="item.key"
          :item="item"
          :said="said(item)"
          :who="who(item)"
          :line="lineOf(item)"
          :telling="work.tell"
          :site="site"
          :roles="house?.roles ?? []"
          :role-name="roleName"
          @say="say(item, $event)"
          @correct="correct(item, $event)"
        />
      </ol>
      <template v-for="name in ['so', 'aside', 'nobody'] as const" :key="name">
        <details v-if="parts[name].length" class="fold">
          <summary>{{ $t('pasted.fold.' + name, { n: parts[name].length }, parts[name].length) }}</summary>
          <ol>
            <PastedLineRow
              v-for="item in parts[name]"
              :key="item.key"
              :item="item"
              :said="said(item)"
              :who="who(item)"
              :line="lineOf(item)"
              :telling="work.tell"
              :site="site"
              :roles="house?.roles ?? []"
              :role-name="roleName"
              @say="say(item, $event)"
              @correct="correct(item, $event)"
            />
          </ol>
        </details>
      </template>
      <p v-if="invitees.length && site.may.includes('keep-doors')">
        <RouterLink :to="{ name: 'doors', params: { site: site.id }, state: { invite: invitees.join('\n') } }">{{
          $t('pasted.invite', { n: invitees.length }, invitees.length)
        }}</RouterLink>
      </p>
      <RememberedLines :site="site.id" />
    </template>
    <p v-else class="soft">{{ $t('card.ask.computing') }}</p>
  </aside>
</template>

<style scoped>
.docked {
  --docked: 620px;
}
h2 {
  padding-right: 60px;
}
.kept {
  margin-top: -10px;
}
.small {
  font-size: 0.9rem;
}
.sum {
  font-weight: 600;
}
.all {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  border: 0;
  padding: 0;
  margin: 0;
}
.doing {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
.field textarea {
  width: 100%;
  margin-top: 6px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 2px solid var(--line);
}
.fold > summary {
  cursor: pointer;
  color: var(--spruce);
  padding: 4px 0;
}
</style>
