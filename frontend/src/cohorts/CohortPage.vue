<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { refresh } from '@/shared/queries'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'
import CohortForm from './CohortForm.vue'
import CohortMembers from './CohortMembers.vue'
import ConnectForm from './ConnectForm.vue'
import LinkRow from './LinkRow.vue'
import { useReading } from './reading'
import { sentenceOf } from './rules'

/** One cohort: who belongs and why, since when, and the sites it is connected to. */
const route = useRoute()
const router = useRouter()
const id = computed(() => String(route.params.cohort))
const LOOKING = 2_000
const {
  data: cohort,
  error,
  refetch,
} = useQuery({
  queryKey: ['cohorts', 'one', id],
  queryFn: () => take(api.GET('/cohorts/{cohort}', { params: { path: { cohort: id.value } } })),
  // While its people are still looked at, it is asked again.
  refetchInterval: ({ state }) => (state.data?.looking ? LOOKING : false),
})
watch(
  () => cohort.value?.looking,
  (now, before) => before && !now && void refresh('cohorts'),
)
const { data: all } = useQuery({ queryKey: ['cohorts', 'all'], queryFn: () => take(api.GET('/cohorts')) })
const reading = useReading((known) => cohort.value?.names.find((each) => each.id === known)?.name)
const beside = ref<'' | 'change' | 'connect'>('')
watch(id, () => (beside.value = ''))
const { busy, run } = useBusy()
const putAway = () =>
  run(async () => {
    const { name } = await take(api.DELETE('/cohorts/{cohort}', { params: { path: { cohort: id.value } } }))
    done(t('cohorts.did.putAway', { name }))
    await router.push({ name: 'cohorts' })
    await refresh('cohorts')
  })
</script>

<template>
  <div class="both">
    <div class="page">
      <p>
        <RouterLink :to="{ name: 'cohorts' }">{{ t('cohorts.all') }}</RouterLink>
      </p>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="cohort">
        <header>
          <h1>{{ cohort.name }}</h1>
          <button v-if="cohort.keeps" class="word" @click="beside = 'change'">{{ t('cohorts.change') }}</button>
          <button v-if="cohort.keeps && !cohort.sites" class="word clay" :disabled="busy" @click="putAway">
            {{ t('cohorts.putAway') }}
          </button>
          <Button size="small" :label="t('cohorts.connect.open')" @click="beside = 'connect'" />
        </header>
        <p>
          <span v-if="cohort.rule">{{ sentenceOf(cohort.rule, reading) }}.</span
          ><span v-else>{{ t('cohorts.listed') }}</span>
          <span class="soft"
            >{{ ' '
            }}{{ cohort.division ? t('cohorts.onlyOf', { division: cohort.division.name }) : t('cohorts.ofAll') }}</span
          >
        </p>
        <p v-if="cohort.readBy.length" class="soft">
          {{ t('cohorts.readBy', { names: cohort.readBy.map(({ name }) => name).join(', ') }) }}
        </p>
        <section aria-labelledby="cohort-sites">
          <h2 id="cohort-sites">{{ t('cohorts.connected') }}</h2>
          <ul v-if="cohort.links.length">
            <LinkRow v-for="link in cohort.links" :key="link.id" :link="link" of="cohort" />
          </ul>
          <p v-else-if="!cohort.others" class="soft">{{ t('cohorts.notConnected') }}</p>
          <p v-if="cohort.others" class="soft">{{ t('cohorts.others', { n: cohort.others }, cohort.others) }}</p>
        </section>
        <CohortMembers :cohort="cohort" />
      </template>
      <p v-else class="skeleton" />
    </div>
    <CohortForm
      v-if="cohort && beside === 'change'"
      :key="cohort.version"
      :cohort="cohort"
      :cohorts="all?.items ?? []"
      @close="beside = ''"
      @made="beside = ''"
    />
    <ConnectForm v-else-if="cohort && beside === 'connect'" :cohort="cohort" @close="beside = ''" />
  </div>
</template>

<style scoped>
.both {
  display: flex;
  min-height: 100%;
}
.page {
  flex: 1;
  min-width: 0;
  display: grid;
  gap: 12px;
  align-content: start;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
header h1 {
  margin-right: auto;
  overflow-wrap: anywhere;
}
p {
  margin: 0;
}
ul {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
  display: grid;
}
</style>
