<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, reactive, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, Problem, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { done, refreshSite } from '@/shared/undo'
import { t } from '@/shared/words'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'
import Trouble from '@/ui/Trouble.vue'
import { afterMoving, moveDivisionBack } from './moving'
import { problemSentence, scopeOptions } from './settings'

/** Where the people, sites and parts of a division go when it is given up or merged into another. */
const FIELDS = ['people', 'sites', 'below'] as const
const route = useRoute()
const router = useRouter()
const from = computed(() => String(route.params.division))
const {
  data: book,
  error,
  refetch,
} = useQuery({
  queryKey: ['settings'],
  queryFn: () => take(api.GET('/settings')),
})
const divisions = computed(() => book.value?.settings.divisions ?? [])
const name = computed(() => divisions.value.find(({ code }) => code === from.value)?.name ?? from.value)
const hasBelow = computed(() => divisions.value.some(({ parent, retired }) => parent === from.value && !retired))
const options = computed(() => [
  { value: '', label: t('platform.move.stays') },
  ...scopeOptions(divisions.value)
    .slice(1)
    .filter(({ value }) => value !== from.value),
])
const to = reactive({ people: '', sites: '', below: '' })
const retire = ref(false)
const chosen = computed(() => retire.value || FIELDS.some((field) => to[field]))
const body = computed(() => ({
  from: from.value,
  people: to.people || null,
  sites: to.sites || null,
  below: to.below || null,
  retire: retire.value,
}))
const {
  data: found,
  error: wrong,
  isFetching,
} = useQuery({
  queryKey: ['division-move', body],
  enabled: chosen,
  queryFn: () => take(api.POST('/division-moves', { body: { ...body.value, apply: false } })),
  placeholderData: keepPreviousData,
  retry: false,
})
const move = computed(() => (chosen.value && !wrong.value ? found.value : undefined))
const wrongAt = (field: string) => (wrong.value instanceof Problem ? wrong.value.field(field) : undefined)
const elsewhere = computed(() => wrong.value && !FIELDS.some(wrongAt))
const { busy, run } = useBusy()
const apply = () =>
  run(async () => {
    const { changeList } = await take(api.POST('/division-moves', { body: { ...body.value, apply: true } }))
    done(t('platform.move.did', { name: name.value }), { back: () => moveDivisionBack(changeList!) })
    await Promise.all([refreshSite(), afterMoving()])
    await router.push({ name: 'platform', params: { part: 'divisions' } })
  })
</script>

<template>
  <div class="page">
    <p>
      <RouterLink to="/platform/divisions">{{ t('platform.move.back') }}</RouterLink>
    </p>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="book">
      <h1>{{ t('platform.move.title', { name }) }}</h1>
      <p class="soft">{{ t('platform.move.more') }}</p>
      <div class="fields">
        <div v-for="field in FIELDS.filter((each) => each !== 'below' || hasBelow)" :key="field" class="field">
          <PickOne v-model="to[field]" stacked fluid :label="t(`platform.move.${field}`)" :options="options" /><span
            v-if="wrongAt(field)"
            class="wrong"
            role="alert"
            >{{ wrongAt(field) }}</span
          >
        </div>
      </div>
      <Tick v-model="retire">{{ t('platform.move.retire', { name }) }}</Tick>
      <Trouble v-if="elsewhere" :error="wrong" />
      <section v-else-if="move" aria-live="polite">
        <h2>{{ t('platform.move.what') }}</h2>
        <ul>
          <li v-if="to.people">{{ t('platform.move.goPeople', { n: $n(move.people) }, move.people) }}</li>
          <li v-if="to.sites">{{ t('platform.move.goSites', { n: $n(move.sites) }, move.sites) }}</li>
          <li v-if="move.below.length">{{ t('platform.move.goBelow', { names: move.below.join(', ') }) }}</li>
          <li v-for="note in move.notes" :key="note.code" :class="{ brass: note.code === 'no-longer-minors' }">
            {{ t(`platform.move.note.${note.code}`, { names: note.names.join(', ') }) }}
          </li>
          <li v-if="move.stay" class="clay">
            {{ t('platform.move.stay', { n: $n(move.stay) }, move.stay) }}
            <span class="soft">
              {{
                move.left.map(({ person, level }) => t('platform.move.level', { name: person.name, level })).join('; ')
              }}
              <template v-if="move.stay > move.left.length">{{
                t('platform.move.andMore', { n: $n(move.stay - move.left.length) })
              }}</template>
            </span>
          </li>
          <li v-for="problem in move.problems" :key="problem.where" class="clay" role="alert">
            {{ problemSentence(problem) }}
          </li>
        </ul>
      </section>
      <p class="acts">
        <Button
          :disabled="busy || isFetching || !move || move.problems.length > 0"
          :label="t('platform.move.apply')"
          @click="apply"
        /><span class="soft">{{ t('platform.move.undoable') }}</span>
      </p>
    </template>
    <p v-else class="skeleton" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 14px;
  align-content: start;
  max-width: 900px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 12px 18px;
  align-items: start;
}
ul {
  margin: 0;
  margin-top: 6px;
  padding-left: 20px;
  display: grid;
  gap: 6px;
}
</style>
