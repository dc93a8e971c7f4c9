<script setup lang="ts">
import OneOf from '@/ui/OneOf.vue'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, reactive } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { fullName, lineSentences } from '@/shared/sentences'
import { done, refreshSite } from '@/shared/undo'
import { change } from '@/changes/changeLists'
import Trouble from '@/ui/Trouble.vue'
import { takeMergeBack } from './merging'

/**
 * Two who are one, side by side: who stays, whose facts are kept, which role where they have different ones, and what
 * follows in every site.
 */
const FIELDS = ['given', 'family', 'preferred', 'former', 'level', 'number', 'email'] as const
const { t } = useI18n()
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
      <RouterLink to="/people/duplicates">{{ $t('duplicates.title') }}</RouterLink>
    </p>
    <h1>{{ $t('merge.title') }}</h1>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="merge">
      <p class="soft">{{ $t('merge.more') }}</p>
      <table>
        <thead>
          <tr>
            <td />
            <th scope="col">{{ $t('merge.stays') }}</th>
            <th scope="col">
              {{ $t('merge.goes') }} <button class="word" @click="turnRound">{{ $t('merge.turn') }}</button>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="field in fields" :key="field">
            <th scope="row">{{ $t('facts.' + field) }}</th>
            <td v-for="side in ['stays', 'goes'] as const" :key="side">
              <OneOf
                v-if="differs(field)"
                :name="field"
                :value="side"
                :model-value="chosen.take[field] ?? 'stays'"
                @update:model-value="chosen.take = { ...chosen.take, [field]: side }"
                >{{ merge[side][field] }}</OneOf
              >
              <span v-else :class="{ soft: merge[side][field] === null }">{{ merge[side][field] ?? '–' }}</span>
            </td>
          </tr>
          <tr>
            <th scope="row">{{ $t('merge.division') }}</th>
            <td>{{ merge.stays.division.name }}</td>
            <td class="soft">{{ merge.goes.division.name }}</td>
          </tr>
        </tbody>
      </table>
      <p>
        {{ merge.login ? $t('merge.login', { login: merge.login }) : $t('merge.noLogin') }}
        <template v-if="merge.closes">{{ $t('merge.closes', { login: merge.closes }) }}</template>
        {{
          merge.facts.former && merge.facts.former !== merge.stays.former
            ? $t('merge.former', { name: merge.facts.former })
            : ''
        }}
      </p>
      <fieldset v-for="choice in merge.choices" :key="choice.site.id" class="callout">
        <legend class="follows">{{ $t('merge.whichRole', { title: choice.site.title }) }}</legend>
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
        <h2>{{ $t('merge.inSites') }}</h2>
        <p v-if="!merge.review.lines.length" class="soft">{{ $t('merge.nowhere') }}</p>
        <ul v-else class="ledger" style="--verdict: 108px">
          <li v-for="line in merge.review.lines" :key="line.key">
            <span class="verdict" :class="{ clay: line.verdict === 'refused' }">{{
              $t('changeList.verdict.' + (line.verdict === 'ready' ? 'ready' : 'refused'))
            }}</span><span
              ><strong>{{ line.site.title }}</strong
              >: {{ $t(line.person.id === stays ? 'merge.stays' : 'merge.goes').toLowerCase() }}
              {{ change(line, roleName) }}
              <span v-if="line.verdict !== 'ready'" class="clay">{{
                lineSentences(line, line.site.timeZone, roleName).join(' ')
              }}</span></span
            >
          </li>
        </ul>
      </section>
      <p class="acts">
        <Button :disabled="busy || isFetching || !merge.ready" :label="$t('merge.apply')" @click="apply" /><span
          class="soft"
          >{{ $t('merge.undoable') }}</span
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
thead .word {
  font-weight: 400;
  margin-left: 8px;
}
table {
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 5px 18px 5px 0;
  border-bottom: 1px solid var(--line);
  vertical-align: baseline;
}
tbody th {
  font-weight: 400;
  color: var(--soft);
  width: 150px;
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
