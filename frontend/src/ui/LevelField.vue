<script setup lang="ts">
import { computed } from 'vue'
import { useLevels } from '@/shared/levels'
import { t } from '@/shared/words'
import NumberField from './NumberField.vue'
import PickOne from './PickOne.vue'

/** A level, or nothing: chosen by its name where the division has names for its levels, a number elsewhere. */
defineOptions({ inheritAttrs: false })
const level = defineModel<number | null>({ default: null })
const props = defineProps<{ label: string; division?: string; id?: string }>()
const { hasNames, levelOptions } = useLevels()
const options = computed(() => [{ value: '', label: t('parts.noLevel') }, ...levelOptions(props.division)])
</script>

<template>
  <PickOne
    v-if="hasNames(division)"
    v-bind="$attrs"
    :id="id"
    :label="label"
    :options="options"
    :model-value="level ? String(level) : ''"
    @update:model-value="level = $event ? Number($event) : null"
  />
  <NumberField
    v-else
    v-bind="$attrs"
    :id="id"
    v-model="level"
    :label="id ? undefined : label"
    :figures="2"
    :min="1"
    :max="40"
  />
</template>
