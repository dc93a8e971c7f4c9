<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import AutoComplete from 'primevue/autocomplete'
import { shallowRef } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { t } from '@/shared/words'

/** A field for a label, completed from those there are; a new one is as good. */
const props = defineProps<{ site: Site; label: string }>()
const typed = defineModel<string>({ required: true })
interface Used {
  name: string
  people: number
}
const client = useQueryClient()
const found = shallowRef<Used[]>([])

async function look(q: string) {
  const { items } = await client.fetchQuery({
    queryKey: ['labels', props.site.id, q],
    staleTime: 30_000,
    queryFn: () =>
      take(api.GET('/sites/{site}/labels', { params: { path: { site: props.site.id }, query: { q: q.trim() } } })),
  })
  found.value = [...items]
}
const put = (value: unknown) => (typed.value = typeof value === 'string' ? value : ((value as Used | null)?.name ?? ''))
</script>

<template>
  <AutoComplete
    :model-value="typed"
    :suggestions="found"
    option-label="name"
    :min-length="0"
    complete-on-focus
    :delay="120"
    :aria-label="label"
    :placeholder="t('label.hint')"
    :pt="{ pcInputText: { root: { maxlength: 40 } }, overlay: { class: found.length ? '' : 'unseen' } }"
    size="small"
    @complete="look($event.query)"
    @update:model-value="put"
  >
    <template #option="{ option }"
      >{{ option.name }}&nbsp;<span class="soft">{{
        t('label.used', { n: option.people }, option.people)
      }}</span></template
    >
  </AutoComplete>
</template>
