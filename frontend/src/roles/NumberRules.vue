<script setup lang="ts">
import Tick from '@/ui/Tick.vue'
import NumberField from '@/ui/NumberField.vue'
import InputText from 'primevue/inputtext'
import type { Rules } from '@/shared/api'
import { t } from '@/shared/words'
import { kindWords } from './rules'

/** How numbers are written, as sentences; for those who may, each to be changed in its place. */
const props = defineProps<{
  rules: Rules
  mayChange: boolean
  wrongAt: (where: string) => string[]
  edit: () => Rules
}>()
const KINDS = ['learner', 'staff', 'guardian', 'external'] as const
type Format = Rules['numbers'][number]

/** The check digit that makes a number right (Luhn), for the example only. */
function luhn(digits: string): string {
  const sum = [...digits].reverse().reduce((total, digit, place) => {
    const value = Number(digit) * (place % 2 ? 1 : 2)
    return total + (value > 9 ? value - 9 : value)
  }, 0)
  return String((10 - (sum % 10)) % 10)
}

function example(format: Format): string {
  const digits = '2041356798'.repeat(4).slice(0, Math.max(1, Math.min(20, format.digits) - (format.checked ? 1 : 0)))
  return format.prefix + digits + (format.checked ? luhn(digits) : '')
}

const sentence = (format: Format) =>
  t('rules.number.sentence', {
    name: format.name,
    n: format.digits,
    example: example(format),
    kinds: kindWords(format.kinds),
    prefix: format.prefix ? t('rules.number.before', { letters: format.prefix }) : '',
    check: format.checked ? t('rules.number.check') : '',
  })

function set<K extends keyof Format>(index: number, field: K, value: Format[K]) {
  props.edit().numbers[index]![field] = value
}

function kind(index: number, each: Format['kinds'][number]) {
  const kinds = props.edit().numbers[index]!.kinds
  if (kinds.includes(each)) kinds.splice(kinds.indexOf(each), 1)
  else kinds.push(each)
}

/** Most places have numbers of learners, if any. */
function add() {
  const { numbers } = props.edit()
  const first: Format = {
    name: t('rules.number.ofLearners'),
    kinds: ['learner'],
    prefix: '',
    digits: 7,
    checked: false,
  }
  numbers.push(numbers.length ? { name: '', kinds: ['external'], prefix: 'X', digits: 6, checked: false } : first)
}
const remove = (index: number) => props.edit().numbers.splice(index, 1)
</script>

<template>
  <section v-for="(format, index) in rules.numbers" :key="index" class="format">
    <p v-if="format.name">{{ sentence(format) }}</p>
    <div v-if="mayChange" class="row">
      <div class="field">
        <label :for="'number-name-' + index">{{ t('rules.number.name') }}</label><InputText
          :id="'number-name-' + index"
          size="small"
          maxlength="40"
          :model-value="format.name"
          @update:model-value="set(index, 'name', $event ?? '')"
        />
      </div>
      <div class="field">
        <label :for="'number-prefix-' + index">{{ t('rules.number.prefix') }}</label><InputText
          :id="'number-prefix-' + index"
          size="small"
          class="figures"
          maxlength="6"
          :model-value="format.prefix"
          @update:model-value="set(index, 'prefix', ($event ?? '').toUpperCase())"
        />
      </div>
      <div class="field">
        <label :for="'number-digits-' + index">{{ t('rules.number.digits') }}</label><NumberField
          :id="'number-digits-' + index"
          :figures="2"
          :model-value="format.digits"
          @update:model-value="set(index, 'digits', $event ?? 0)"
        />
      </div>
      <Tick :model-value="format.checked" @update:model-value="set(index, 'checked', !format.checked)">{{
        t('rules.number.checked')
      }}</Tick>
      <span
        >{{ t('rules.number.kinds') }}
        <Tick
          v-for="each in KINDS"
          :key="each"
          :model-value="format.kinds.includes(each)"
          @update:model-value="kind(index, each)"
          >{{ t(`rules.kinds.${each}`) }}</Tick
        ></span
      >
      <button type="button" class="word clay" @click="remove(index)">{{ t('rules.number.remove') }}</button>
    </div>
    <p v-for="wrong in wrongAt('numbers/' + index)" :key="wrong" class="clay" role="alert">{{ wrong }}</p>
  </section>
  <p v-if="mayChange">
    <button class="word" @click="add">
      {{ t(rules.numbers.length ? 'rules.number.add' : 'rules.number.addFirst') }}
    </button>
  </p>
</template>

<style scoped>
.format {
  border-bottom: 1px solid var(--line);
  padding-bottom: 12px;
  display: grid;
  gap: 8px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: end;
}
.short {
  width: 90px;
}
span label {
  margin-right: 12px;
}
</style>
