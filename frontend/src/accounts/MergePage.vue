<script setup lang="ts">
import OneOf from '@/ui/OneOf.vue'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, reactive } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { fullName, lineSentences, furtherNames } from '@/shared/sentences'
import { done, refreshSite } from '@/shared/undo'
import { inSentence, t } from '@/shared/words'
import { change } from '@/changes/changeLists'
import { useColumns } from '@/ui/columns'
import DataRows from '@/ui/DataRows.vue'
import Trouble from '@/ui/Trouble.vue'
import { takeMergeBack } from './merging'

/**
 * Two who are one, side by side: who stays, whose facts are kept, which role where they have different ones, and what
 * follows in every site.
 */
const FIELDS = ['given', 'family', 'preferred', 'level', 'number', 'email'] as const
const route = useRoute()
const router = useRouter()
const { roleName } = usePlatform()
const stays = computed(() => String(route.query.stays ?? ''))
const goes = computed(() => String(route.query.goes ?? ''))
const chosen = reactive<{ take: Record<string, 'stays' | 'goes'>; roles: Record<string, string> }>({
  take: {},
  roles: {},
})
const request = computed(() => ({
  stays: stays.value,
  goes: goes.value,
  take: { ...chosen.take },
  roles: { ...chosen.roles },
}))
const {
  data: merge,
  error,
  isFetching,
  refetch,
} = useQuery({
  queryKey: ['merge', request],
  enabled: computed(() => stays.value !== '' && goes.value !== ''),
  queryFn: () => take(api.POST('/merges', { body: { ...request.value, apply: false } })),
  placeholderData: keepPreviousData,
  retry: false,
})
const fields = computed(() =>
  FIELDS.filter((field) => merge.value && (merge.value.stays[field] ?? merge.value.goes[field]) !== null),
)
const differs = (field: (typeof FIELDS)[number]) =>
  !!merge.value &&
  merge.value.stays[field] !== null &&
  merge.value.goes[field] !== null &&
  merge.value.stays[field] !== merge.value.goes[field]
type Side = 'stays' | 'goes'
interface FactRow {
  field: (typeof FIELDS)[number] | 'division'
  stays: string | number | null
  goes: string | number | null
}
const rows = computed<FactRow[]>(() => {
  const now = merge.value
  if (!now) return []
  const facts = fields.value.map((field) => ({ field, stays: now.stays[field], goes: now.goes[field] }))
  return [...facts, { field: 'division', stays: now.stays.division.name, goes: now.goes.division.name }]
})
const columns = useColumns('merge', () => [
  { key: 'what', label: t('merge.what'), weight: 1, always: true },
  { key: 'stays', label: t('merge.stays'), weight: 1.6, always: true },
  { key: 'goes', label: t('merge.goes'), weight: 1.6, always: true },
])
function turnRound() {
  chosen.take = {}
  void router.replace({ query: { stays: goes.value, goes: stays.value } })
}
const { busy, run } = useBusy()
const apply = () =>
  run(async () => {
    const name = fullName(merge.value!.stays)
    const { changeList } = await take(api.POST('/merges', { body: { ...request.value, apply: true } }))
    done(t('merge.did', { name }), { back: () => takeMergeBack(changeList!) })
    await refreshSite()
    await router.push({ name: 'person', params: { person: stays.value } })
  })
</script>

<template>
  <div class="page">
    <p>
      <RouterLink to="/people/duplicates">{{ t('duplicates.title') }}</RouterLink>
    </p>
    <h1>{{ t('merge.title') }}</h1>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="merge">
      <p class="soft">{{ t('merge.more') }}</p>
      <DataRows :rows="rows" :key-of="(row) => row.field" :columns="columns" :name="t('merge.title')">
        <template #cell="{ row, column }">
          <span v-if="column === 'what'" class="soft">{{
            row.field === 'division' ? t('merge.division') : t(`facts.${row.field}`)
          }}</span>
          <OneOf
            v-else-if="row.field !== 'division' && differs(row.field)"
            :name="row.field"
            :value="column as Side"
            :model-value="chosen.take[row.field] ?? 'stays'"
            @update:model-value="chosen.take = { ...chosen.take, [row.field]: column as Side }"
            >{{ row[column as Side] }}</OneOf
          >
          <span v-else :class="{ soft: row[column as Side] === null }">{{ row[column as Side] ?? '–' }}</span>
        </template>
      </DataRows>
      <p>
        <button class="word" @click="turnRound">{{ t('merge.turn') }}</button>
      </p>
      <p>
        {{ merge.login ? t('merge.login', { login: merge.login }) : t('merge.noLogin') }}
        <template v-if="merge.closes">{{ t('merge.closes', { login: merge.closes }) }}</template>
        {{
          merge.facts.further.length
            ? t('merge.former', { name: furtherNames({ further: merge.facts.further }).join(', ') })
            : ''
        }}
      </p>
      <fieldset v-for="choice in merge.choices" :key="choice.site.id" class="callout">
        <legend class="follows">{{ t('merge.whichRole', { title: choice.site.title }) }}</legend>
        <OneOf
          v-for="role in choice.roles"
          :key="role"
          :name="choice.site.id"
          :value="role"
          :model-value="chosen.roles[choice.site.id] ?? null"
          @update:model-value="chosen.roles = { ...chosen.roles, [choice.site.id]: role }"
          >{{ roleName(role) }}</OneOf
        >
      </fieldset>
      <section>
        <h2>{{ t('merge.inSites') }}</h2>
        <p v-if="!merge.review.lines.length" class="soft">{{ t('merge.nowhere') }}</p>
        <ul v-else class="ledger" style="--verdict: 108px">
          <li v-for="line in merge.review.lines" :key="line.key">
            <span class="verdict" :class="{ clay: line.verdict === 'refused' }">{{
              t(`changeList.verdict.${line.verdict === 'ready' ? 'ready' : 'refused'}`)
            }}</span><span
              ><strong>{{ line.site.title }}</strong
              >: {{ inSentence(t(line.person.id === stays ? 'merge.stays' : 'merge.goes')) }}
              {{ change(line, roleName, []) }}
              <span v-if="line.verdict !== 'ready'" class="clay">{{
                lineSentences(line, line.site.timeZone, roleName).join(' ')
              }}</span></span
            >
          </li>
        </ul>
      </section>
      <p class="acts">
        <Button :disabled="busy || isFetching || !merge.ready" :label="t('merge.apply')" @click="apply" /><span
          class="soft"
          >{{ t('merge.undoable') }}</span
        >
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
fieldset {
  border-width: 0 0 0 4px;
  margin: 0;
  display: grid;
  gap: 4px;
}
legend {
  padding: 0;
  float: left;
}
section {
  display: grid;
  gap: 6px;
}
</style>
