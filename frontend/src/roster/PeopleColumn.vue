<script setup lang="ts">
import Button from 'primevue/button'
import Listbox from 'primevue/listbox'
import { computed, ref, useTemplateRef } from 'vue'
import type { RosterRow } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { dotted } from '@/shared/lists'
import { listName } from '@/shared/sentences'
import { inSentence, t } from '@/shared/words'
import FindBox from '@/ui/FindBox.vue'
import SeatMeter from '@/ui/SeatMeter.vue'
import type { BoardColumn } from './board'

/**
 * One column of a board: who is in a section or a group, or in none. People are gone through with the arrows, chosen
 * with the space bar, and put elsewhere with the number of a column, by drag, or from the line that shows when some are
 * chosen.
 */
const props = defineProps<{
  column: BoardColumn
  /** The number that stands for it on the keyboard. */
  digit: number
  seats: number | null
  more: string
  /** What the column is called of those who are in none. */
  none: string
  /** Who was moved and is not there yet. */
  moves: { has: (person: string) => boolean }
  wrong: ReadonlyMap<string, string>
  mayMove: boolean
  find: (text: string) => RosterRow[]
  /** As high as those in it need, where there are many columns. */
  low?: boolean
  /** Whether a list is not pasted into one column. */
  noList?: boolean
}>()
const chosen = defineModel<string[]>('chosen', { required: true })
const emit = defineEmits<{
  /** People of another column, or of the list, are to come here. */
  take: [people: string[], from?: string]
  /** A key that stands for a column was pressed. */
  send: [people: string[], digit: number]
  step: [by: 1 | -1]
  paste: []
}>()
const { roleName, takesSeat } = usePlatform()
const list = useTemplateRef<{ $el: HTMLElement }>('list')
const over = ref(false)
const title = computed(() => props.column.name || props.none)
const called = (row: RosterRow) => listName(row.person)
const about = (row: RosterRow) =>
  [
    takesSeat(row.standing.role) ? '' : inSentence(roleName(row.standing.role)),
    props.moves.has(row.person.id) ? t('sections.moved') : '',
    row.standing.state === 'current' ? '' : inSentence(t(`state.${row.standing.state}`)),
  ]
    .filter(Boolean)
    .join(' · ')

const options = computed(() =>
  [...props.column.rows]
    .sort((a, b) => Number(takesSeat(a.standing.role)) - Number(takesSeat(b.standing.role)))
    .map((row) => ({ row, id: row.person.id, label: dotted(called(row), about(row)) })),
)

/** Whom a key or a drag is about: those chosen, or the one under it. */
const meant = (id: string) => (chosen.value.includes(id) ? [...chosen.value] : [id])
function underFocus(): string | undefined {
  const focused = list.value?.$el.querySelector('[data-p-focused="true"] [data-person]')
  return focused?.getAttribute('data-person') ?? undefined
}
function keyed(event: KeyboardEvent) {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
    event.preventDefault()
    event.stopPropagation()
    emit('step', event.key === 'ArrowLeft' ? -1 : 1)
  } else if (/^\d$/.test(event.key)) {
    // The list would look for it among the names.
    event.preventDefault()
    event.stopPropagation()
    const one = underFocus()
    const people = chosen.value.length ? [...chosen.value] : one ? [one] : []
    if (props.mayMove && people.length) emit('send', people, Number(event.key))
  }
}

function drag(event: DragEvent, id: string) {
  event.dataTransfer?.setData('text/plain', JSON.stringify({ people: meant(id), from: props.column.id }))
  if (event.dataTransfer) event.dataTransfer.effectAllowed = 'move'
}
function drop(event: DragEvent) {
  over.value = false
  try {
    const dropped = JSON.parse(event.dataTransfer?.getData('text/plain') ?? '') as { people: string[]; from: string }
    if (dropped.from !== props.column.id) emit('take', dropped.people, dropped.from)
  } catch {
    // Something else was dropped here.
  }
}
const here = computed(() => new Set(props.column.rows.map((row) => row.person.id)))
const lookFor = (text: string) => Promise.resolve(props.find(text).filter((row) => !here.value.has(row.person.id)))
const focus = () => list.value?.$el.querySelector<HTMLElement>('[role=listbox]')?.focus()
defineExpose({ focus })
/** The list itself is what is tabbed to: its two hidden stops would be there for those who listen to the page alone. */
const DIRECT = {
  list: { tabindex: 0 },
  hiddenFirstFocusableEl: { tabindex: -1 },
  hiddenLastFocusableEl: { tabindex: -1 },
}
</script>

<template>
  <section
    class="column"
    :class="{ over, none: !column.name, low }"
    :aria-label="title"
    @dragover.prevent="over = mayMove"
    @dragleave="over = false"
    @drop.prevent="mayMove && drop($event)"
  >
    <header>
      <h2>
        <kbd v-if="mayMove && digit < 10" aria-hidden="true">{{ digit }}</kbd> {{ title }}
      </h2>
      <span class="nums">
        <SeatMeter v-if="seats" :held="column.learners" :seats="seats" bare />
        <template v-else>{{ t('sections.learners', { n: $n(column.learners) }, column.learners) }}</template>
      </span>
      <p v-if="more" class="soft small">{{ more }}</p>
      <slot />
    </header>
    <div v-if="mayMove && column.name" class="add">
      <FindBox
        :label="t('sections.add', { name: title })"
        unseen
        small
        :from="1"
        :find="lookFor"
        :called="called"
        :placeholder="t('sections.addHint')"
        :none="t('sections.addNone')"
        @pick="emit('take', [$event.person.id])"
      />
      <Button v-if="!noList" size="small" variant="text" :label="t('sections.paste')" @click="emit('paste')" />
    </div>
    <Listbox
      ref="list"
      v-model="chosen"
      multiple
      :options="options"
      option-label="label"
      option-value="id"
      data-key="id"
      :aria-label="t('sections.listOf', { name: title, n: options.length }, options.length)"
      :empty-message="t('sections.nobody')"
      :virtual-scroller-options="options.length > 60 ? { itemSize: 34 } : undefined"
      :scroll-height="low ? '14rem' : '100%'"
      :disabled="!mayMove"
      :pt="DIRECT"
      @keydown.capture="keyed"
    >
      <template #option="{ option }">
        <span
          class="one"
          :class="{ moved: moves.has(option.id), wrong: wrong.has(option.id) }"
          :data-person="option.id"
          :draggable="mayMove"
          :title="wrong.get(option.id)"
          @dragstart="drag($event, option.id)"
        >
          <span class="name">{{ called(option.row) }}</span>
          <span v-if="about(option.row)" class="soft small">{{ about(option.row) }}</span>
        </span>
      </template>
    </Listbox>
  </section>
</template>

<style scoped>
.column {
  flex: 1 0 230px;
  max-width: 340px;
  min-height: 0;
  display: flex;
  flex-direction: column;
  border: 1px solid var(--line);
  border-top: 4px solid var(--spruce);
  border-radius: 4px;
  background: var(--sheet);
}
.column.low {
  max-width: none;
  flex: none;
}
.column.none {
  border-top-color: var(--brass);
}
.column.over {
  background: var(--mint-pale, var(--hover));
  outline: 2px solid var(--mint);
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: baseline;
  justify-content: space-between;
  padding: 8px 10px 6px;
}
h2 {
  font-size: 1.05rem;
  overflow-wrap: anywhere;
}
header p {
  width: 100%;
}
.small {
  font-size: 0.88rem;
}
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
  padding: 0 6px 6px 10px;
}
.add > :first-child {
  flex: 1 0 170px;
}
.p-listbox {
  flex: 1;
  min-height: 0;
  border: 0;
  border-top: 1px solid var(--line);
  border-radius: 0;
  background: transparent;
}
.low .p-listbox {
  flex: none;
}
.p-listbox :deep(.p-listbox-option) {
  padding: 0;
  border-radius: 0;
}
.column .p-listbox:not(.p-disabled) :deep(.p-listbox-option.p-listbox-option-selected) {
  background: var(--brass-pale);
  color: var(--ink);
}
.p-listbox :deep([role='listbox']:focus) {
  outline: none;
}
.p-listbox :deep([role='listbox']:focus [data-p-focused='true']) {
  outline: 2px solid var(--spruce);
  outline-offset: -2px;
}
.one {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  justify-content: space-between;
  width: 100%;
  padding: 5px 10px;
  border-left: 4px solid transparent;
}
.one.moved {
  border-left-color: var(--brass);
}
.one.wrong {
  border-left-color: var(--clay);
}
.one[draggable='true'] {
  cursor: grab;
}
.name {
  overflow-wrap: anywhere;
}
@media (max-width: 760px) {
  .column {
    max-width: none;
  }
}
</style>
