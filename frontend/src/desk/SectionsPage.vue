<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useMediaQuery } from '@vueuse/core'
import Button from 'primevue/button'
import { computed, defineAsyncComponent, nextTick, ref, useTemplateRef, watch } from 'vue'
import { api, take, type Section, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { day, fullName } from '@/shared/sentences'
import { done, refreshSite } from '@/shared/undo'
import { t } from '@/shared/words'
import { NONE, useBoard } from '@/roster/board'
import { openSections } from '@/roster/sections'
import { hoursOf } from '@/weeks/weeks'
import ClashMeant from '@/roster/ClashMeant.vue'
import PeopleColumn from '@/roster/PeopleColumn.vue'
import PickOne from '@/ui/PickOne.vue'
import Trouble from '@/ui/Trouble.vue'

const SectionsForm = defineAsyncComponent(() => import('./SectionsForm.vue'))
const SectionsList = defineAsyncComponent(() => import('./SectionsList.vue'))
const MergeSites = defineAsyncComponent(() => import('./MergeSites.vue'))
const TakeOut = defineAsyncComponent(() => import('./TakeOut.vue'))

/** The sections of a site side by side: who is in which, and moved between them as one change list. */
const props = defineProps<{ site: Site }>()
const narrow = useMediaQuery('(max-width: 760px)')
const mayMove = computed(() => props.site.may.includes('arrange-sections') && !props.site.seenAs)
const mayArrange = computed(() => mayMove.value && props.site.seesAll)
const board = useBoard(() => props.site)
const many = computed(() => openSections(props.site).length)
const { columns, moves, wrong, lines, ready, settled, tooMany, read } = board
const { data: sections } = useQuery({
  queryKey: ['sections', computed(() => props.site.id)],
  queryFn: () => take(api.GET('/sites/{site}/sections', { params: { path: { site: props.site.id } } })),
})
const { data: hours } = useQuery({
  queryKey: ['hours', computed(() => props.site.id)],
  queryFn: () => take(api.GET('/sites/{site}/hours', { params: { path: { site: props.site.id } } })),
})
const factsOf = (id: string): Section | undefined => sections.value?.sections.find((section) => section.id === id)
const more = (id: string) => {
  const facts = factsOf(id)
  if (!facts) return ''
  return [
    facts.leads.length ? t('sections.leads', { names: facts.leads.map(({ name }) => name).join(', ') }) : '',
    hoursOf(hours.value?.hours, id) || facts.meets,
    facts.from ? t('sections.from', { day: day(facts.from + 'T12:00:00Z', 'UTC') }) : '',
    facts.until ? t('sections.until', { day: day(facts.until + 'T12:00:00Z', 'UTC') }) : '',
  ]
    .filter(Boolean)
    .join(' · ')
}
/** What stands in the column on the right, and of which section. */
const beside = ref<'' | 'form' | 'list' | 'merge' | 'out'>('')
const pasting = ref('')
const mayMerge = computed(() => mayArrange.value && props.site.may.includes('run-site'))
function put(what: typeof beside.value, section = '') {
  beside.value = what
  pasting.value = section
}

/** Those chosen, column by column. */
const chosen = ref<Record<string, string[]>>({})
const picked = computed(() =>
  Object.entries(chosen.value).flatMap(([from, people]) => people.map((id) => ({ id, from }))),
)
const drawn = useTemplateRef<{ focus: () => void }[]>('drawn')
function send(people: string[], to: string, from?: string) {
  board.move(people, to, from)
  chosen.value = {}
}
/** The nth column, as the keyboard numbers them: 0 for who is in none. */
function sendTo(people: string[], digit: number, from: string) {
  const to = columns.value[digit]
  if (to && to.id !== from) send(people, to.id, from)
}
function sendPicked(to: string) {
  for (const [from, people] of Object.entries(chosen.value)) if (from !== to) board.move(people, to, from)
  chosen.value = {}
}
function step(index: number, by: 1 | -1) {
  const next = index + by
  if (next >= 0 && next < columns.value.length) drawn.value?.[next]?.focus()
}

/** On a phone one column is shown at a time. */
const shown = ref(NONE)
watch(columns, (all) => !all.some(({ id }) => id === shown.value) && (shown.value = NONE))
const visible = computed(() => (narrow.value ? columns.value.filter(({ id }) => id === shown.value) : columns.value))
const columnName = (id: string) => columns.value.find((column) => column.id === id)?.name || t('sections.none')

const { busy, run } = useBusy()
const apply = () =>
  run(async () => {
    const applied = await board.make(true, lines.value)
    const count = applied.lines.filter(({ verdict }) => verdict === 'ready').length
    const left = applied.lines.length - count
    done(
      t('sections.did', { n: count }, count),
      {
        site: props.site.id,
        changeList: applied.changeList,
        entry: applied.lines.length === 1 ? applied.lines[0]!.entry : null,
      },
      left ? t('changeList.leftOut', { n: left }, left) : '',
    )
    board.forget()
    await refreshSite()
  })
const problems = computed(() =>
  [...wrong.value].map(([id, sentence]) => {
    const row = board.byId.value.get(id)
    return { id, name: row ? fullName(row.person) : '', sentence }
  }),
)
async function empty(id: string) {
  put('')
  const column = columns.value.find((each) => each.id === id)
  if (column)
    board.move(
      column.rows.map((row) => row.person.id),
      NONE,
      id,
    )
  await nextTick()
}
</script>

<template>
  <div class="below">
    <div v-show="!narrow || !beside" class="board">
      <div class="top">
        <p class="nums" role="status">
          <strong>{{ t('sections.count', { n: many }, many) }}</strong>
          · {{ t(site.apart ? 'sections.apart' : 'sections.together') }}
          <template v-if="!site.seesAll"> · {{ t('sections.onlyOwn') }}</template>
        </p>
        <Button
          v-if="mayArrange"
          size="small"
          :variant="columns.length > 1 ? 'outlined' : undefined"
          :label="t(columns.length > 1 ? 'sections.edit' : 'sections.make')"
          @click="put('form')"
        />
        <RouterLink
          v-if="mayArrange && site.may.includes('let-in') && site.sections.length"
          :to="`/sites/${site.id}/plan`"
          >{{ t('plans.open') }}</RouterLink
        >
        <button v-if="mayMerge && !beside" class="word" @click="put('merge')">{{ t('sections.merge.open') }}</button>
        <span v-if="mayMove && !narrow && !beside && columns.length > 1" class="soft small by-keys">{{
          t('sections.keys')
        }}</span>
      </div>
      <Trouble v-if="board.error.value" :error="board.error.value" @again="board.refetch()" />
      <p v-else-if="board.isPending.value" class="soft" role="status">{{ t('sections.reading', { n: $n(read) }) }}</p>
      <p v-else-if="columns.length === 1 && !site.sections.length" class="empty">{{ t('sections.empty') }}</p>
      <template v-else>
        <PickOne
          v-if="narrow"
          v-model="shown"
          shown
          :label="t('sections.show')"
          :options="
            columns.map(({ id, learners }) => ({
              value: id,
              label: t('sections.withCount', { name: columnName(id), n: learners }),
            }))
          "
        />
        <p v-if="picked.length" class="picked" role="status">
          <strong>{{ t('sections.chosen', { n: picked.length }, picked.length) }}</strong>
          <button
            v-for="column in columns.filter(({ id }) => !narrow || id !== shown)"
            :key="column.id"
            class="word"
            @click="sendPicked(column.id)"
          >
            {{ column.name || t('sections.takeOut') }}
          </button>
          <button class="word soft" @click="chosen = {}">{{ t('changeList.none') }}</button>
        </p>
        <div class="columns">
          <PeopleColumn
            v-for="(column, index) in visible"
            ref="drawn"
            :key="column.id"
            :chosen="chosen[column.id] ?? []"
            :column="column"
            :digit="narrow ? 10 : index"
            :seats="factsOf(column.id)?.seats ?? null"
            :more="more(column.id)"
            :moves="moves"
            :wrong="wrong"
            :may-move="mayMove"
            :none="t('sections.none')"
            :find="board.find"
            @update:chosen="chosen = { ...chosen, [column.id]: $event ?? [] }"
            @take="(people, from) => send(people, column.id, from)"
            @send="(people, digit) => sendTo(people, digit, column.id)"
            @step="step(index, $event)"
            @paste="put('list', column.id)"
          />
        </div>
        <div v-if="moves.size" class="sum" role="status">
          <p>
            <strong>{{ t('sections.moves', { n: moves.size }, moves.size) }}</strong>
            <template v-if="tooMany"> {{ t('sections.tooMany') }}</template>
            <template v-else-if="settled && wrong.size">
              {{ ' ' }}{{ t('sections.cannot', { n: wrong.size }, wrong.size) }}</template
            >
            <span v-if="board.trouble.value" class="clay" role="alert"> {{ board.trouble.value.message }}</span>
          </p>
          <ul v-if="settled && problems.length">
            <li v-for="each in problems.slice(0, 4)" :key="each.id" class="clay">
              {{ each.name }}: {{ each.sentence }}
              <button class="word" @click="board.forget([each.id])">{{ t('sections.putBack') }}</button>
            </li>
            <li v-if="problems.length > 4" class="soft">
              {{ t('sections.andMore', { n: problems.length - 4 }, problems.length - 4) }}
            </li>
          </ul>
          <ClashMeant v-if="settled" :clashes="board.clashes" :people="board.clashing.value" />
          <p class="doing">
            <Button
              size="small"
              :disabled="busy || !settled || !ready || tooMany"
              :label="t('sections.apply', { n: ready }, ready)"
              @click="apply"
            />
            <button class="word" @click="board.forget()">{{ t('sections.forget') }}</button>
          </p>
        </div>
      </template>
    </div>
    <SectionsForm
      v-if="beside === 'form' && sections"
      :site="site"
      :sections="sections"
      @close="put('')"
      @empty="empty"
      @out="put('out', $event)"
    />
    <MergeSites v-else-if="beside === 'merge'" :site="site" @close="put('')" />
    <TakeOut
      v-else-if="beside === 'out'"
      :key="pasting"
      :site="site"
      :section="{ id: pasting, name: columnName(pasting) }"
      @close="put('')"
    />
    <SectionsList
      v-else-if="beside === 'list'"
      :key="pasting"
      :site="site"
      :section="{ id: pasting, name: columnName(pasting) }"
      :rows="board.rows.value ?? []"
      @close="put('')"
      @take="(people) => (send(people, pasting), put(''))"
    />
  </div>
</template>

<style scoped>
.board {
  flex: 1;
  min-width: 0;
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 8px 2px 12px;
}
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
}
.by-keys {
  margin-left: auto;
}
.small {
  font-size: 0.9rem;
}
.columns {
  flex: 1;
  min-height: 240px;
  display: flex;
  gap: 10px;
  overflow-x: auto;
  padding-bottom: 4px;
}
.columns > .none {
  position: sticky;
  left: 0;
  z-index: 1;
}
.sum {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: center;
  border-top: 2px solid var(--brass);
  padding-top: 8px;
}
.sum ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.doing {
  display: flex;
  gap: 14px;
  align-items: center;
  margin-left: auto;
}
.empty {
  padding: 26px 10px;
  font-size: 1.05rem;
}
@media (max-width: 760px) {
  .columns > .none {
    position: static;
  }
}
</style>
