<script setup lang="ts">
import CalendarIcon from '@primevue/icons/calendar'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, defineAsyncComponent, ref, useId } from 'vue'
import { platformNow } from '@/shared/clock'
import { dayIn, numericDay, readDay, shortDay, writtenDay } from '@/shared/days'
import { ownZone } from '@/shared/own'
import { usePlatform } from '@/shared/platform'
import { t } from '@/shared/words'
import { useTerm } from './term'
import { useTyped } from './typed'

/**
 * A day as YYYY-MM-DD, or nothing: typed as people write it (7/9, 7 Sep, +7, t for the first day of the term) or
 * picked from a calendar, which is loaded when it is opened. What is no day stays and is said.
 */
defineOptions({ inheritAttrs: false })
const day = defineModel<string>({ default: '' })
const props = defineProps<{
  label: string
  /** Writes the label before the field. */
  shown?: boolean
  id?: string
  invalid?: boolean
  placeholder?: string
  zone?: string
}>()
const own = useId()
const Calendar = defineAsyncComponent(() => import('./DayCalendar.vue'))

const { platform } = usePlatform()
const ofPage = useTerm()
const today = () => dayIn(platformNow(), props.zone ?? ownZone)
const term = computed(() => {
  const coming = platform.value?.terms.filter((each) => each.startsOn > today()) ?? []
  return ofPage() ?? coming.sort((a, b) => a.startsOn.localeCompare(b.startsOn))[0]
})
const frame = () => ({ today: today(), first: term.value?.startsOn })
const { text, wrong, settle } = useTyped(
  day,
  (typed) => readDay(typed, frame()),
  (value) => writtenDay(value),
)

const root = ref<HTMLElement>()
const open = ref(false)

/** The letter t alone is the first day of the term at once. */
function first(event: KeyboardEvent) {
  const field = event.target as HTMLInputElement
  const all = field.selectionStart === 0 && field.selectionEnd === field.value.length
  if (!term.value || !all || event.ctrlKey || event.metaKey || event.altKey) return
  event.preventDefault()
  pick(term.value.startsOn)
}

function pick(picked: string) {
  text.value = picked
  settle()
  close()
}

function close() {
  if (!open.value) return
  open.value = false
  root.value?.querySelector('input')?.focus()
}
</script>

<template>
  <span class="asked-day">
    <label v-if="shown" :for="id ?? own">{{ label }}</label>
    <span ref="root" class="day">
      <InputText
        v-bind="$attrs"
        :id="id ?? own"
        v-model="text"
        class="nums"
        size="small"
        maxlength="24"
        autocomplete="off"
        :aria-label="shown ? undefined : label"
        :invalid="invalid || wrong"
        :placeholder="placeholder ?? t('day.example', { day: shortDay(today()) })"
        @keydown.t="first"
        @keydown.alt.down.prevent="open = true"
        @blur="settle"
      />
      <Button
        type="button"
        variant="text"
        size="small"
        :aria-label="t('day.open')"
        :aria-expanded="open"
        @click="open = !open"
      >
        <template #icon><CalendarIcon /></template>
      </Button>
      <Calendar
        v-if="open && root"
        :day="day"
        :today="today()"
        :term="term"
        :anchor="root"
        @pick="pick"
        @close="close"
      />
      <span v-if="wrong" class="clay wrong" role="alert">{{ t('day.wrong', { day: numericDay(today()) }) }}</span>
    </span>
  </span>
</template>

<style scoped>
.asked-day {
  display: inline-flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 8px;
}
.day {
  display: inline-flex;
  flex-wrap: wrap;
  align-items: center;
  position: relative;
}
.day > .p-inputtext {
  width: 10.5em;
  padding-right: 2.1em;
}
.day > .p-button {
  margin-left: -2.15em;
  width: 2em;
  padding: 0.2em;
}
.wrong {
  flex-basis: 100%;
  font-size: 0.9rem;
}
</style>
