<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import AutoComplete from 'primevue/autocomplete'
import Button from 'primevue/button'
import { shallowRef } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { fullName } from '@/shared/sentences'
import { t } from '@/shared/words'

/** Groups of people of a site, each typed by names: who is to be together, or apart. */
interface One {
  id: string
  name: string
}
const props = defineProps<{ site: Site; label: string; add: string }>()
const groups = defineModel<One[][]>({ required: true })
const client = useQueryClient()
const found = shallowRef<One[]>([])

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
const hold = (event: KeyboardEvent) => event.target instanceof HTMLInputElement && event.preventDefault()
const put = (place: number, group: One[]) =>
  (groups.value = groups.value.map((each, n) => (n === place ? group : each)))
</script>

<template>
  <!-- Enter chooses a name, and never sends the form. -->
  <div class="groups" @keydown.enter="hold">
    <div v-for="(group, place) in groups" :key="place" class="group">
      <AutoComplete
        multiple
        :model-value="group"
        :suggestions="found"
        option-label="name"
        data-key="id"
        :delay="150"
        size="small"
        :aria-label="`${label}, ${place + 1}`"
        :placeholder="group.length ? '' : t('plans.form.names')"
        @complete="look($event.query)"
        @update:model-value="put(place, $event)"
      />
      <button
        type="button"
        class="word"
        :aria-label="`${t('plans.form.noGroup')}: ${label}, ${place + 1}`"
        @click="groups = groups.filter((_, n) => n !== place)"
      >
        {{ t('plans.form.noGroup') }}
      </button>
    </div>
    <p><Button size="small" variant="text" :label="add" @click="groups = [...groups, []]" /></p>
  </div>
</template>

<style scoped>
.groups {
  display: grid;
  gap: 8px;
}
.group {
  display: flex;
  gap: 10px;
  align-items: center;
}
.group > :first-child {
  flex: 1;
  min-width: 0;
}
</style>
