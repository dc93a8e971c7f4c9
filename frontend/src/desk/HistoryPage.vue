<script setup lang="ts">
import { optionsIn } from '@/ui/options'
import DayField from '@/ui/DayField.vue'
import PickOne from '@/ui/PickOne.vue'
import { keepPreviousData, useInfiniteQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, defineAsyncComponent, reactive, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type HistoryEntry, type Site } from '@/shared/api'
import { isDay } from '@/shared/days'
import { t, tIn } from '@/shared/words'
import Trouble from '@/ui/Trouble.vue'
import HistoryEntries from '@/history/HistoryEntries.vue'
import HelpWord from '@/ui/HelpWord.vue'

/** What happened in this site, newest first; what still can be is undone from its line. */
const props = defineProps<{ site: Site }>()
const RosterChanges = defineAsyncComponent(() => import('@/roster/RosterChanges.vue'))
const CODES = [
  'let-in',
  'change-role',
  'remove',
  'bring-back',
  'pause',
  'resume',
  'change-dates',
  'block',
  'unblock',
  'clear-role',
  'clear-dates',
  'change-sections',
  'put-in-section',
  'clear-sections',
  'sections-changed',
  'hours-changed',
  'plan-set',
  'plan-drawn',
  'plan-dropped',
  'plan-back',
  'split-made',
  'split-changed',
  'split-dropped',
  'split-back',
  'group-moved',
  'cohort-made',
  'cohort-changed',
  'cohort-people',
  'cohort-put-away',
  'cohort-connected',
  'cohort-link-changed',
  'cohort-ended',
  'cohort-agreed',
  'carry-in',
  'carry-out',
  'carry-back',
  'sites-merged',
  'sites-unmerged',
  'sections-taken-out',
  'sections-came',
  'sections-back',
  'items-shown',
  'visibilities-named',
  'come-in',
  'brought',
  'taken-out',
  'belongs-too',
  'belongs-less',
  'wait',
  'invite',
  'invited',
  'moved-up',
  'leave',
  'lapse',
  'release',
  'approve',
  'decline',
  'door-made',
  'door-changed',
  'door-opened',
  'door-shut',
  'door-key-renewed',
  'undo',
  'label-on',
  'label-off',
  'site-changed',
  'site-moved',
  'site-open',
  'site-closed',
  'site-draft',
] as const
const route = useRoute()
const router = useRouter()
/** Whose entries alone are shown, where the address says so. */
const person = computed(() => (typeof route.query.person === 'string' ? route.query.person : undefined))
const comparing = ref(false)
const look = reactive({ q: '', code: '' as '' | (typeof CODES)[number], from: '', until: '' })
const slowly = refDebounced(
  computed(() => ({
    q: look.q.trim() || undefined,
    code: look.code || undefined,
    from: isDay(look.from) ? look.from : undefined,
    until: isDay(look.until) ? look.until : undefined,
    person: person.value,
  })),
  150,
)
const filtered = computed(() => Object.values(slowly.value).some(Boolean))
const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage, refetch } = useInfiniteQuery({
  queryKey: ['history', computed(() => props.site.id), slowly],
  initialPageParam: undefined as string | undefined,
  queryFn: ({ pageParam }) =>
    take(
      api.GET('/sites/{site}/history', {
        params: { path: { site: props.site.id }, query: { ...slowly.value, cursor: pageParam } },
      }),
    ),
  getNextPageParam: (page) => page.next ?? undefined,
  placeholderData: keepPreviousData,
})
const entries = computed(() => data.value?.pages.flatMap((page) => page.items) ?? [])

const mayUndo = (entry: HistoryEntry) =>
  !props.site.seenAs &&
  (entry.person || entry.code.startsWith('label')
    ? props.site.may.includes('let-in')
    : props.site.may.includes('run-site'))
</script>

<template>
  <div class="scroll">
    <div class="page">
      <h2>
        <HelpWord term="history">{{ t('log.title') }}</HelpWord>
      </h2>
      <p class="look">
        <InputText
          v-model="look.q"
          size="small"
          maxlength="200"
          :placeholder="t('log.find')"
          :aria-label="t('log.find')"
        />
        <PickOne
          v-model="look.code"
          :label="t('log.about')"
          :options="optionsIn(['', ...CODES], (code) => (code ? tIn('log.verbs', code) : t('log.any')))"
        />
        <DayField v-model="look.from" shown :label="t('log.from')" :zone="site.timeZone" />
        <DayField v-model="look.until" shown :label="t('log.until')" :zone="site.timeZone" />
        <RouterLink :to="{ name: 'site-forecast', params: { site: site.id } }">{{ t('site.forecast') }}</RouterLink>
        <button class="word" :aria-expanded="comparing" @click="comparing = !comparing">
          {{ t(comparing ? 'log.close' : 'log.compare') }}
        </button>
      </p>
      <p v-if="person" class="callout">
        <strong>{{ t('log.personTitle', { name: entries.find((entry) => entry.person)?.person?.name ?? '' }) }}</strong>
        {{ t('log.here') }} ·
        <button class="word" @click="router.replace({ query: {} })">{{ t('log.whole') }}</button> ·
        <RouterLink :to="{ name: 'person-history', params: { person }, query: { site: site.id } }">{{
          t('log.everywhere')
        }}</RouterLink>
      </p>
      <RosterChanges v-if="comparing" :site="site" />
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <p v-else-if="!isPending && !entries.length">{{ t(filtered ? 'log.none' : 'log.empty') }}</p>
      <HistoryEntries v-else :entries="entries" :zone="site.timeZone" :site="site.id" :may-undo="mayUndo" />
      <Button
        v-if="hasNextPage"
        variant="outlined"
        :label="t('parts.earlier')"
        :disabled="isFetchingNextPage"
        @click="fetchNextPage()"
      />
    </div>
  </div>
</template>

<style scoped>
.scroll {
  overflow: auto;
}
h2 {
  margin-bottom: 8px;
}
.look {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin-bottom: 10px;
}
.look .p-inputtext {
  width: 190px;
}
</style>
