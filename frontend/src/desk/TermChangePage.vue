<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import MultiSelect from 'primevue/multiselect'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, Problem, take, type SiteSummary, type TermChangeWanted } from '@/shared/api'
import { useKept } from '@/changes/kept'
import ReadPeople from '@/intake/ReadPeople.vue'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { useRested } from '@/shared/rested'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import { findSites } from '@/sites/findSites'
import FindBox from '@/ui/FindBox.vue'
import NumberField from '@/ui/NumberField.vue'
import OneOf from '@/ui/OneOf.vue'
import { optionsOf } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'
import Trouble from '@/ui/Trouble.vue'
import { afterCarrying, takeCarryingBack } from './carrying'
import TermChangeSays from './TermChangeSays.vue'

/** The term of sites changes: what becomes of people, doors and dates is said while it is written. */
interface Work {
  sites: { id: string; name: string; title: string; code: string }[]
  term: string
  how: 'on' | 'new'
  leave: 'nobody' | 'learners' | 'cohort' | 'sections'
  cohort: string
  sections: string[]
  others: boolean
  leaveOn: 'now' | 'term'
  cohorts: string[]
  text: string
  said: Record<string, string>
  waiting: boolean
  role: string
  comeOn: 'now' | 'term'
  doors: 'renew' | 'shut' | 'keep'
  emptied: boolean
  clash: string
}
const route = useRoute()
const router = useRouter()
const { platform } = usePlatform()
const work = ref<Work>({
  sites: [],
  term: '',
  how: 'on',
  leave: 'learners',
  cohort: '',
  sections: [],
  others: false,
  leaveOn: 'term',
  cohorts: [],
  text: '',
  said: {},
  waiting: false,
  role: 'learner',
  comeOn: 'term',
  doors: 'renew',
  emptied: false,
  clash: '',
})
const kept = useKept({
  kind: 'term-change',
  site: null,
  title: () => work.value.sites.map(({ name }) => name).join(', '),
  work,
  worth: () => work.value.sites.length > 0 && work.value.term !== '',
  id: typeof route.query.changeList === 'string' ? route.query.changeList : '',
  over: (changeList) => void router.replace({ name: 'change-list', params: { changeList } }),
})
watch(kept.id, (id) => id && router.replace({ query: { changeList: id } }))

const given = (window.history.state as { sites?: { id: string; title: string }[] } | null)?.sites ?? []
if (kept.opened.value) work.value.sites = given.map(({ id, title }) => ({ id, name: title, title: '', code: '' }))
const ids = computed(() => work.value.sites.map(({ id }) => id))
const find = async (q: string) => (await findSites(q)).filter(({ id }) => !ids.value.includes(id))
const add = ({ id, title }: SiteSummary) => work.value.sites.push({ id, name: title, title: '', code: '' })
const leave = (id: string) => (work.value.sites = work.value.sites.filter((each) => each.id !== id))

const terms = computed(() => [
  { value: '', label: t('terms.choose') },
  ...optionsOf(
    (platform.value?.terms ?? []).filter(({ endsOn }) => endsOn > platform.value!.now.slice(0, 10)),
    'code',
  ),
])
const termName = computed(() => terms.value.find(({ value }) => value === work.value.term)?.label ?? '')
const roles = computed(() => optionsOf(platform.value?.roles, 'code'))
const { data: all } = useQuery({ queryKey: ['cohorts', 'all'], queryFn: () => take(api.GET('/cohorts')) })
const cohorts = computed(() => (all.value?.items ?? []).map(({ id, name }) => ({ value: id, label: name })))
const { data: found } = useQuery({
  queryKey: ['site', 'sections-of', ids],
  enabled: computed(() => work.value.leave === 'sections' && ids.value.length > 0),
  queryFn: () => Promise.all(ids.value.map((site) => take(api.GET('/sites/{site}', { params: { path: { site } } })))),
})
const sections = computed(() =>
  (found.value ?? []).flatMap((site) =>
    site.sections
      .filter(({ retired }) => !retired)
      .map(({ id, name }) => ({ value: id, label: ids.value.length > 1 ? `${site.title} · ${name}` : name })),
  ),
)

const people = ref<string[]>([])
const removing = ref<number | null>(null)
const body = (apply: boolean): TermChangeWanted => {
  const { sites, term, how, others, leaveOn, waiting, role, comeOn, doors, emptied, clash, ...more } = work.value
  return {
    sites: sites.map(({ id, title, code }) => ({ id, title, code })),
    ...{ term, how, others, leaveOn, waiting, role, comeOn, doors, emptied, apply },
    leave: more.leave,
    cohort: more.leave === 'cohort' ? more.cohort || null : null,
    sections: more.leave === 'sections' ? more.sections : [],
    cohorts: more.cohorts,
    people: people.value,
    clash: clash.trim() || null,
    removing: apply ? removing.value : null,
    changeList: apply ? kept.id.value || null : null,
  }
}
const complete = computed(
  () => ids.value.length > 0 && !!work.value.term && (work.value.leave !== 'cohort' || !!work.value.cohort),
)
const { key, isNow } = useRested(() => (complete.value ? body(false) : null), 500)
const { data, error, isFetching, refetch } = useQuery({
  queryKey: ['preview', 'term-change', key],
  enabled: computed(() => key.value !== 'null'),
  retry: false,
  queryFn: () => take(api.POST('/term-changes', { body: body(false) })),
  placeholderData: keepPreviousData,
})
const change = computed(() => (complete.value && !error.value ? (data.value ?? null) : null))
const errors = computed(() => (error.value instanceof Problem ? (error.value.document.errors ?? []) : []))
const wrongAt = (pointer: string) => errors.value.filter((each) => each.pointer.startsWith(pointer))
const settled = computed(() => isNow.value && !isFetching.value)
const clashes = computed(() =>
  (change.value?.review.lines ?? []).some((line) =>
    [...line.reasons, ...line.cautions].some(({ code }) => code === 'clash'),
  ),
)

const { busy, run } = useBusy()
const apply = () =>
  run(async () => {
    const many = ids.value.length
    if (complete.value) await kept.now()
    const { changeList } = await take(api.POST('/term-changes', { body: body(true) }))
    await afterCarrying()
    done(t('terms.did', { n: many }, many), { back: () => takeCarryingBack('term-change', changeList!) })
    await router.push({ name: 'change-list', params: { changeList: changeList! } })
  })
</script>

<template>
  <div class="page">
    <h1>{{ t('terms.title') }}</h1>
    <p class="soft">{{ t('terms.more') }}</p>
    <div class="halves">
      <form id="term-change" @submit.prevent="apply">
        <section>
          <h2>{{ t('terms.sites') }}</h2>
          <ul v-if="work.sites.length">
            <li v-for="(each, index) in work.sites" :key="each.id">
              <p class="row">
                <strong>{{ each.name }}</strong>
                <button
                  type="button"
                  class="word clay"
                  :aria-label="t('sections.merge.leave', { title: each.name })"
                  @click="leave(each.id)"
                >
                  {{ t('sections.merge.drop') }}
                </button>
              </p>
              <p v-if="work.how === 'new'" class="row">
                <InputText
                  v-model="each.title"
                  size="small"
                  class="grow"
                  maxlength="160"
                  :placeholder="each.name"
                  :aria-label="t('terms.newTitle')"
                />
                <InputText
                  v-model="each.code"
                  size="small"
                  maxlength="24"
                  :placeholder="t('terms.codeHint')"
                  :aria-label="t('terms.newCode')"
                />
              </p>
              <p v-for="wrong in wrongAt(`/sites/${index}/`)" :key="wrong.code" class="clay" role="alert">
                {{ wrong.detail }}
              </p>
            </li>
          </ul>
          <FindBox
            id="term-site"
            small
            unseen
            :label="t('terms.addSite')"
            :placeholder="t('terms.addHint')"
            :find="find"
            :called="(each) => each.title"
            :none="t('terms.noSite')"
            @pick="add"
            ><template #default="{ found: one }"
              >{{ one.title }} <span class="num soft">{{ one.code }}</span></template
            ></FindBox
          >
        </section>
        <section>
          <PickOne v-model="work.term" stacked :label="t('terms.term')" :options="terms" />
          <p v-for="wrong in wrongAt('/term')" :key="wrong.code" class="clay" role="alert">{{ wrong.detail }}</p>
          <div role="radiogroup" :aria-label="t('terms.how')" class="choices">
            <span class="follows">{{ t('terms.how') }}</span>
            <OneOf v-model="work.how" name="how" value="on">{{ t('terms.on') }}</OneOf>
            <OneOf v-model="work.how" name="how" value="new">{{ t('terms.new') }}</OneOf>
          </div>
        </section>
        <section v-if="work.how === 'on'">
          <div role="radiogroup" :aria-label="t('terms.leave.title')" class="choices">
            <h2>{{ t('terms.leave.title') }}</h2>
            <OneOf
              v-for="each in ['learners', 'cohort', 'sections', 'nobody'] as const"
              :key="each"
              v-model="work.leave"
              name="leave"
              :value="each"
              >{{ t(`terms.leave.${each}`) }}</OneOf
            >
          </div>
          <PickOne
            v-if="work.leave === 'cohort'"
            v-model="work.cohort"
            stacked
            :label="t('terms.leave.which')"
            :options="cohorts"
          />
          <MultiSelect
            v-if="work.leave === 'sections'"
            v-model="work.sections"
            fluid
            :options="sections"
            option-value="value"
            option-label="label"
            :placeholder="t('terms.leave.whichSections')"
            :aria-label="t('terms.leave.whichSections')"
          />
          <p v-for="wrong in wrongAt('/cohort')" :key="wrong.pointer" class="clay" role="alert">{{ wrong.detail }}</p>
          <Tick v-model="work.others">{{ t('terms.leave.others') }}</Tick>
          <div
            v-if="work.leave !== 'nobody' || work.others"
            role="radiogroup"
            :aria-label="t('terms.leave.when')"
            class="choices row"
          >
            <span class="follows">{{ t('terms.leave.when') }}</span>
            <OneOf v-model="work.leaveOn" name="leave-on" value="term">{{ t('terms.leave.term') }}</OneOf>
            <OneOf v-model="work.leaveOn" name="leave-on" value="now">{{ t('terms.leave.now') }}</OneOf>
          </div>
        </section>
        <section>
          <h2>{{ t('terms.come.title') }}</h2>
          <MultiSelect
            v-model="work.cohorts"
            fluid
            :options="cohorts"
            option-value="value"
            option-label="label"
            :placeholder="t('terms.come.cohorts')"
            :empty-message="t('terms.come.cohortsNone')"
            :aria-label="t('terms.come.cohorts')"
          />
          <Tick v-model="work.waiting">{{ t('terms.come.waiting') }}</Tick>
          <ReadPeople
            v-model:text="work.text"
            v-model:said="work.said"
            :label="t('terms.come.list')"
            :site="ids[0]"
            @people="people = $event"
          />
          <div class="row">
            <PickOne v-model="work.role" shown :label="t('terms.come.role')" :options="roles" />
            <div role="radiogroup" :aria-label="t('terms.come.when')" class="choices row">
              <OneOf v-model="work.comeOn" name="come-on" value="term">{{ t('terms.come.term') }}</OneOf>
              <OneOf v-model="work.comeOn" name="come-on" value="now">{{ t('terms.come.now') }}</OneOf>
            </div>
          </div>
          <label v-if="clashes || work.clash"
            >{{ t('terms.come.clash') }}
            <InputText v-model="work.clash" size="small" fluid maxlength="500" :placeholder="t('terms.come.clashHint')"
          /></label>
        </section>
        <section>
          <div role="radiogroup" :aria-label="t('terms.doors.title')" class="choices">
            <h2>{{ t('terms.doors.title') }}</h2>
            <template v-if="work.how === 'on'">
              <OneOf
                v-for="each in ['renew', 'shut', 'keep'] as const"
                :key="each"
                v-model="work.doors"
                name="doors"
                :value="each"
                >{{ t(`terms.doors.${each}`) }}</OneOf
              >
            </template>
            <template v-else>
              <OneOf v-model="work.doors" name="doors" value="renew">{{ t('terms.doors.copy') }}</OneOf>
              <OneOf v-model="work.doors" name="doors" value="keep">{{ t('terms.doors.none') }}</OneOf>
            </template>
          </div>
          <div v-if="work.how === 'on'" role="radiogroup" :aria-label="t('terms.sections.title')" class="choices">
            <h2>{{ t('terms.sections.title') }}</h2>
            <OneOf v-model="work.emptied" name="emptied" :value="false">{{ t('terms.sections.kept') }}</OneOf>
            <OneOf v-model="work.emptied" name="emptied" :value="true">{{ t('terms.sections.emptied') }}</OneOf>
          </div>
        </section>
      </form>
      <div class="look">
        <Trouble v-if="error && complete && !errors.length" :error="error" @again="refetch()" />
        <p v-else-if="!complete" class="soft">{{ t('terms.first') }}</p>
        <p v-else-if="!change && isFetching" class="soft">{{ t('terms.wait') }}</p>
        <template v-else-if="change">
          <div role="status" :class="{ old: !settled }">
            <TermChangeSays :change="change" :term="termName" :anew="work.how === 'new'" />
          </div>
          <label v-if="change?.asks" class="row"
            >{{ t('terms.asks', { n: change.asks }) }}
            <NumberField v-model="removing" :label="t('terms.asks', { n: change.asks })" :figures="5" :min="0"
          /></label>
          <p class="row">
            <Button
              type="submit"
              form="term-change"
              :disabled="busy || !change || !settled || (!!change.asks && removing !== change.asks)"
              :label="t('terms.apply', { n: $n(ids.length) }, ids.length)"
            />
            <span class="soft" role="status">{{ t(`changeList.kept.${kept.state.value || 'not'}`) }}</span>
          </p>
        </template>
      </div>
    </div>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 8px;
  align-content: start;
}
.halves {
  display: grid;
  grid-template-columns: minmax(320px, 460px) minmax(0, 1fr);
  gap: 24px;
  align-items: start;
}
@media (max-width: 900px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
}
form,
section,
.choices,
.look {
  display: grid;
  gap: 8px;
  justify-items: start;
}
form {
  gap: 14px;
}
section {
  border-left: 4px solid var(--line);
  padding-left: 12px;
}
h2 {
  font-size: 1rem;
  margin: 0;
}
p {
  margin: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  width: 100%;
}
li {
  padding: 4px 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}
.grow {
  flex: 1 1 180px;
}
.look {
  position: sticky;
  top: 8px;
  justify-items: stretch;
}
.old {
  opacity: 0.6;
}
</style>
