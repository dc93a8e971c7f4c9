<script setup lang="ts">
import { computed, ref } from 'vue'
import type { HistoryEntry, Standing } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { ownLocale } from '@/shared/own'
import { day, lastDay } from '@/shared/sentences'
import { lastDone, undo } from '@/shared/undo'
import { inSentence, isSaid, t, tIn } from '@/shared/words'
import { grouped } from './grouped'

/** Entries of a history, newest first, each with its undo where there is one. Of several sites, each says where. */
const props = defineProps<{
  entries: HistoryEntry[]
  zone: string
  site?: string
  mayUndo: (entry: HistoryEntry) => boolean
}>()
const { roleName } = usePlatform()
const siteOf = (entry: HistoryEntry) => entry.site?.id ?? props.site ?? ''
/** Of a site that is part of another one by now there is no page. */
const isPart = (entry: HistoryEntry) => !!props.site && !!entry.site && entry.site.id !== props.site

/** An opening or a closing that was planned for later than it was written. */
function plannedFor({ code, data, at }: HistoryEntry): string {
  const after = data.after as { opensAt?: number; closesAt?: number } | undefined
  const seconds = code === 'site-open' ? after?.opensAt : code === 'site-closed' ? after?.closesAt : undefined
  if (!seconds || seconds * 1000 <= new Date(at).getTime() + 1000) return ''
  const instant = new Date(seconds * 1000).toISOString()
  return t(code === 'site-open' ? 'log.site-open-on' : 'log.site-closed-on', {
    day: code === 'site-open' ? day(instant, props.zone) : lastDay(instant, props.zone),
  })
}

function sentence(entry: HistoryEntry): string {
  const data = entry.data as {
    before?: Standing | null
    after?: Standing | null
    of?: string
    label?: string
    count?: number
    version?: number
    name?: string
    why?: string
    seed?: string
    people?: number
    to?: string
    from?: string
    split?: string
    cohort?: string
    role?: string
    added?: number
    removed?: number
  }
  const planned = plannedFor(entry)
  if (planned) return planned
  const role = (standing?: Standing | null) => inSentence(roleName(standing?.role))
  if (entry.code.startsWith('label'))
    return tIn('log', entry.code, {
      person: entry.person?.name ?? t('log.label-many', { n: data.count ?? 0 }, data.count ?? 0),
      label: data.label,
    })
  if (entry.code === 'settings-changed') return t('log.settings', { version: data.version ?? '' })
  if (entry.code === 'rules-changed') return t('log.rules', { version: data.version ?? '' })
  if (entry.code === 'administrator-named') return t('log.administrator', { person: entry.person?.name ?? '' })
  if (entry.code === 'undo') {
    const said = { person: entry.person?.name ?? '', what: data.of ? tIn('log.verbs', data.of) : '' }
    if (entry.person) return t(data.of ? 'log.undo-of' : 'log.undo', said)
    return t(data.of ? 'log.undo-site-of' : 'log.undo-site', said)
  }
  if (entry.code === 'invited')
    return t('log.invited', { n: data.people ?? 1, name: data.name ?? '' }, data.people ?? 1)
  const left = entry.code === 'group-moved' && !data.to
  const values = {
    name: data.name,
    n: data.count ?? 1,
    why: data.why,
    seed: data.seed,
    to: data.to,
    from: data.from,
    split: data.split,
    cohort: data.cohort,
    role: data.role ? inSentence(roleName(data.role)) : '',
    people: data.people,
    added: data.added,
    removed: data.removed,
    person: entry.person?.name ?? '',
    before: role(data.before),
    after: role(data.after),
  }
  return tIn('log', left ? 'group-left' : entry.code, values, data.count ?? 1)
}
/** From what to what, where it is somebody's standing that changed. */
function turned({ data }: HistoryEntry): string {
  const { before, after } = data as { before?: Standing | null; after?: Standing | null }
  if (!before?.state || !after?.state || before.state === after.state) return ''
  return t('log.turned', { before: t(`state.${before.state}`), after: t(`state.${after.state}`) })
}

/** Of several people the same may be said in one line, where it has a name. */
const joins = (entry: HistoryEntry) => entry.person !== null && isSaid('log.verbs', entry.code)
const days = computed(() => grouped(props.entries, (instant) => day(instant, props.zone), joins))
const timeOf = (instant: string) =>
  new Intl.DateTimeFormat(ownLocale, { hour: '2-digit', minute: '2-digit', timeZone: props.zone }).format(
    new Date(instant),
  )
const unfolded = ref(new Set<string>())
const key = (some: HistoryEntry[]) => siteOf(some[0]!) + some[0]!.sequence
function fold(which: string) {
  const now = new Set(unfolded.value)
  if (!now.delete(which)) now.add(which)
  unfolded.value = now
}
/** What was done, to be read after who did it: who did something about themselves is named once. */
function deed(entry: HistoryEntry) {
  const whole = sentence(entry)
  return whole.startsWith(entry.actor.name + ' ') ? whole.slice(entry.actor.name.length + 1) : whole
}
const said = (entry: HistoryEntry) => `${entry.actor.name} ${deed(entry)}`
</script>

<template>
  <section v-for="{ day: on, groups } in days" :key="on">
    <h3>{{ on }}</h3>
    <ol>
      <template v-for="{ entries: some } in groups" :key="siteOf(some[0]!) + some[0]!.sequence">
        <li v-if="some.length > 1" class="many">
          <span />
          <time class="nums" :datetime="some[0]!.at">{{ timeOf(some[0]!.at) }}</time>
          <span
            ><strong>{{ some[0]!.actor.name }}</strong
            >: {{ t('log.together', { what: tIn('log.verbs', some[0]!.code), n: $n(some.length) }) }}</span
          >
          <button class="word" :aria-expanded="unfolded.has(key(some))" @click="fold(key(some))">
            {{ t(unfolded.has(key(some)) ? 'log.fold' : 'log.unfold') }}
          </button>
        </li>
        <template v-if="some.length === 1 || unfolded.has(key(some))">
          <li v-for="entry in some" :key="siteOf(entry) + entry.sequence" :class="{ part: some.length > 1 }">
            <span class="num soft">{{ entry.sequence }}</span>
            <time class="nums" :datetime="entry.at">{{ timeOf(entry.at) }}</time>
            <span :class="{ gone: entry.undoneBy }"
              ><strong>{{ entry.actor.name }}</strong> {{ deed(entry)
              }}<span v-if="isPart(entry)" class="soft">, {{ t('log.in', { site: entry.site!.name }) }}</span
              ><template v-else-if="!site && entry.site"
                >,
                <RouterLink :to="{ name: 'history', params: { site: entry.site.id } }">{{
                  t('log.in', { site: entry.site.name })
                }}</RouterLink></template
              >
              <span v-if="turned(entry)" class="soft turned"> {{ turned(entry) }}</span></span
            >
            <span v-if="entry.undoneBy" class="soft">{{ t('log.undone') }}</span>
            <button
              v-else-if="entry.undoable && mayUndo(entry)"
              class="word"
              :disabled="lastDone.busy"
              :aria-label="`${t('undo.undo')}: ${said(entry)}`"
              @click="undo(siteOf(entry), entry.sequence, said(entry))"
            >
              {{ t('undo.undo') }}
            </button>
            <slot v-else name="default" :entry="entry" />
          </li>
        </template>
      </template>
    </ol>
  </section>
</template>

<style scoped>
h3 {
  font-size: 0.95rem;
  color: var(--soft);
  padding: 8px 4px 2px;
}
.part {
  background: var(--hover);
}
.turned {
  margin-left: 8px;
  white-space: nowrap;
}
ol {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 44px 50px 1fr auto;
  gap: 14px;
  padding: 5px 4px;
  border-bottom: 1px solid var(--line);
  align-items: baseline;
}
.gone {
  text-decoration: line-through;
  text-decoration-color: var(--soft);
}
@media (max-width: 640px) {
  li {
    grid-template-columns: 1fr auto;
  }
  li .num {
    display: none;
  }
  li > :nth-child(3) {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
