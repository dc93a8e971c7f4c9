<script setup lang="ts" generic="T extends string | number | boolean">
import Select from 'primevue/select'
import { computed, useAttrs, useId } from 'vue'
import { t } from '@/shared/words'
import type { Option } from './options'

/**
 * One of several. Example: `<PickOne v-model="role" :label="t('roster.col.role')" :options="roles" />`. The label is
 * said to who cannot see; `shown` writes it before the field, too, or what is in the slot `label`, such as a word that
 * is told. Long lists can be filtered by typing.
 */
defineOptions({ inheritAttrs: false })
const value = defineModel<T>()
const props = defineProps<{
  label: string
  options: readonly Option<T>[]
  shown?: boolean
  /** Writes the label above the field, as forms do. */
  stacked?: boolean
  placeholder?: string
  id?: string
}>()
const attrs = useAttrs()
const LONG = 10
const own = useId()
const labelId = computed(() => (props.id ?? own) + '-label')

// An empty text is a choice like any other here, so that places in the list stand for what is chosen.
const keyed = computed(() => props.options.map((option, key) => ({ ...option, key })))
const groups = computed(() => {
  if (!props.options.some((option) => option.group)) return undefined
  const names = [...new Set(props.options.map((option) => option.group ?? ''))]
  return names.map((label) => ({ label, items: keyed.value.filter((option) => (option.group ?? '') === label) }))
})
const place = computed({
  get: () => keyed.value.find((option) => option.value === value.value)?.key ?? null,
  set: (key) => {
    const option = props.options[key ?? -1]
    if (option) value.value = option.value
  },
})
const list = computed(() => ({
  labelId: props.id,
  options: groups.value ?? keyed.value,
  optionLabel: 'label',
  optionValue: 'key',
  optionDisabled: 'disabled',
  optionGroupLabel: groups.value && 'label',
  optionGroupChildren: groups.value && 'items',
  filter: props.options.length > LONG,
  autoFilterFocus: true,
  filterPlaceholder: t('parts.filter'),
  placeholder: props.placeholder,
  // As high as the other fields of a form where it is as wide as they are.
  size: 'fluid' in attrs ? undefined : ('small' as const),
}))
</script>

<template>
  <span v-if="shown || stacked" class="pick" :class="{ stacked }">
    <span :id="labelId" class="label"
      ><slot name="label">{{ label }}</slot></span
    >
    <Select v-bind="{ ...$attrs, ...list }" v-model="place" :aria-labelledby="labelId" />
  </span>
  <Select v-else v-bind="{ ...$attrs, ...list }" v-model="place" :aria-label="label" />
</template>

<style scoped>
.pick {
  display: inline-flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
}
.stacked {
  display: grid;
  justify-items: start;
}
.stacked > .label {
  font-weight: 600;
  font-size: 0.92rem;
}
</style>
