<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { api, take, type CohortFacts, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { folded } from '@/shared/folded'
import { administers, me } from '@/shared/me'
import { t } from '@/shared/words'

/** Cohorts that are called as was typed: everybody of one is let in once, some of them, or it is connected. */
const props = defineProps<{ q: string; site: Site }>()
const router = useRouter()
const MOST = 5
const { data } = useQuery({
  queryKey: ['cohorts', 'all'],
  staleTime: 60_000,
  enabled: computed(() => me.value?.kind === 'staff' || administers.value),
  queryFn: () => take(api.GET('/cohorts')),
})
const found = computed(() =>
  (data.value?.items ?? []).filter(({ name }) => folded(name).includes(folded(props.q))).slice(0, MOST),
)
const connects = computed(() => props.site.may.includes('keep-doors'))
const { busy, run } = useBusy()
const once = (cohort: CohortFacts) =>
  run(async () => {
    const people = new Set<string>()
    let cursor: string | undefined
    do {
      const page = await take(
        api.GET('/cohorts/{cohort}/members', { params: { path: { cohort: cohort.id }, query: { cursor } } }),
      )
      page.items.filter(({ now }) => now).forEach(({ id }) => people.add(id))
      cursor = page.next ?? undefined
    } while (cursor)
    const site = { id: props.site.id, title: props.site.title }
    await router.push({ name: 'people', state: { people: [...people], site } })
  })
</script>

<template>
  <template v-if="found.length">
    <h2>{{ t('intake.cohorts.title') }}</h2>
    <ul>
      <li v-for="each in found" :key="each.id">
        <strong>{{ each.name }}</strong>
        <span class="soft">{{ t('intake.cohorts.people', { n: each.people }, each.people) }}</span>
        <button class="word" data-stop :disabled="busy || !each.people" @click="once(each)">
          {{ t('intake.cohorts.once') }}
        </button>
        <button
          v-if="connects"
          class="word"
          data-stop
          @click="router.push({ name: 'site-cohorts', params: { site: site.id }, query: { connect: each.id } })"
        >
          {{ t('intake.cohorts.connect') }}
        </button>
      </li>
    </ul>
  </template>
</template>

<style scoped>
h2 {
  font-size: 0.92rem;
  color: var(--soft);
  padding: 8px 0 2px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border-top: 1px solid var(--line);
  padding: 4px 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}
</style>
