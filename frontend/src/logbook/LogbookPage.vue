<script setup lang="ts">
import { keepPreviousData, useInfiniteQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, defineAsyncComponent, reactive, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { api, take, type LogEntry, type Site, type Standing } from '@/app/api'
import { useHouse } from '@/app/house'
import { day, dayAndTime, lastDay } from '@/app/sentences'
import { lastDone, undo } from '@/app/undo'
import { useSlowly } from '@/ui/slowly'
import Trouble from '@/ui/Trouble.vue'

/** What happened in this site, newest first; what still can be is undone from its line. */
const props = defineProps<{ site: Site }>()
const { t } = useI18n()
const { roleName } = useHouse()
const RosterChanges = defineAsyncComponent(() => import('@/roster/RosterChanges.vue'))
const CODES = ['let-in', 'change-role', 'take-out', 'bring-back', 'pause', 'resume', 'change-dates', 'keep-out', 'lift-keep-out', 'lift-role', 'lift-dates', 'undo', 'site-changed', 'site-open', 'site-closed', 'site-draft'] as const
const comparing = ref(false)
const look = reactive({ q: '', code: '' as '' | (typeof CODES)[number], from: '', until: '' })
const slowly = useSlowly(computed(() => ({ q: look.q.trim() || undefined, code: look.code || undefined, from: look.from || undefined, until: look.until || undefined })), 150)
const filtered = computed(() => Object.values(slowly.value).some(Boolean))
const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage, refetch } = useInfiniteQuery({
  queryKey: ['logbook', computed(() => props.site.id), slowly],
  initialPageParam: undefined as string | undefined,
  queryFn: ({ pageParam }) => take(api.GET('/sites/{site}/logbook', { params: { path: { site: props.site.id }, query: { ...slowly.value, cursor: pageParam } } })),
  getNextPageParam: (page) => page.next ?? undefined,
  placeholderData: keepPreviousData
})
const entries = computed(() => data.value?.pages.flatMap((page) => page.items) ?? [])

/** An opening or a closing that was planned for later than it was written. */
function plannedFor({ code, data, at }: LogEntry): string {
  const after = data.after as { opensAt?: number; closesAt?: number } | undefined
  const seconds = code === 'site-open' ? after?.opensAt : code === 'site-closed' ? after?.closesAt : undefined
  if (!seconds || seconds * 1000 <= new Date(at).getTime() + 1000) return ''
  const instant = new Date(seconds * 1000).toISOString()
  return t(`log.${code}-on`, { day: code === 'site-open' ? day(instant, props.site.timeZone) : lastDay(instant, props.site.timeZone) })
}

function sentence(entry: LogEntry): string {
  const data = entry.data as { before?: Standing | null; after?: Standing | null; of?: string }
  const planned = plannedFor(entry)
  if (planned) return planned
  const role = (standing?: Standing | null) => roleName(standing?.role).toLowerCase()
  if (entry.code === 'undo') {
    const of = data.of ? ' ' + t('log.of', { what: t('log.verbs.' + data.of) }) : ''
    return t(entry.person ? 'log.undo' : 'log.undo-site', { person: entry.person?.name ?? '' }) + of
  }
  return t('log.' + entry.code, { person: entry.person?.name ?? '', before: role(data.before), after: role(data.after) })
}
const said = (entry: LogEntry) => `${entry.actor.name} ${sentence(entry)}`
const mayUndo = (entry: LogEntry) => entry.undoable && (entry.person ? props.site.may.includes('let-in') : props.site.may.includes('run-site'))
</script>

<template>
  <div class="scroll">
    <div class="page">
      <h2>{{ $t('log.title') }}</h2>
      <p class="look">
        <InputText v-model="look.q" size="small" maxlength="200" :placeholder="$t('log.find')" :aria-label="$t('log.find')" />
        <select v-model="look.code" class="plain" :aria-label="$t('log.any')">
          <option value="">{{ $t('log.any') }}</option>
          <option v-for="code in CODES" :key="code" :value="code">{{ $t('log.verbs.' + code) }}</option>
        </select>
        <label>{{ $t('log.from') }} <input v-model="look.from" type="date" /></label>
        <label>{{ $t('log.until') }} <input v-model="look.until" type="date" /></label>
        <button class="word" :aria-expanded="comparing" @click="comparing = !comparing">{{ $t(comparing ? 'log.close' : 'log.compare') }}</button>
      </p>
      <RosterChanges v-if="comparing" :site="site" />
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <p v-else-if="!isPending && !entries.length">{{ $t(filtered ? 'log.none' : 'log.empty') }}</p>
      <ol v-else>
        <li v-for="entry in entries" :key="entry.sequence">
          <span class="num soft">{{ entry.sequence }}</span>
          <time class="nums" :datetime="entry.at">{{ dayAndTime(entry.at, site.timeZone) }}</time>
          <span :class="{ gone: entry.undoneBy }"><strong>{{ entry.actor.name }}</strong> {{ sentence(entry) }}</span>
          <span v-if="entry.undoneBy" class="soft">{{ $t('log.undone') }}</span>
          <button v-else-if="mayUndo(entry)" class="word" :disabled="lastDone.busy" :aria-label="`${$t('undo.undo')}: ${said(entry)}`" @click="undo(site.id, entry.sequence, said(entry))">{{ $t('undo.undo') }}</button>
        </li>
      </ol>
      <Button v-if="hasNextPage" severity="secondary" :label="$t('log.more')" :disabled="isFetchingNextPage" @click="fetchNextPage()" />
    </div>
  </div>
</template>

<style scoped>
.scroll { overflow: auto; }
h2 { margin-bottom: 8px; }
.look { display: flex; flex-wrap: wrap; gap: 8px 12px; align-items: center; margin-bottom: 10px; }
.look .p-inputtext { width: 190px; }
ol { list-style: none; margin: 8px 0 14px; padding: 0; }
li { display: grid; grid-template-columns: 40px 110px 1fr auto; gap: 14px; padding: 5px 4px; border-bottom: 1px solid var(--line); align-items: baseline; }
.gone { text-decoration: line-through; text-decoration-color: var(--soft); }
@media (max-width: 640px) { li { grid-template-columns: 1fr auto; } li .num { display: none; } li > :nth-child(3) { grid-column: 1 / -1; grid-row: 2; } }
</style>
