<script setup lang="ts">
import PickOne from '@/ui/PickOne.vue'
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { useLevels } from '@/shared/levels'
import { usePlatform } from '@/shared/platform'
import { t, tIn } from '@/shared/words'
import type { Option } from '@/ui/options'
import { FURTHER, type Further } from './roster'
import { useSplits } from '@/shared/splits'

/** Further words of the sentence that says whom the roster shows; each is changed or dropped in its place. */
const props = defineProps<{ site: Site; view: Record<Further, string>; helps: boolean }>()
const emit = defineEmits<{ look: [change: Record<string, string>] }>()
const { platform } = usePlatform()
const { data: labels } = useQuery({
  queryKey: ['labels', computed(() => props.site.id), 'all'],
  enabled: computed(() => props.site.may.includes('label-people')),
  queryFn: () => take(api.GET('/sites/{site}/labels', { params: { path: { site: props.site.id } } })),
})
const { data: splits } = useSplits(() => props.site)
const { levelOptions } = useLevels()
const days = (name: 'seen' | 'ends' | 'joined', counts: number[]) =>
  counts.map((n) => ({ value: String(n), label: t(`further.${name}`, { n }) }))

/** What each word may say. */
const choices = computed<Record<Further, Option<string>[]>>(() => ({
  section: props.site.sections.length
    ? [
        ...props.site.sections.map(({ id, name }) => ({ value: id, label: t('further.section', { name }) })),
        ...(props.site.seesAll ? [{ value: 'none', label: t('card.noSection') }] : []),
      ]
    : [],
  group: (splits.value ?? [])
    .filter(({ awayAt, groups }) => !awayAt && groups)
    .flatMap(({ id, name: split, names }) => [
      ...names.map((group) => ({ value: group.id, label: t('further.group', { name: group.name, split }) })),
      { value: 'none-' + id, label: t('further.noGroup', { split }) },
    ]),
  level: levelOptions().map(({ value, label }) => ({ value, label: t('further.level', { level: label }) })),
  division:
    platform.value?.divisions.map(({ code, name }) => ({ value: code, label: t('further.division', { name }) })) ?? [],
  door: props.helps
    ? ['staff', 'key', 'invitation', 'cohort', 'feed', 'preview'].map((kind) => ({
        value: kind,
        label: tIn('further.door', kind),
      }))
    : [],
  seen: props.helps ? [{ value: 'never', label: t('further.never') }, ...days('seen', [7, 14, 30, 60])] : [],
  ends: props.helps ? days('ends', [7, 14, 30]) : [],
  joined: days('joined', [7, 14, 30]),
  label: labels.value?.items.map(({ name }) => ({ value: name, label: t('further.label', { name }) })) ?? [],
}))
const active = computed(() => FURTHER.filter((name) => props.view[name]))
const offered = computed(() => FURTHER.filter((name) => !props.view[name] && choices.value[name].length))
/** What a word may be changed to, what it says by the address alone and its dropping included. */
function offeredFor(name: Further): Option<string>[] {
  const known = choices.value[name].some(({ value }) => value === props.view[name])
  const other = t('further.other', { what: t(`further.about.${name}`), value: props.view[name] })
  return [
    ...(known ? [] : [{ value: props.view[name], label: name === 'door' ? t('further.oneDoor') : other }]),
    ...choices.value[name],
    { value: '', label: t('further.drop') },
  ]
}

function add(name: Further | undefined) {
  if (!name) return
  const first = choices.value[name][0]
  if (first)
    emit('look', { [name]: name === 'level' && props.site.levels ? String(props.site.levels.lowest) : first.value })
}
</script>

<template>
  <PickOne
    v-for="name in active"
    :key="name"
    :label="t(`further.about.${name}`)"
    :model-value="view[name]"
    :options="offeredFor(name)"
    @update:model-value="$emit('look', { [name]: $event! })"
  />
  <PickOne
    v-if="offered.length"
    :key="offered.length"
    class="more"
    :label="t('further.add')"
    :placeholder="t('further.and')"
    :options="offered.map((name) => ({ value: name, label: t(`further.about.${name}`) }))"
    :model-value="undefined"
    @update:model-value="add"
  />
</template>

<style scoped>
.p-select {
  max-width: 210px;
}
.more {
  max-width: 110px;
}
</style>
