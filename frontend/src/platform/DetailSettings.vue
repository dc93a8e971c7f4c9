<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed } from 'vue'
import type { Settings } from '@/shared/api'
import { codeFrom } from '@/shared/codes'
import { listed } from '@/shared/lists'
import { inSentence, t } from '@/shared/words'
import { optionsIn } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'
import { useListed } from './listed'
import { kindsOf, type PartOfSettings } from './settings'

/** What is kept of people beside name, level, number and address; one at a time is changed in its place. */
type Detail = Settings['details'][number]
const TYPES = ['text', 'choice', 'date', 'number'] as const
const READERS = ['staff', 'themselves'] as const
const props = defineProps<PartOfSettings>()
const { open, toggle, add: put, remove, up } = useListed(() => props.edit().details)
const details = computed(() => props.settings.details)
const kinds = computed(() => kindsOf(props.settings))

function set(index: number, how: Partial<Detail>) {
  const detail = props.edit().details[index]!
  const others = details.value.map(({ code }) => code).filter((code) => code !== detail.code)
  Object.assign(detail, how)
  // The code of one that is only in the draft follows its name.
  if (how.name !== undefined && !props.known('details').has(detail.code))
    detail.code = codeFrom(how.name || 'detail', others)
}
function add() {
  const code = codeFrom(
    'detail',
    details.value.map((each) => each.code),
  )
  put({ code, name: '', type: 'text', choices: [], kinds: [], seenBy: ['staff'], changedBy: [] })
}
const with_ = <T extends string>(all: readonly T[], one: T, on: boolean): T[] =>
  on ? [...all, one] : all.filter((each) => each !== one)
/** Whoever changes something sees it. */
function seen(index: number, reader: (typeof READERS)[number], on: boolean) {
  const { seenBy, changedBy } = details.value[index]!
  set(index, { seenBy: with_(seenBy, reader, on), changedBy: on ? changedBy : with_(changedBy, reader, false) })
}
function changed(index: number, reader: (typeof READERS)[number], on: boolean) {
  const { seenBy, changedBy } = details.value[index]!
  set(index, {
    changedBy: with_(changedBy, reader, on),
    seenBy: on && !seenBy.includes(reader) ? [...seenBy, reader] : seenBy,
  })
}
/** Empty lines are left out once the field is left. */
const tidy = (index: number) => {
  const kept = details.value[index]!.choices.map((choice) => choice.trim()).filter(Boolean)
  if (kept.join('\n') !== details.value[index]!.choices.join('\n')) set(index, { choices: kept })
}
const SOME = 3
const some = (choices: string[]) => choices.slice(0, SOME).join(', ') + (choices.length > SOME ? '…' : '')
const said = (detail: Detail) =>
  [
    detail.type === 'choice' && detail.choices.length
      ? t('platform.details.oneOf', { n: detail.choices.length, choices: some(detail.choices) }, detail.choices.length)
      : inSentence(t(`platform.details.types.${detail.type}`)),
    ...(detail.kinds.length
      ? [listed(kinds.value.filter(({ code }) => detail.kinds.includes(code)).map(({ name }) => name))]
      : []),
    t('platform.details.seenSaid', {
      who: listed([
        t('platform.details.readers.administrators'),
        ...detail.seenBy.map((reader) => t(`platform.details.readers.${reader}`)),
      ]),
    }),
  ].join(' · ')
</script>

<template>
  <p class="soft">{{ t('platform.details.more') }}</p>
  <p v-if="!details.length" class="empty">{{ t('platform.details.empty') }}</p>
  <ul v-else>
    <li v-for="(detail, index) in details" :key="index">
      <p class="line">
        <strong>{{ detail.name || '…' }}</strong>
        <span class="soft">{{ said(detail) }}</span>
        <template v-if="mayChange">
          <button
            class="word"
            :aria-expanded="open === index"
            :aria-label="open === index ? undefined : t('platform.editOf', { name: detail.name })"
            @click="toggle(index)"
          >
            {{ t(open === index ? 'platform.close' : 'platform.edit') }}
          </button>
          <button v-if="index" class="word" :aria-label="t('platform.upOf', { name: detail.name })" @click="up(index)">
            {{ t('platform.up') }}
          </button>
          <button class="word clay" :aria-label="t('platform.takeOf', { name: detail.name })" @click="remove(index)">
            {{ t('platform.take') }}
          </button>
        </template>
      </p>
      <p v-for="wrong in wrongAt('details/' + index)" :key="wrong" class="clay" role="alert">{{ wrong }}</p>
      <div v-if="mayChange && open === index" class="form">
        <div class="field">
          <label :for="`detail-name-${index}`">{{ t('platform.span.name') }}</label>
          <InputText
            :id="`detail-name-${index}`"
            size="small"
            maxlength="40"
            :model-value="detail.name"
            fluid
            @update:model-value="set(index, { name: $event ?? '' })"
          />
        </div>
        <PickOne
          stacked
          :label="t('platform.details.type')"
          :options="optionsIn(TYPES, (type) => t(`platform.details.types.${type}`))"
          :model-value="detail.type"
          @update:model-value="set(index, { type: $event! })"
        />
        <div v-if="detail.type === 'choice'" class="field">
          <label :for="`detail-choices-${index}`">{{ t('platform.details.choices') }}</label>
          <Textarea
            :id="`detail-choices-${index}`"
            rows="6"
            fluid
            :model-value="detail.choices.join('\n')"
            @update:model-value="set(index, { choices: $event ? $event.split('\n') : [] })"
            @blur="tidy(index)"
          />
        </div>
        <fieldset>
          <legend>{{ t('platform.details.kinds') }}</legend>
          <Tick
            v-for="kind in kinds"
            :key="kind.code"
            :model-value="detail.kinds.includes(kind.code)"
            @update:model-value="set(index, { kinds: with_(detail.kinds, kind.code, $event === true) })"
            >{{ kind.name }}</Tick
          >
          <span class="hint">{{ t('platform.details.kindsHint') }}</span>
        </fieldset>
        <fieldset>
          <legend>{{ t('platform.details.seenBy') }}</legend>
          <Tick
            v-for="reader in READERS"
            :key="reader"
            :model-value="detail.seenBy.includes(reader)"
            @update:model-value="seen(index, reader, $event === true)"
            >{{ t(`platform.details.sees.${reader}`) }}</Tick
          >
        </fieldset>
        <fieldset>
          <legend>{{ t('platform.details.changedBy') }}</legend>
          <Tick
            v-for="reader in READERS"
            :key="reader"
            :model-value="detail.changedBy.includes(reader)"
            @update:model-value="changed(index, reader, $event === true)"
            >{{ t(`platform.details.changes.${reader}`) }}</Tick
          >
          <span class="hint">{{ t('platform.details.always') }}</span>
        </fieldset>
      </div>
    </li>
  </ul>
  <p v-if="mayChange">
    <Button size="small" variant="outlined" :label="t('platform.details.add')" @click="add" />
  </p>
</template>

<style scoped src="./listed.css" />
