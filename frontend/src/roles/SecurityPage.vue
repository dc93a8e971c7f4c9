<script setup lang="ts">
import { keepPreviousData, useInfiniteQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import Button from 'primevue/button'
import DatePicker from 'primevue/datepicker'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, reactive, ref } from 'vue'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { ownZone as zone } from '@/shared/own'
import { dayAndTime } from '@/shared/sentences'
import { saveAs } from '@/shared/saveAs'
import { t, tIn } from '@/shared/words'
import { useColumns } from '@/ui/columns'
import ColumnsMenu from '@/ui/ColumnsMenu.vue'
import DataRows from '@/ui/DataRows.vue'
import Trouble from '@/ui/Trouble.vue'

/** What matters to the safety of accounts: who signed in or could not, what was refused, handed out or changed. */
const CODES = [
  'sign-in',
  'sign-in-failed',
  'sign-in-refused',
  'refused',
  'password-reset',
  'password-link',
  'password-set',
  'password-wanted',
  'sessions-ended',
  'own-sessions-ended',
  'calendar-address-made',
  'calendar-address-dropped',
  'person-changed',
  'account-closed',
  'account-opened',
  'merged',
  'unmerged',
  'person-exported',
  'person-erased',
  'export',
  'page-outside',
  'rules-changed',
  'settings-changed',
  'division-moved',
  'mail-password-kept',
  'mail-tried',
  'registration-code-kept',
  'registration-refused',
  'administrator-named',
]
const codes = computed(() => CODES.map((code) => ({ code, name: tIn('security.what', code) })))
const look = reactive({ q: '', code: null as string | null })
const days = ref<(Date | null)[] | null>(null)
/** As the Swedish write a day: 2026-11-24. */
const iso = (date?: Date | null) => date?.toLocaleDateString('sv-SE')
const query = computed(() => ({
  q: look.q.trim() || undefined,
  code: look.code || undefined,
  from: iso(days.value?.[0]),
  until: iso(days.value?.[1] ?? days.value?.[0]),
}))
const slowly = refDebounced(query, 200)
const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage, refetch } = useInfiniteQuery({
  queryKey: ['security-log', slowly],
  initialPageParam: undefined as string | undefined,
  queryFn: ({ pageParam }) =>
    take(api.GET('/security-log', { params: { query: { ...slowly.value, cursor: pageParam } } })),
  getNextPageParam: (page) => page.next ?? undefined,
  placeholderData: keepPreviousData,
})
const entries = computed(() => data.value?.pages.flatMap((page) => page.items) ?? [])
type Entry = (typeof entries.value)[number]
const about = (entry: Entry) => {
  const said = entry.data as { route?: string; what?: string }
  return [said.route ?? said.what, entry.site?.title].filter(Boolean).join(', ')
}
const columns = useColumns('security', () => [
  { key: 'when', label: t('security.when'), weight: 1.2, always: true },
  { key: 'what', label: t('security.happened'), weight: 2.4, always: true },
  { key: 'by', label: t('security.by'), weight: 1.2 },
  { key: 'person', label: t('security.person'), weight: 1.2 },
  { key: 'from', label: t('security.from'), weight: 1 },
])
const { busy, run } = useBusy()
const save = () =>
  run(async () => {
    const text = await take(api.POST('/security-log/export', { params: { query: query.value }, parseAs: 'text' }))
    saveAs('security-log.jsonl', text as string, 'application/x-ndjson')
    await refetch()
  })
</script>

<template>
  <div class="page">
    <header>
      <h1>{{ t('security.title') }}</h1>
      <p class="soft">{{ t('security.more') }}</p>
    </header>
    <div class="look">
      <InputText
        v-model="look.q"
        size="small"
        maxlength="200"
        :placeholder="t('security.find')"
        :aria-label="t('security.find')"
      />
      <Select
        v-model="look.code"
        size="small"
        :options="codes"
        show-clear
        :placeholder="t('security.any')"
        option-label="name"
        option-value="code"
        :aria-label="t('security.any')"
      />
      <DatePicker
        v-model="days"
        size="small"
        selection-mode="range"
        date-format="d M yy"
        show-button-bar
        :manual-input="false"
        :placeholder="t('security.days')"
        :aria-label="t('security.days')"
      />
      <Button size="small" variant="outlined" :disabled="busy" :label="t('security.save')" @click="save" />
      <ColumnsMenu class="last" :columns="columns" />
    </div>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <p v-else-if="isPending" class="skeleton" />
    <p v-else-if="!entries.length" class="empty">{{ t('security.none') }}</p>
    <DataRows
      v-else
      :rows="entries"
      :key-of="(entry) => String(entry.sequence)"
      :columns="columns"
      :name="t('security.title')"
    >
      <template #cell="{ row: entry, column }">
        <span v-if="column === 'when'" class="nums">{{ dayAndTime(entry.at, zone) }}</span>
        <template v-else-if="column === 'what'"
          >{{ tIn('security.what', entry.code) }} <span class="soft">{{ about(entry) }}</span></template
        >
        <template v-else-if="column === 'by'">{{ entry.by?.name }}</template>
        <span v-else-if="column === 'from'" class="num">{{ entry.address }}</span>
        <RouterLink v-else-if="entry.person" :to="{ name: 'person', params: { person: entry.person.id } }">{{
          entry.person.name
        }}</RouterLink>
      </template>
      <template #card="{ row: entry }">
        <p class="told">
          <span
            >{{ tIn('security.what', entry.code) }} <span class="soft">{{ about(entry) }}</span></span
          ><RouterLink v-if="entry.person" :to="{ name: 'person', params: { person: entry.person.id } }">{{
            entry.person.name
          }}</RouterLink>
        </p>
        <p class="told soft">
          <span>{{ [dayAndTime(entry.at, zone), entry.by?.name].filter(Boolean).join(' · ') }}</span><span
            class="num"
            >{{ entry.address }}</span
          >
        </p>
      </template>
    </DataRows>
    <p v-if="hasNextPage">
      <Button
        size="small"
        variant="outlined"
        :label="t('parts.earlier')"
        :disabled="isFetchingNextPage"
        @click="fetchNextPage()"
      />
    </p>
  </div>
</template>

<style scoped>
.look > .p-inputtext {
  width: 17em;
}
.page {
  display: grid;
  gap: 12px;
  align-content: start;
}
.last {
  margin-left: auto;
}
.look :deep(.p-select) {
  min-width: 220px;
}
.told {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0 10px;
}
.look {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
</style>
