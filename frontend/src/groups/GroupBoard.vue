<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import Button from 'primevue/button'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { shortDay } from '@/shared/days'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import { NONE } from '@/roster/board'
import PeopleColumn from '@/roster/PeopleColumn.vue'
import PickOne from '@/ui/PickOne.vue'
import Trouble from '@/ui/Trouble.vue'
import { refreshGroups, sizeOf, useGroupBoard, type Beside } from './groups'

const GroupsForm = defineAsyncComponent(() => import('./GroupsForm.vue'))
const GroupPaste = defineAsyncComponent(() => import('./GroupPaste.vue'))
const GroupsPaper = defineAsyncComponent(() => import('./GroupsPaper.vue'))
const WriteTo = defineAsyncComponent(() => import('@/messages/WriteTo.vue'))
const GroupWishes = defineAsyncComponent(() => import('./GroupWishes.vue'))

/** The groups of one split side by side, who is in none first; moved between them as one change list. */
const props = defineProps<{ site: Site; id: string; mayMove: boolean; mayChange: boolean }>()
/** What stands in the column on the right: one thing at a time. */
const beside = defineModel<Beside>('beside', { required: true })
const narrow = useMediaQuery('(max-width: 760px)')
const board = useGroupBoard(() => props.site, props.id)
const { columns, moves, pending, over } = board
const split = board.one.data
const trouble = computed(() => board.one.error.value ?? board.roster.error.value)
const waits = computed(() => board.one.isPending.value || board.roster.isPending.value)
const dropping = ref(false)

/** Those chosen, column by column. */
const chosen = ref<Record<string, string[]>>({})
const picked = computed(() => Object.values(chosen.value).flat())
const drawn = new Map<string, { focus: () => void }>()
const keep = (column: string, part: unknown) =>
  part ? drawn.set(column, part as { focus: () => void }) : drawn.delete(column)
function send(people: Iterable<string>, to: string) {
  board.move(people, to)
  chosen.value = {}
}
/** The nth column, as the keyboard numbers them: 0 for who is in none. */
function sendTo(people: string[], digit: number) {
  const to = columns.value[digit]
  if (to) send(people, to.id)
}
function step(index: number, by: 1 | -1) {
  const next = columns.value[index + by]
  if (next) drawn.get(next.id)?.focus()
}
const into = ref<string>()
watch(into, (to) => {
  if (to === undefined) return
  send(picked.value, to)
  into.value = undefined
})
const choices = computed(() =>
  columns.value.map(({ id, name, learners }) => ({
    value: id,
    label: t('sections.withCount', { name: name || t('groups.none'), n: learners }),
  })),
)

/** Two who are in two groups may change places. */
const two = computed(() => {
  const [one, other] = picked.value
  if (picked.value.length !== 2 || !one || !other) return undefined
  const of = (person: string) => columns.value.find(({ rows }) => rows.some((row) => row.person.id === person))?.id
  const [from, to] = [of(one), of(other)]
  return from !== undefined && to !== undefined && from !== to ? { one, other, from, to } : undefined
})
function swap() {
  if (!two.value) return
  const { one, other, from, to } = two.value
  board.move([one], to)
  board.move([other], from)
  chosen.value = {}
}

/** On a phone one column is shown at a time. */
const shown = ref(NONE)
watch(columns, (all) => !all.some(({ id }) => id === shown.value) && (shown.value = NONE))
const parts = computed(() =>
  narrow.value
    ? [columns.value.filter(({ id }) => id === shown.value)]
    : [columns.value.slice(0, 1), columns.value.slice(1)],
)
const about = (id: string) => {
  const group = columns.value.find((column) => column.id === id)?.group
  return group?.leader ? t('groups.leader', { name: group.leader.name }) : ''
}
const mayWrite = computed(() => props.site.may.includes('write-to-people') && !props.site.seenAs)
/** To whom one writes: the group of this id, or those who were chosen. */
const written = ref<string>()
const toChosen = ref<string[]>([])
const recipients = computed(() => {
  const column = columns.value.find(({ id }) => id === written.value)
  // Those who are in it: moves on the board are not made yet.
  const here = board.rows.value.filter(({ person }) => board.places.value.get(person.id) === column?.id)
  const people = column ? here.map(({ person }) => person.id) : toChosen.value
  const to = column ? column.name || t('groups.none') : t('messages.write.people', { n: people.length }, people.length)
  return { to, people }
})
const named = computed(() => columns.value.map(({ id, name }) => ({ value: id, label: name || t('groups.none') })))
function write(people?: string[]) {
  toChosen.value = people ?? []
  const full = split.value?.list.find((group) => group.people > 0)
  written.value = people ? undefined : (full?.id ?? NONE)
  beside.value = 'write'
}
const section = computed(() => props.site.sections.find(({ id }) => id === split.value?.section)?.name ?? '')
const facts = computed(() =>
  split.value
    ? [
        section.value ? t('groups.ofSection', { name: section.value }) : '',
        sizeOf(split.value),
        t('groups.people', { n: split.value.people }, split.value.people),
      ].filter(Boolean)
    : [],
)
const find = (text: string) => board.roster.find(text, 8, board.rows.value)

const { busy, run } = useBusy()
const apply = () => run(board.make)
const remind = () =>
  run(async () => {
    const path = { site: props.site.id, split: props.id }
    await take(api.POST('/sites/{site}/group-splits/{split}/reminders', { params: { path } }))
    done(t('groups.didRemind'))
    await refreshGroups()
  })
const drop = () =>
  run(async () => {
    const path = { site: props.site.id, split: props.id }
    const name = split.value?.name ?? ''
    await take(api.DELETE('/sites/{site}/group-splits/{split}', { params: { path } }))
    await refreshGroups()
    done(t('groups.didDrop', { name }), {
      back: async () => {
        await take(api.POST('/sites/{site}/group-splits/{split}/back', { params: { path } }))
        await refreshGroups()
        return t('groups.didBack', { name })
      },
    })
  })
const NOBODY: ReadonlyMap<string, string> = new Map()
</script>

<template>
  <Trouble v-if="trouble" :error="trouble" @again="(board.one.refetch(), board.roster.refetch())" />
  <p v-else-if="waits" class="soft" role="status">
    {{ t('sections.reading', { n: $n(board.roster.read.value) }) }}
  </p>
  <div v-else-if="split" class="beside">
    <div v-show="!narrow || !beside" class="whole">
      <div class="acts">
        <p class="nums" role="status">
          <strong>{{ t('groups.count', { n: split.groups }, split.groups) }}</strong>
          · {{ facts.join(' · ') }} · {{ t('groups.without', { n: split.without }, split.without) }}
          <span v-if="split.chooses && split.choosesUntil" class="brass">
            {{ t('groups.choosesUntil', { day: shortDay(split.choosesUntil) }) }}
          </span>
        </p>
        <button v-if="mayChange && split.chooses && split.without" class="word" :disabled="busy" @click="remind">
          {{ t('groups.remind', { n: split.without }, split.without) }}
        </button>
        <Button v-if="mayChange" size="small" variant="outlined" :label="t('groups.edit')" @click="beside = 'form'" />
        <Button
          v-if="mayChange && beside !== 'wishes'"
          size="small"
          variant="outlined"
          :label="t('groups.wishes.open')"
          @click="beside = 'wishes'"
        />
        <button v-if="mayMove" class="word" @click="beside = 'paste'">{{ t('groups.list') }}</button>
        <button v-if="mayWrite && split.groups" class="word" @click="write()">{{ t('groups.write') }}</button>
        <button v-if="split.groups" class="word" @click="beside = 'paper'">{{ t('groups.paper.open') }}</button>
        <button v-if="mayChange" class="word" :aria-expanded="dropping" @click="dropping = !dropping">
          {{ t('groups.drop') }}
        </button>
        <span v-if="mayMove && !narrow && !beside && columns.length > 1" class="soft small by-keys">{{
          t('groups.keys')
        }}</span>
      </div>
      <p v-if="dropping" class="sure" role="alert">
        {{ t('groups.dropSure') }}
        <Button size="small" severity="danger" :disabled="busy" :label="t('groups.dropYes')" @click="drop" />
        <button class="word" @click="dropping = false">{{ t('parts.cancel') }}</button>
      </p>
      <PickOne v-if="narrow" v-model="shown" shown :label="t('sections.show')" :options="choices" />
      <p v-if="picked.length" class="picked" role="status">
        <strong>{{ t('groups.chosen', { n: picked.length }, picked.length) }}</strong>
        <PickOne v-model="into" :label="t('groups.into')" :placeholder="t('groups.into')" :options="choices" />
        <Button v-if="two" size="small" variant="outlined" :label="t('groups.swap')" @click="swap" />
        <button v-if="mayWrite" class="word" @click="write(picked)">{{ t('messages.write.them') }}</button>
        <button class="word soft" @click="chosen = {}">{{ t('changeList.none') }}</button>
      </p>
      <div class="columns">
        <div v-for="(part, n) in parts" :key="n" :class="n ? 'cards' : 'first'">
          <PeopleColumn
            v-for="column in part"
            :ref="(drawn) => keep(column.id, drawn)"
            :key="column.id"
            :chosen="chosen[column.id] ?? []"
            :column="column"
            :digit="narrow ? 10 : columns.indexOf(column)"
            :seats="board.most(column.group)"
            :more="about(column.id)"
            :none="t('groups.none')"
            :moves="moves"
            :wrong="NOBODY"
            :may-move="mayMove"
            :find="find"
            :low="n > 0"
            no-list
            @update:chosen="chosen = { ...chosen, [column.id]: $event ?? [] }"
            @take="(people) => send(people, column.id)"
            @send="sendTo"
            @step="step(columns.indexOf(column), $event)"
          >
            <p v-if="column.group?.notes" class="soft small notes">{{ column.group.notes }}</p>
          </PeopleColumn>
        </div>
      </div>
      <div v-if="pending.length" class="sum" role="status">
        <p>
          <strong>{{ t('sections.moves', { n: pending.length }, pending.length) }}</strong>
          {{ ' '
          }}<span v-if="over.length" class="brass">
            {{ t('groups.over', { names: over.map(({ name }) => name).join(', ') }) }}
          </span>
        </p>
        <p class="doing">
          <Button
            size="small"
            :disabled="busy"
            :label="t('sections.apply', { n: pending.length }, pending.length)"
            @click="apply"
          />
          <button class="word" @click="moves.clear()">{{ t('sections.forget') }}</button>
        </p>
      </div>
    </div>
    <GroupsForm v-if="beside === 'form'" :site="site" :split="split" :board="board" @close="beside = ''" />
    <GroupPaste v-else-if="beside === 'paste'" :site="site" :split="split" :board="board" @close="beside = ''" />
    <GroupsPaper v-else-if="beside === 'paper'" :site="site" :split="split" :board="board" @close="beside = ''" />
    <WriteTo
      v-else-if="beside === 'write'"
      :site="site"
      :to="recipients.to"
      :people="recipients.people"
      @close="beside = ''"
    >
      <PickOne v-if="written !== undefined" v-model="written" shown :label="t('groups.writeTo')" :options="named" />
    </WriteTo>
    <GroupWishes v-else-if="beside === 'wishes'" :site="site" :split="split" :board="board" @close="beside = ''" />
  </div>
</template>

<style scoped>
.beside {
  flex: 1;
  display: flex;
  min-height: 0;
  min-width: 0;
}
.whole {
  flex: 1;
  min-width: 0;
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.acts,
.sure {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
}
.by-keys {
  margin-left: auto;
}
/* Who is in none stands at the left, however far one goes down the groups. */
.columns {
  flex: 1;
  min-height: 260px;
  display: flex;
  gap: 10px;
}
.first {
  flex: 1 0 240px;
  max-width: 280px;
  display: flex;
  min-height: 0;
}
.cards {
  flex: 4;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 10px;
  grid-auto-rows: max-content;
  align-content: start;
  overflow-y: auto;
}
.notes {
  white-space: pre-line;
  overflow-wrap: anywhere;
}
.small {
  font-size: 0.9rem;
}
.sum {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: center;
  border-top: 2px solid var(--brass);
  padding-top: 8px;
}
.doing {
  display: flex;
  gap: 14px;
  align-items: center;
  margin-left: auto;
}
@media (max-width: 760px) {
  .first {
    max-width: none;
  }
}
</style>
