<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, defineAsyncComponent, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Site } from '@/shared/api'
import { lookAt } from '@/shared/lookedAt'
import { detailColumn } from '@/shared/details'
import { usePlatform } from '@/shared/platform'
import { queries } from '@/shared/queries'
import { day } from '@/shared/sentences'
import { t } from '@/shared/words'
import LetPeopleIn from '@/intake/LetPeopleIn.vue'
import { useColumns } from '@/ui/columns'
import InTurn from '@/ui/InTurn.vue'
import Trouble from '@/ui/Trouble.vue'
import ChosenBar from './ChosenBar.vue'
import { daysOf } from '@/roster/days'
import { COLUMNS, rowColumns, type Column } from '@/roster/columns'
import type { AskingVerb } from '@/roster/asked'
import { useChosen } from '@/roster/chosen'
import RosterTable from './RosterTable.vue'
import RosterFilters from '@/roster/RosterFilters.vue'
import { useRoster } from '@/roster/roster'
import { openSections } from '@/roster/sections'

const CohortsFound = defineAsyncComponent(() => import('@/cohorts/CohortsFound.vue'))
const PersonColumn = defineAsyncComponent(() => import('@/roster/PersonColumn.vue'))
const ExportPanel = defineAsyncComponent(() => import('@/roster/ExportPanel.vue'))
const daysLoaded = () => import('@/roster/RosterDays.vue')
const RosterDays = defineAsyncComponent(daysLoaded)
const PastedList = defineAsyncComponent(() => import('@/changes/PastedList.vue'))
const WriteTo = defineAsyncComponent(() => import('@/messages/WriteTo.vue'))
const ChangePanel = defineAsyncComponent(() => import('@/changes/ChangePanel.vue'))

const props = defineProps<{ site: Site }>()
const route = useRoute()
const router = useRouter()
const { platform } = usePlatform()
const { view, look, sortBy, rows, counts, filtered, all, error, isPending, refetch } = useRoster(
  computed(() => props.site.id),
)

const person = computed(() => (typeof route.query.person === 'string' ? route.query.person : ''))
const narrow = useMediaQuery('(max-width: 760px)')
const takingAway = ref(false)
/** Whether the people over the term are shown, kept in the address. */
const days = computed({
  get: () => route.query.days === '1',
  set: (on) => void lookAt(router, { days: on ? '1' : undefined }),
})
const table = ref<InstanceType<typeof RosterTable>>()
const sees = (permission: Site['may'][number]) => props.site.may.includes(permission)
// It is on its way while what is above it is drawn.
if (days.value && sees('see-unlisted')) {
  void daysLoaded().catch(() => {})
  void queries.prefetchQuery(daysOf(props.site.id))
}
/** Of details, those that somebody here has. */
const details = computed(
  () => platform.value?.details.filter(({ code }) => rows.value.some((row) => row.details[code])) ?? [],
)
const detailColumns = computed(() => details.value.map(({ code }) => detailColumn(code)))
const shown = computed<Column[]>(() =>
  [...COLUMNS, ...detailColumns.value].filter(
    (column) =>
      (
        ({
          section: props.site.sections.length > 0,
          number: sees('see-unlisted'),
          seen: sees('see-activity'),
          work: sees('see-activity') && (narrow.value || rows.value.some((row) => row.work)),
          labels: rows.value.some((row) => row.labels.length),
          groups: rows.value.some((row) => row.groups.length),
        }) as Partial<Record<Column, boolean>>
      )[column] ?? true,
  ),
)
const columns = useColumns('roster', () => rowColumns(shown.value, details.value))
// On a narrow screen, and beside an open column, there is room for what tells people apart.
const aside = computed(() =>
  narrow.value
    ? ['kind', 'division', 'number', 'section', 'since', 'seen', 'work', 'labels', 'groups', ...detailColumns.value]
    : person.value || changeList.value || writes.value || list.value
      ? ['division', 'number', 'since', 'work', 'labels', 'groups', ...detailColumns.value]
      : [],
)
// What can be done to all of those chosen depends on what state they are shown in.
const verbs = computed<AskingVerb[]>(() => {
  const states: Partial<Record<typeof view.value.state, AskingVerb[]>> = {
    blocked: ['unblock'],
    ended: ['bring-back', 'block'],
    removed: ['bring-back', 'block'],
  }
  return [
    ...(states[view.value.state] ?? ['change-role', 'change-dates', 'pause', 'resume', 'remove', 'block']),
    ...(states[view.value.state] === undefined && sees('arrange-sections') && openSections(props.site).length
      ? ['put-in-section' as const]
      : []),
    ...(sees('label-people') ? ['label' as const] : []),
  ]
})
const changeList = ref<AskingVerb | ''>('')
/** Whether one writes to those chosen. */
const writes = ref(false)
watch(changeList, (verb) => verb && (writes.value = false))
/** A list somebody pasted into the box. */
const list = shallowRef<{ text: string; changeList: string } | null>(null)
/** The change list is kept in the address, so that it is there again after leaving. */
watch(
  () => route.query.changeList,
  (id) => typeof id === 'string' && id && !list.value && (list.value = { text: '', changeList: id }),
  { immediate: true },
)
/** A list takes the whole width: what was typed stands beside what was understood. */
const listed = computed(() => list.value !== null && sees('let-in') && !(changeList.value && chosen.size))
const openList = (text: string, id: string) => (list.value = { text, changeList: id })
const keepList = (id?: string) => void lookAt(router, { changeList: id })
function closeList() {
  list.value = null
  keepList()
}
const mayChoose = computed(() => sees('let-in') && !view.value.asOf && !props.site.seenAs)
const { chosen, choose, chooseAll, forget } = useChosen(rows, all, mayChoose)
function write() {
  changeList.value = ''
  writes.value = true
}
/** Everybody shown, or nobody when they all are. */
const allShown = () => (rows.value.every((row) => chosen.has(row.person.id)) ? chooseNobody() : chooseAll())
function chooseNobody() {
  forget()
  changeList.value = ''
  writes.value = false
}
// All who came through a door, removed as one change list that is reviewed first.
watch(
  rows,
  async (all) => {
    if (route.query.all !== 'remove' || !all.length || !mayChoose.value) return
    await lookAt(router, { all: undefined })
    await chooseAll()
    changeList.value = 'remove'
  },
  { immediate: true },
)
// What was is looked at, not changed.
watch(
  () => view.value.asOf,
  (asOf) => asOf && chooseNobody(),
)

const show = (id: string) => lookAt(router, { person: id }, true)
function hide() {
  void lookAt(router, { person: undefined }, true)
  table.value?.focus()
}

function open(id: string) {
  return sees('see-unlisted') ? show(id) : undefined
}
</script>

<template>
  <LetPeopleIn v-if="sees('let-in') && !site.seenAs" :site="site" @show="show" @list="openList">
    <template #also="{ q }"><CohortsFound :q="q" :site="site" /></template>
  </LetPeopleIn>
  <div class="below">
    <div v-show="!listed" class="roster">
      <InTurn>
        <RosterFilters
          v-model:away="takingAway"
          v-model:days="days"
          :site="site"
          :counts="counts"
          :view="view"
          :filtered="filtered"
          :any="rows.length > 0"
          :may="sees"
          :columns="columns"
          @look="look"
        />
        <div v-if="days && sees('see-unlisted')" class="over-term">
          <RosterDays :site="site" :as-of="view.asOf" @look="look({ asOf: $event })" />
          <RouterLink class="no-print" :to="{ name: 'site-forecast', params: { site: site.id } }">{{
            t('site.forecast')
          }}</RouterLink>
        </div>
        <p v-if="view.asOf" class="callout no-print" role="status">
          {{ t('roster.asOf', { day: day(view.asOf, 'UTC') }) }}
          <button class="word" @click="look({ asOf: '' })">{{ t('roster.now') }}</button>
        </p>
        <ChosenBar
          v-if="chosen.size"
          v-model:verb="changeList"
          :chosen="[...chosen]"
          :verbs="verbs"
          :of="counts?.shown ?? 0"
          :may-write="sees('write-to-people')"
          @write="write"
          @all="chooseAll"
          @none="chooseNobody"
        />
        <ExportPanel
          v-if="takingAway"
          :site="site"
          :columns="shown"
          :shown="columns.visible.value.map(({ key }) => key)"
          :total="counts?.shown ?? 0"
          :all="all"
          @close="takingAway = false"
        />
        <Trouble v-if="error" :error="error" @again="refetch()" />
        <InTurn>
          <RosterTable
            ref="table"
            :site="site"
            :view="view"
            :rows="rows"
            :total="counts?.shown ?? 0"
            :columns="columns"
            :aside="aside"
            :person="person"
            :chosen="chosen"
            :may-choose="mayChoose"
            :pending="isPending"
            :filtered="filtered"
            @open="open"
            @hide="hide"
            @choose="choose"
            @sort="sortBy"
            @all="allShown"
          />
        </InTurn>
      </InTurn>
    </div>
    <ChangePanel
      v-if="changeList && chosen.size"
      :key="changeList"
      :site="site"
      :people="[...chosen]"
      :verb="changeList"
      @close="changeList = ''"
      @applied="chooseNobody"
    />
    <WriteTo
      v-else-if="writes && chosen.size"
      :site="site"
      :to="t('messages.write.people', { n: chosen.size }, chosen.size)"
      :people="[...chosen]"
      @close="writes = false"
    />
    <PastedList
      v-else-if="list && listed"
      :key="list.text + list.changeList"
      :site="site"
      :text="list.text"
      :change-list="list.changeList"
      @close="closeList"
      @kept="keepList"
      @applied="closeList"
    />
    <PersonColumn v-else-if="person" :key="person" :site="site" :person="person" @close="hide" />
  </div>
</template>

<style scoped>
.roster {
  flex: 1;
  min-width: 0;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
/* Its place is kept until the picture, what it shows and its numbers are there. */
.over-term {
  min-height: 256px;
}
@media (max-width: 760px) {
  .roster {
    min-height: 300px;
  }
  .over-term {
    min-height: 308px;
  }
}
@media print {
  .roster {
    display: block;
  }
}
</style>
