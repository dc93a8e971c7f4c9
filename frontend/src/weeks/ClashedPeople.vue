<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { day, dayAndTime } from '@/shared/sentences'
import { t } from '@/shared/words'
import { nameOf, type ClashedPerson } from './weeks'

/** Who of a site is wanted in two places at once from now on, and who meant it. */
const props = defineProps<{ site: Site }>()
const { data } = useQuery({
  queryKey: ['clashes', computed(() => props.site.id)],
  queryFn: () => take(api.GET('/sites/{site}/clashes', { params: { path: { site: props.site.id } } })),
})
const people = computed(() => data.value?.people ?? [])
const open = ref(false)
const FEW = 5
const shown = computed(() => (open.value ? people.value : people.value.slice(0, FEW)))
const clash = (each: ClashedPerson['clashes'][number]) =>
  t(
    'weeks.people.with',
    {
      one: nameOf(each.one, false),
      other: nameOf(each.other, each.other.site?.id !== props.site.id),
      at: dayAndTime(each.one.from, props.site.timeZone),
      times: t('weeks.people.times', { n: each.times }, each.times),
    },
    each.times,
  )
const meant = ({ meant: of }: ClashedPerson) =>
  of
    ? t(of.why ? 'weeks.people.meant' : 'weeks.people.meantPlain', {
        name: of.by.name,
        day: day(of.at, props.site.timeZone),
        why: of.why ?? '',
      })
    : t('weeks.people.notMeant')
</script>

<template>
  <section v-if="data">
    <h2>{{ t('weeks.people.title') }}</h2>
    <p v-if="!people.length" class="soft">{{ t('weeks.people.nobody') }}</p>
    <ul>
      <li v-for="one in shown" :key="one.person.id">
        <RouterLink :to="{ name: 'roster', params: { site: site.id }, query: { person: one.person.id } }">{{
          one.person.name
        }}</RouterLink>
        <span v-for="each in one.clashes" :key="each.one.hours + each.other.hours">{{ clash(each) }}</span>
        <span class="soft">{{ meant(one) }}</span>
      </li>
    </ul>
    <button v-if="people.length > FEW" class="word" :aria-expanded="open" @click="open = !open">
      {{ t(open ? 'weeks.people.fewer' : 'weeks.people.all', { n: people.length }) }}
    </button>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
  justify-items: start;
}
h2 {
  font-size: 1.1rem;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 8px;
}
li {
  display: grid;
  border-left: 4px solid var(--clay);
  padding: 2px 10px;
}
</style>
