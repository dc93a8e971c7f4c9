<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { api, take, type Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { FURTHER, type Further } from './roster'

/** Further words of the sentence that says whom the roster shows; each is changed or dropped in its place. */
const props = defineProps<{ site: Site; view: Record<Further, string>; helps: boolean }>()
const emit = defineEmits<{ look: [change: Record<string, string>] }>()
const { t } = useI18n()
const { platform } = usePlatform()
const { data: labels } = useQuery({
  queryKey: ['labels', computed(() => props.site.id), 'all'],
  enabled: computed(() => props.site.may.includes('label-people')),
  queryFn: () => take(api.GET('/sites/{site}/labels', { params: { path: { site: props.site.id } } })),
})
const days = (name: Further, counts: number[]) =>
  counts.map((n) => ({ value: String(n), label: t('further.' + name, { n }) }))

/** What each word may say. */
const choices = computed<Record<Further, { value: string; label: string }[]>>(() => ({
  section: props.site.sections.map(({ id, name }) => ({ value: id, label: t('further.section', { name }) })),
  level: Array.from({ length: 12 }, (_, index) => ({
    value: String(index + 1),
    label: t('further.level', { n: index + 1 }),
  })),
  division:
    platform.value?.divisions.map(({ code, name }) => ({ value: code, label: t('further.division', { name }) })) ?? [],
  door: props.helps
    ? ['staff', 'key', 'invitation', 'cohort', 'feed', 'preview'].map((kind) => ({
        value: kind,
        label: t('further.door.' + kind),
      }))
    : [],
  seen: props.helps ? [{ value: 'never', label: t('further.never') }, ...days('seen', [7, 14, 30, 60])] : [],
  ends: props.helps ? days('ends', [7, 14, 30]) : [],
  joined: days('joined', [7, 14, 30]),
  label: labels.value?.items.map(({ name }) => ({ value: name, label: t('further.label', { name }) })) ?? [],
}))
const active = computed(() => FURTHER.filter((name) => props.view[name]))
const offered = computed(() => FURTHER.filter((name) => !props.view[name] && choices.value[name].length))
const known = (name: Further) => choices.value[name].some(({ value }) => value === props.view[name])
const picked = (event: Event) => (event.target as HTMLSelectElement).value

function add(event: Event) {
  const name = picked(event) as Further
  const first = choices.value[name][0]
  if (first)
    emit('look', { [name]: name === 'level' && props.site.levels ? String(props.site.levels.lowest) : first.value })
  ;(event.target as HTMLSelectElement).value = ''
}
</script>

<template>
  <select
    v-for="name in active"
    :key="name"
    class="plain"
    :aria-label="$t('further.about.' + name)"
    :value="view[name]"
    @change="$emit('look', { [name]: picked($event) })"
  >
    <option v-if="!known(name)" :value="view[name]">
      {{
        name === 'door'
          ? $t('further.oneDoor')
          : $t('further.other', { what: $t('further.about.' + name), value: view[name] })
      }}
    </option>
    <option v-for="choice in choices[name]" :key="choice.value" :value="choice.value">{{ choice.label }}</option>
    <option value="">{{ $t('further.drop') }}</option>
  </select>
  <select v-if="offered.length" class="plain more" :aria-label="$t('further.add')" value="" @change="add">
    <option value="">{{ $t('further.and') }}</option>
    <option v-for="name in offered" :key="name" :value="name">{{ $t('further.about.' + name) }}</option>
  </select>
</template>

<style scoped>
select {
  padding: 3px 4px;
  max-width: 190px;
}
.more {
  max-width: 84px;
}
</style>
