<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed } from 'vue'
import { api, take } from '@/shared/api'
import { t } from '@/shared/words'
import PickOne from '@/ui/PickOne.vue'

/** The section many come into: with its seats, and with how many of them have something else at that time. */
const section = defineModel<string>({ required: true })
const props = defineProps<{
  site: string
  people: string[]
  role: string
  fromDay: string
  untilDay: string
}>()
/** More are not looked at section by section. */
const MOST = 1_000
const { data: site } = useQuery({
  queryKey: ['site', computed(() => props.site)],
  queryFn: () => take(api.GET('/sites/{site}', { params: { path: { site: props.site } } })),
})
const open = computed(() => site.value?.sections.filter(({ retired }) => !retired) ?? [])
const asked = refDebounced(
  computed(() => ({
    people: props.people,
    role: props.role || null,
    fromDay: props.fromDay || null,
    untilDay: props.untilDay || null,
  })),
  300,
)
const { data: fits } = useQuery({
  queryKey: ['preview', 'section-fits', computed(() => props.site), asked],
  enabled: computed(() => open.value.length > 0 && props.people.length > 0 && props.people.length <= MOST),
  queryFn: () =>
    take(api.POST('/sites/{site}/section-fits', { params: { path: { site: props.site } }, body: asked.value })),
  placeholderData: keepPreviousData,
})
const about = (id: string) => {
  const fit = fits.value?.sections.find((each) => each.section === id)
  if (!fit) return ''
  return [
    fit.free === null ? t('people.changeList.noLimit') : t('people.changeList.free', { n: fit.free }, fit.free),
    fit.clash ? t('people.changeList.clash', { n: fit.clash }, fit.clash) : '',
  ]
    .filter(Boolean)
    .join(', ')
}
const options = computed(() => [
  { value: '', label: t('people.changeList.noSection') },
  ...open.value.map(({ id, name }) => ({ value: id, label: [name, about(id)].filter(Boolean).join(' · ') })),
])
</script>

<template>
  <PickOne v-if="open.length" v-model="section" stacked :label="t('people.changeList.section')" :options="options" />
</template>
