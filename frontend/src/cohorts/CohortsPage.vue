<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, take, type CohortFacts } from '@/shared/api'
import { folded } from '@/shared/folded'
import { administers } from '@/shared/me'
import { t } from '@/shared/words'
import { useColumns } from '@/ui/columns'
import DataRows from '@/ui/DataRows.vue'
import HelpWord from '@/ui/HelpWord.vue'
import Trouble from '@/ui/Trouble.vue'
import CohortForm from './CohortForm.vue'

/** The cohorts one uses, and another one made. */
const router = useRouter()
const { data, error, isPending, refetch } = useQuery({
  queryKey: ['cohorts', 'all'],
  queryFn: () => take(api.GET('/cohorts')),
})
const q = ref('')
const cohorts = computed(() => (data.value?.items ?? []).filter(({ name }) => folded(name).includes(folded(q.value))))
const making = ref(false)
const columns = useColumns('cohorts', () => [
  { key: 'name', label: t('cohorts.col.name'), weight: 2, always: true },
  { key: 'kind', label: t('cohorts.col.kind'), weight: 0.8 },
  { key: 'division', label: t('cohorts.col.division'), weight: 1.2 },
  { key: 'people', label: t('cohorts.col.people'), weight: 0.7 },
  { key: 'sites', label: t('cohorts.col.sites'), weight: 0.9 },
])
const cell = (row: CohortFacts, key: string) =>
  ({
    kind: t(`cohorts.kind.${row.kind}`),
    division: row.division?.name ?? t('cohorts.whole'),
    people: row.looking ? t('cohorts.looking') : String(row.people),
    sites: row.sites ? t('cohorts.sites', { n: row.sites }, row.sites) : t('cohorts.noSites'),
  })[key] ?? row.name
const open = (row: { id: string }) => router.push({ name: 'cohort', params: { cohort: row.id } })
</script>

<template>
  <div class="both">
    <div class="page">
      <header>
        <h1>
          <HelpWord term="cohort">{{ t('cohorts.title') }}</HelpWord>
        </h1>
        <RouterLink to="/people">{{ t('cohorts.people') }}</RouterLink>
        <Button v-if="administers" size="small" :label="t('cohorts.new')" @click="making = true" />
      </header>
      <p class="soft">{{ t('cohorts.what') }}</p>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="data?.items.length">
        <InputText
          v-if="data.items.length > 8"
          v-model="q"
          size="small"
          class="find"
          maxlength="80"
          :placeholder="t('cohorts.find')"
          :aria-label="t('cohorts.find')"
        />
        <DataRows
          :rows="cohorts"
          :key-of="(row) => row.id"
          :columns="columns"
          :name="t('cohorts.title')"
          opens
          @open="open"
        >
          <template #cell="{ row, column }"
            ><RouterLink v-if="column === 'name'" :to="{ name: 'cohort', params: { cohort: row.id } }">{{
              row.name
            }}</RouterLink
            ><template v-else>{{ cell(row, column) }}</template></template
          >
          <template #card="{ row }"
            ><RouterLink :to="{ name: 'cohort', params: { cohort: row.id } }">{{ row.name }}</RouterLink>
            <span class="soft"
              >{{ cell(row, 'division') }} · {{ t('cohorts.count', { n: row.people }, row.people) }}</span
            ></template
          >
          <template #empty>{{ t('cohorts.none') }}</template>
        </DataRows>
      </template>
      <p v-else-if="isPending" class="skeleton" />
      <p v-else class="empty">{{ t(administers ? 'cohorts.emptyYours' : 'cohorts.empty') }}</p>
    </div>
    <CohortForm v-if="making" :cohorts="data?.items ?? []" @close="making = false" @made="(id) => open({ id })" />
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
  gap: 10px;
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
}
.find {
  width: 260px;
}
</style>
