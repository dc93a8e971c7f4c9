<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import MultiSelect from 'primevue/multiselect'
import { computed, ref, watch } from 'vue'
import { api, take, type Cohort, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { refresh } from '@/shared/queries'
import { useRested } from '@/shared/rested'
import { done, refreshSite } from '@/shared/undo'
import { t } from '@/shared/words'
import { findSites } from '@/sites/findSites'
import DayField from '@/ui/DayField.vue'
import DockedColumn from '@/ui/DockedColumn.vue'
import FindBox from '@/ui/FindBox.vue'
import NumberField from '@/ui/NumberField.vue'
import OneOf from '@/ui/OneOf.vue'
import PickOne from '@/ui/PickOne.vue'
import PairSays from './PairSays.vue'
import type { Place } from './rules'

/** Cohorts, or the roster of another site, are connected with sites; what would come of it is said first. */
const props = defineProps<{ cohort?: Cohort; site?: Site; given?: string; shares?: boolean }>()
const emit = defineEmits<{ close: [] }>()
const { platform } = usePlatform()
const sites = ref<Place[]>(props.site ? [props.site] : [])
const cohorts = ref<string[]>([props.cohort?.id ?? props.given ?? ''].filter(Boolean))
const { data: all } = useQuery({
  queryKey: ['cohorts', 'all'],
  enabled: computed(() => !props.cohort && !props.shares),
  queryFn: () => take(api.GET('/cohorts')),
})
const offered = computed(() => (all.value?.items ?? []).map(({ id, name }) => ({ value: id, label: name })))

const other = ref<Place | null>(null)
const otherSection = ref('')
const otherRole = ref('learner')
const { data: otherSite } = useQuery({
  queryKey: ['site', computed(() => other.value?.id)],
  enabled: computed(() => !!other.value),
  queryFn: () => take(api.GET('/sites/{site}', { params: { path: { site: other.value!.id } } })),
})
watch(other, () => (otherSection.value = ''))
const role = ref('learner')
const roles = computed(() => (platform.value?.roles ?? []).map(({ code, name }) => ({ value: code, label: name })))
const anyRole = computed(() => [{ value: '', label: t('cohorts.part.anyRole') }, ...roles.value])
const SPREAD = 'spread'
const place = ref('')
const places = computed(() => [
  { value: '', label: t('cohorts.connect.noSection') },
  { value: SPREAD, label: t('cohorts.connect.spread') },
  ...(props.site?.sections ?? []).map(({ id, name }) => ({ value: id, label: name })),
])
const from = ref('')
const leaves = ref<'at-once' | 'days' | 'term'>('at-once')
const days = ref<number | null>(7)
const again = ref<string[]>([])
const body = (apply: boolean) => ({
  sites: sites.value.map(({ id }) => id),
  role: role.value,
  cohorts: props.shares ? [] : cohorts.value,
  shared:
    props.shares && other.value
      ? [{ site: other.value.id, section: otherSection.value || null, role: otherRole.value || null }]
      : [],
  section: place.value && place.value !== SPREAD ? place.value : null,
  spread: place.value === SPREAD,
  from: from.value || null,
  leaves: leaves.value,
  days: leaves.value === 'days' ? days.value : null,
  again: again.value,
  apply,
})
const complete = computed(
  () =>
    sites.value.length > 0 &&
    (props.shares ? !!other.value : cohorts.value.length > 0) &&
    (leaves.value !== 'days' || !!days.value),
)
const { key, isNow } = useRested(() => (complete.value ? body(false) : null), 300)
const {
  data: pairs,
  error,
  isFetching,
} = useQuery({
  queryKey: ['preview', 'cohort-links', key],
  enabled: computed(() => key.value !== 'null'),
  retry: false,
  queryFn: async () => (await take(api.POST('/cohort-links', { body: body(false) }))).items,
  placeholderData: keepPreviousData,
})
const settled = computed(() => isNow.value && !isFetching.value)
const { busy, run } = useBusy()
const connect = () =>
  run(async () => {
    const { items } = await take(api.POST('/cohort-links', { body: body(true) }))
    const only = items.length === 1 ? items[0]! : undefined
    done(
      t('cohorts.connect.did', { n: items.length }, items.length),
      only && { site: only.site.id, changeList: only.changeList },
    )
    emit('close')
    await Promise.all([refreshSite(), refresh('cohorts', 'cohort-links')])
  })
const title = computed(() => t(props.shares ? 'cohorts.connect.shareTitle' : 'cohorts.connect.title'))
function addSite(found: { id: string; title: string }) {
  if (!sites.value.some(({ id }) => id === found.id)) sites.value.push({ id: found.id, title: found.title })
}
</script>

<template>
  <DockedColumn class="form" name="connect" :label="title" closes @close="emit('close')">
    <h2>{{ title }}</h2>
    <form @submit.prevent="connect">
      <template v-if="shares">
        <p v-if="other" class="row">
          <strong>{{ other.title }}</strong>
          <button type="button" class="word" @click="other = null">{{ t('cohorts.part.otherSite') }}</button>
        </p>
        <FindBox
          v-else
          small
          :label="t('cohorts.connect.whose')"
          :placeholder="t('cohorts.part.site')"
          :find="(q) => findSites(q)"
          :called="(each) => each.title"
          :none="t('cohorts.part.noSite')"
          :from="0"
          @pick="(found) => (other = { id: found.id, title: found.title })"
        />
        <div v-if="other" class="row">
          <PickOne v-model="otherRole" :label="t('cohorts.connect.whoseRole')" :options="anyRole" />
          <PickOne
            v-if="otherSite?.sections.length"
            v-model="otherSection"
            :label="t('cohorts.part.section')"
            :options="[
              { value: '', label: t('cohorts.part.anySection') },
              ...otherSite.sections.map((each) => ({ value: each.id, label: each.name })),
            ]"
          />
        </div>
      </template>
      <template v-else-if="!cohort">
        <span id="which-cohorts" class="label">{{ t('cohorts.connect.which') }}</span>
        <MultiSelect
          v-model="cohorts"
          size="small"
          :options="offered"
          option-label="label"
          option-value="value"
          :show-toggle-all="false"
          :filter="offered.length > 8"
          aria-labelledby="which-cohorts"
          :placeholder="t('cohorts.part.choose')"
          fluid
        />
      </template>
      <template v-if="!site">
        <span class="label">{{ t('cohorts.connect.sites') }}</span>
        <ul v-if="sites.length" class="chosen">
          <li v-for="each in sites" :key="each.id">
            {{ each.title }}
            <button type="button" class="word clay" @click="sites = sites.filter(({ id }) => id !== each.id)">
              {{ t('cohorts.part.remove') }}
            </button>
          </li>
        </ul>
        <FindBox
          small
          unseen
          :label="t('cohorts.connect.sites')"
          :placeholder="t('cohorts.connect.addSite')"
          :find="(q) => findSites(q)"
          :called="(each) => each.title"
          :none="t('cohorts.part.noSite')"
          :from="0"
          @pick="addSite"
        />
      </template>
      <PickOne v-model="role" stacked :label="t('cohorts.connect.role')" :options="roles" />
      <PickOne
        v-if="site?.sections.length"
        v-model="place"
        stacked
        :label="t('cohorts.part.section')"
        :options="places"
      />
      <DayField
        v-model="from"
        shown
        :label="t('cohorts.connect.from')"
        :zone="site?.timeZone"
        :placeholder="t('cohorts.connect.now')"
      />
      <div role="radiogroup" :aria-label="t('cohorts.connect.leaves')" class="leaves">
        <span class="label">{{ t('cohorts.connect.leaves') }}</span>
        <span v-for="each in ['at-once', 'days', 'term'] as const" :key="each" class="row"
          ><OneOf v-model="leaves" name="leaves" :value="each">{{ t(`cohorts.leaves.${each}`) }}</OneOf
          ><NumberField
            v-if="each === 'days' && leaves === 'days'"
            v-model="days"
            :label="t('cohorts.connect.days')"
            :figures="3"
            :min="1"
            :max="366"
        /></span>
      </div>
      <p v-if="error" class="clay" role="alert">{{ error.message }}</p>
      <template v-else-if="complete && pairs">
        <PairSays
          v-for="pair in pairs"
          :key="pair.cohort.id + pair.site.id"
          v-model:again="again"
          :pair="pair"
          :named="true"
        />
      </template>
      <p class="row">
        <Button
          type="submit"
          size="small"
          :disabled="busy || !complete || !settled || !!error"
          :label="t(shares ? 'cohorts.connect.shareNow' : 'cohorts.connect.now_')"
        />
        <button type="button" class="word" @click="emit('close')">{{ t('parts.cancel') }}</button>
      </p>
    </form>
  </DockedColumn>
</template>

<style scoped>
.form {
  --docked: 430px;
}
h2 {
  padding-right: 60px;
}
form {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.label {
  font-weight: 600;
  font-size: 0.92rem;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin: 0;
}
.leaves {
  display: grid;
  gap: 4px;
}
.chosen {
  margin: 0;
  padding-left: 18px;
}
</style>
