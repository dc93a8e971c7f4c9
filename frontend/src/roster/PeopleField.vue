<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import AutoComplete from 'primevue/autocomplete'
import { shallowRef } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { fullName } from '@/shared/sentences'
import { t } from '@/shared/words'

/** Some people of a site, typed by their names. */
export interface Named {
  id: string
  name: string
}
const props = defineProps<{ site: Pick<Site, 'id'>; label: string }>()
const people = defineModel<Named[]>({ required: true })
const client = useQueryClient()
const found = shallowRef<Named[]>([])

async function look(q: string) {
  const { items } = await client.fetchQuery({
    queryKey: ['roster', props.site.id, 'plan', q],
    staleTime: 30_000,
    queryFn: () =>
      take(
        api.GET('/sites/{site}/roster', {
          params: { path: { site: props.site.id }, query: { q: q.trim(), limit: 12 } },
        }),
      ),
  })
  found.value = items.map(({ person }) => ({ id: person.id, name: fullName(person) }))
}
// Enter chooses a name, and never sends the form.
const hold = (event: KeyboardEvent) => event.target instanceof HTMLInputElement && event.preventDefault()
</script>

<template>
  <AutoComplete
    multiple
    :model-value="people"
    :suggestions="found"
    option-label="name"
    data-key="id"
    :delay="150"
    size="small"
    :aria-label="label"
    :placeholder="people.length ? '' : t('roster.names')"
    @complete="look($event.query)"
    @update:model-value="people = $event"
    @keydown.enter="hold"
  />
</template>
