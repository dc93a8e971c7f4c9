<script setup lang="ts" generic="T">
import AutoComplete, { type AutoCompleteCompleteEvent } from 'primevue/autocomplete'
import { nextTick, ref, shallowRef, useId } from 'vue'

/**
 * Finds one thing by what is typed: a field, and under it what it found, walked through with the arrows and picked with
 * Enter or a click; how many there are is announced.
 */
const props = defineProps<{
  label: string
  /** Looks for what was typed. */
  find: (query: string) => Promise<T[]>
  /** What a thing found is called, in one line. */
  called: (found: T) => string
  placeholder?: string
  /** What is said when nothing was found. */
  none: string
  /** From how many letters on something is looked for; with 0 also when the field is entered. */
  from?: number
  id?: string
  /** The label is only for those who listen. */
  unseen?: boolean
  small?: boolean
  /** The key that leads here from anywhere. */
  keys?: string
}>()
const emit = defineEmits<{ pick: [found: T] }>()
const own = useId()
const typed = ref<string | T>('')
const found = shallowRef<T[]>([])
/** What was asked last found nothing; before anything is asked, nothing is said. */
const nothing = ref(false)
const box = ref<{ search: (event: Event, query: string, source: string) => void; hide: () => void }>()
let latest = 0
let left = false
/** What was typed last, until it is answered. */
let awaited: string | undefined
let held: { key: string; field: EventTarget }[] = []

async function look(query: string) {
  const asked = ++latest
  const text = (awaited = query.trim())
  const answer = await props.find(text).catch(() => [])
  if (asked !== latest) return
  found.value = [...answer]
  nothing.value = answer.length === 0
  if (awaited !== text) return
  awaited = undefined
  await nextTick()
  for (const { key, field } of held.splice(0))
    field.dispatchEvent(new KeyboardEvent('keydown', { key, code: key, bubbles: true, cancelable: true }))
}

/** The field itself, not one of those beside it. */
const isField = (target: EventTarget | null) => (target as HTMLElement | null)?.id === (props.id ?? own)

function typing({ target }: Event) {
  if (!isField(target)) return
  const { value } = target as HTMLInputElement
  awaited = value.length >= (props.from ?? 2) ? value.trim() || undefined : undefined
  held = []
}

/** Heard once the field has taken what was typed: whatever is drawn anew before that would undo it. */
function taken() {
  if (awaited === undefined) nothing.value = false
}

/** Whoever types fast means what they typed, not what was found for its beginning: these keys wait for the answer. */
function hold(event: KeyboardEvent) {
  const { key, target } = event
  if (awaited === undefined || !target || !isField(target) || !['ArrowDown', 'ArrowUp', 'Enter'].includes(key)) return
  event.preventDefault()
  event.stopPropagation()
  held.push({ key, field: target })
}

function leave() {
  left = true
  held = []
}

function pick(chosen: T) {
  typed.value = ''
  found.value = []
  emit('pick', chosen)
}

/** What was found after the field had been left is not held before whoever is elsewhere by now. */
function shown() {
  if (left) box.value?.hide()
}

/** Looks again, when something beside the field says what is looked for. */
function again() {
  left = false
  box.value?.search(new Event('again'), typeof typed.value === 'string' ? typed.value : '', 'dropdown')
}
defineExpose({ again })
</script>

<template>
  <div class="find" @input.capture="typing" @input="taken" @keydown.capture="hold">
    <label :for="id ?? own" :class="{ unseen }">{{ label }}</label>
    <AutoComplete
      ref="box"
      v-model="typed"
      :input-id="id ?? own"
      :suggestions="found"
      :option-label="(each: T) => (typeof each === 'string' ? each : called(each))"
      :min-length="from ?? 2"
      :complete-on-focus="from === 0"
      :delay="130"
      :placeholder="placeholder"
      :empty-search-message="nothing ? none : ' '"
      :pt="{ pcInputText: { root: { spellcheck: 'false', maxlength: 200, 'aria-keyshortcuts': keys } } }"
      :size="small ? 'small' : undefined"
      fluid
      @complete="(event: AutoCompleteCompleteEvent) => look(event.query)"
      @option-select="pick($event.value)"
      @focus="left = false"
      @blur="leave"
      @show="shown"
    >
      <template #option="{ option }"
        ><span class="one"
          ><slot :found="option as T">{{ called(option) }}</slot></span
        ></template
      >
    </AutoComplete>
    <slot name="beside" />
  </div>
</template>

<style scoped>
.find {
  display: grid;
  gap: 4px;
}
label:not(.unseen) {
  font-weight: 600;
  font-size: 0.92rem;
}
.one {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: center;
}
</style>
