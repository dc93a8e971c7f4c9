<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take, type Approval } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { queries } from '@/shared/queries'
import { day, fullName } from '@/shared/sentences'
import { done } from '@/shared/undo'
import { useLevels } from '@/shared/levels'
import { t } from '@/shared/words'
import { useColumns } from '@/ui/columns'
import DataRows from '@/ui/DataRows.vue'
import Trouble from '@/ui/Trouble.vue'
import AnswerButtons from './AnswerButtons.vue'

/** People of one's division whom somebody with nothing to do with them let in: they wait for a yes. */
const { roleName } = usePlatform()
const { levelName } = useLevels()
const KEY = ['approvals']
const { data, error, isPending, refetch } = useQuery({ queryKey: KEY, queryFn: () => take(api.GET('/approvals')) })
const items = computed(() => data.value?.items ?? [])
const where = ({ person: { division, level } }: Approval) =>
  [division.name, level ? levelName(level, division.code) : ''].filter(Boolean).join(', ')
const columns = useColumns('approvals', () => [
  { key: 'who', label: t('approvals.who'), weight: 1.6, always: true },
  { key: 'into', label: t('approvals.into'), weight: 1.4 },
  { key: 'role', label: t('approvals.role'), weight: 0.8 },
  { key: 'by', label: t('approvals.by'), weight: 1.2 },
  { key: 'answer', label: t('approvals.answer'), weight: 1.3, always: true, unseen: true },
])
const { busy, run } = useBusy()
const answer = ({ site, person }: Approval, answer: 'yes' | 'no') =>
  run(async () => {
    const path = { site: site.id, person: person.id }
    const left = await take(api.POST('/sites/{site}/approvals/{person}', { params: { path }, body: { answer } }))
    queries.setQueryData(KEY, left)
    done(t(`approvals.did.${answer}`, { name: fullName(person), title: site.title }))
  })
</script>

<template>
  <div class="page">
    <header>
      <h1>{{ t('approvals.title') }}</h1>
      <p class="soft">{{ t('approvals.more') }}</p>
    </header>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <p v-else-if="isPending" class="skeleton" />
    <p v-else-if="!items.length" class="empty">{{ t('approvals.none') }}</p>
    <DataRows
      v-else
      :rows="items"
      :key-of="({ site, person }) => site.id + person.id"
      :columns="columns"
      :name="t('approvals.title')"
    >
      <template #cell="{ row: item, column }">
        <template v-if="column === 'who'">
          <RouterLink :to="{ name: 'person', params: { person: item.person.id } }">{{
            fullName(item.person)
          }}</RouterLink>
          <div class="soft">{{ where(item) }}</div>
        </template>
        <template v-else-if="column === 'into'">{{ item.site.title }}</template>
        <template v-else-if="column === 'role'">{{ roleName(item.role) }}</template>
        <template v-else-if="column === 'by'"
          >{{ item.by?.name }} <span class="soft">{{ day(item.askedAt, item.timeZone) }}</span></template
        >
        <AnswerButtons v-else :who="fullName(item.person)" :busy="busy" @answer="answer(item, $event)" />
      </template>
      <template #card="{ row: item }">
        <p>
          <RouterLink :to="{ name: 'person', params: { person: item.person.id } }">{{
            fullName(item.person)
          }}</RouterLink>
          {{ ' ' }}<span class="soft">{{ where(item) }}</span>
        </p>
        <p>{{ item.site.title }}, {{ roleName(item.role) }}</p>
        <p class="soft">{{ item.by?.name }}, {{ day(item.askedAt, item.timeZone) }}</p>
        <AnswerButtons :who="fullName(item.person)" :busy="busy" @answer="answer(item, $event)" />
      </template>
    </DataRows>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 12px;
  align-content: start;
}
</style>
