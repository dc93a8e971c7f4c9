<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { api, take, type Approval } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { queries } from '@/shared/queries'
import { day, fullName } from '@/shared/sentences'
import { done } from '@/shared/undo'
import Trouble from '@/ui/Trouble.vue'

/** People of one's division whom somebody with nothing to do with them let in: they wait for a yes. */
const { t } = useI18n()
const { roleName } = usePlatform()
const KEY = ['approvals']
const { data, error, isPending, refetch } = useQuery({ queryKey: KEY, queryFn: () => take(api.GET('/approvals')) })
const items = computed(() => (data.value?.items ?? []).map((item) => ({ ...item, key: item.site.id + item.person.id })))
const where = ({ person: { division, level } }: Approval) =>
  [division.name, level ? t('level', { n: level }) : ''].filter(Boolean).join(', ')
const { busy, run } = useBusy()
const answer = ({ site, person }: Approval, answer: 'yes' | 'no') =>
  run(async () => {
    const path = { site: site.id, person: person.id }
    const left = await take(api.POST('/sites/{site}/approvals/{person}', { params: { path }, body: { answer } }))
    queries.setQueryData(KEY, left)
    done(t('approvals.did.' + answer, { name: fullName(person), title: site.title }))
  })
</script>

<template>
  <div class="page">
    <header>
      <h1>{{ $t('approvals.title') }}</h1>
      <p class="soft">{{ $t('approvals.more') }}</p>
    </header>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <p v-else-if="isPending" class="skeleton" />
    <p v-else-if="!items.length" class="empty">{{ $t('approvals.none') }}</p>
    <DataTable v-else :value="items" data-key="key" size="small" :table-props="{ 'aria-label': t('approvals.title') }">
      <Column :header="$t('approvals.who')">
        <template #body="{ data: item }">
          <RouterLink :to="{ name: 'person', params: { person: item.person.id } }">{{
            fullName(item.person)
          }}</RouterLink>
          <div class="soft">{{ where(item) }}</div>
        </template>
      </Column>
      <Column :header="$t('approvals.into')">
        <template #body="{ data: item }">{{ item.site.title }}</template>
      </Column>
      <Column :header="$t('approvals.role')">
        <template #body="{ data: item }">{{ roleName(item.role) }}</template>
      </Column>
      <Column :header="$t('approvals.by')">
        <template #body="{ data: item }">
          {{ item.by?.name }} <span class="soft">{{ day(item.askedAt, item.timeZone) }}</span>
        </template>
      </Column>
      <Column>
        <template #header
          ><span class="unseen">{{ $t('approvals.answer') }}</span></template
        >
        <template #body="{ data: item }">
          <span class="acts">
            <Button
              size="small"
              :disabled="busy"
              :label="$t('approvals.yes')"
              :aria-label="$t('approvals.yesTo', { name: fullName(item.person) })"
              @click="answer(item, 'yes')"
            />
            <Button
              size="small"
              variant="outlined"
              :disabled="busy"
              :label="$t('approvals.no')"
              :aria-label="$t('approvals.noTo', { name: fullName(item.person) })"
              @click="answer(item, 'no')"
            />
          </span>
        </template>
      </Column>
    </DataTable>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 12px;
  align-content: start;
}
.acts {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
}
</style>
