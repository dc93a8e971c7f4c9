<script setup lang="ts">
import { computed } from 'vue'
import { kindOptions } from '@/shared/kinds'
import { useLevels } from '@/shared/levels'
import { needless } from '@/shared/platform'
import { usePlatform } from '@/shared/platform'
import { t } from '@/shared/words'
import { divisionOptions } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'

/** What people are narrowed down by: their kind, division and level. */
const props = defineProps<{ chosen: (filter: string) => string }>()
defineEmits<{ choose: [filters: Record<string, string | undefined>] }>()
const { platform } = usePlatform()
const { levelOptions } = useLevels()
const choices = computed(() => ({
  kind: platform.value ? kindOptions() : [],
  division: divisionOptions(platform.value?.divisions),
  level: levelOptions(props.chosen('division')),
}))
</script>

<template>
  <PickOne
    v-for="name in (['kind', 'division', 'level'] as const).filter((each) => !needless.has(each))"
    :key="name"
    :label="t(`people.by.${name}`)"
    :model-value="chosen(name)"
    :options="[{ value: '', label: t(`people.any.${name}`) }, ...choices[name]]"
    @update:model-value="$emit('choose', { [name]: $event || undefined })"
  />
</template>
