<script setup lang="ts">
import { divisionOptions, optionsOf } from '@/ui/options'
import OneOf from '@/ui/OneOf.vue'
import Textarea from 'primevue/textarea'
import HelpWord from '@/ui/HelpWord.vue'
import PickOne from '@/ui/PickOne.vue'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { api, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { usePlatform } from '@/shared/platform'
import { fullName } from '@/shared/sentences'
import { done, refreshSite } from '@/shared/undo'
import { kindName } from '@/shared/kinds'
import { useRested } from '@/shared/rested'
import { useKept } from '@/changes/kept'
import { takeSitesBack } from '@/changes/changeLists'

/** Many sites from rows that are typed or pasted: each as it would be, and what is still wrong with it. */
interface Work {
  text: string
  division: string
  term: string
  leads: Record<string, string>
}
const { t, n } = useI18n()
const route = useRoute()
const router = useRouter()
const { platform } = usePlatform()
const work = ref<Work>({ text: '', division: '', term: '', leads: {} })
const kept = useKept({
  kind: 'sites',
  site: null,
  title: () =>
    rows.value
      .map((row) => row.title)
      .filter(Boolean)
      .join(', '),
  work,
  worth: () => work.value.text.trim() !== '',
  id: typeof route.query.changeList === 'string' ? route.query.changeList : '',
  over: (changeList) => void router.replace({ name: 'change-list', params: { changeList } }),
})
watch(kept.id, (id) => id && router.replace({ query: { changeList: id } }))
// Where there is one division to make sites in, and one term to come, nobody has to say so.
watch(
  platform,
  (platform) => {
    if (!platform || !kept.opened.value) return
    if (platform.mayMakeIn.length === 1) work.value.division ||= platform.mayMakeIn[0]!
    work.value.term ||= platform.terms.find((term) => term.endsOn > platform.now.slice(0, 10))?.code ?? ''
  },
  { immediate: true },
)

const { value: asked, isNow } = useRested(
  () => ({
    text: work.value.text,
    division: work.value.division,
    term: work.value.term,
    leads: work.value.leads,
  }),
  300,
)
const {
  data: batch,
  error,
  isFetching,
} = useQuery({
  queryKey: ['site-batch', asked],
  enabled: computed(() => asked.value.text.trim() !== ''),
  queryFn: () => take(api.POST('/site-batches', { body: { ...asked.value, apply: false } })),
  placeholderData: keepPreviousData,
})
const rows = computed(() => (work.value.text.trim() ? (batch.value?.rows ?? []) : []))
const ready = computed(() => rows.value.filter((row) => row.verdict === 'ready').length)
const sum = computed(() => {
  const of = (verdict: string) => rows.value.filter((row) => row.verdict === verdict).length
  return [
    t('makeSites.sum.ready', { n: ready.value }, ready.value),
    of('needs-choice') && t('makeSites.sum.choice', { n: of('needs-choice') }, of('needs-choice')),
    of('refused') && t('makeSites.sum.wrong', { n: of('refused') }, of('refused')),
  ]
    .filter(Boolean)
    .join(', ')
})
const nameOf = (list: { code: string; name: string }[] | undefined, code: string) =>
  list?.find((each) => each.code === code)?.name ?? code
const choose = (row: number, place: number, person: string) =>
  (work.value.leads = { ...work.value.leads, [`${row}:${place}`]: person })
const leadName = (lead: (typeof rows.value)[number]['leads'][number]) => {
  const who = lead.candidates.find((each) => each.id === lead.person)
  return who ? fullName(who) : lead.text
}
const { busy, run } = useBusy()

const apply = () =>
  run(async () => {
    const changeList = await kept.now()
    const made = await take(api.POST('/site-batches', { body: { ...work.value, apply: true, changeList } }))
    done(t('makeSites.did', { n: n(made.made) }, made.made), { back: () => takeSitesBack(changeList) })
    await refreshSite()
    await router.push({ name: 'change-list', params: { changeList } })
  })
const none = computed(() => ({ value: '', label: t('makeSites.none') }))
</script>

<template>
  <div class="page">
    <h1>{{ t('makeSites.title') }}</h1>
    <p class="soft">{{ t('makeSites.more') }}</p>
    <div class="asked">
      <div class="field">
        <PickOne
          v-model="work.division"
          stacked
          :label="t('makeSites.division')"
          :options="[none, ...divisionOptions(platform?.divisions)]"
          ><template #label
            ><HelpWord term="division">{{ t('makeSites.division') }}</HelpWord></template
          ></PickOne
        >
      </div>
      <div v-if="platform?.terms.length" class="field">
        <PickOne
          v-model="work.term"
          stacked
          :label="t('makeSites.term')"
          :options="[none, ...optionsOf(platform?.terms, 'code')]"
          ><template #label
            ><HelpWord term="term-of-year">{{ t('makeSites.term') }}</HelpWord></template
          ></PickOne
        >
      </div>
    </div>
    <div class="field">
      <label for="batch-rows">{{ t('makeSites.rows') }}</label>
      <Textarea
        id="batch-rows"
        v-model="work.text"
        rows="8"
        spellcheck="false"
        :placeholder="t('makeSites.placeholder')"
      />
      <span class="soft small" role="status">{{ t(`changeList.kept.${kept.state.value || 'not'}`) }}</span>
    </div>
    <p v-if="error" class="clay" role="alert">{{ error.message }}</p>
    <template v-else-if="rows.length">
      <p class="follows" role="status">{{ sum }}.</p>
      <ol>
        <li v-for="row in rows" :key="row.number" :class="row.verdict">
          <span class="num soft">{{ row.number }}</span>
          <div>
            <strong>{{ row.title || row.text }}</strong> <span class="num">{{ row.code }}</span>
            <span class="soft"
              >·
              {{
                [
                  nameOf(platform?.siteKinds, row.kind),
                  nameOf(platform?.divisions, row.division),
                  nameOf(platform?.terms, row.term),
                  row.lowest ? t('makeSites.levels', { lowest: row.lowest, highest: row.highest }) : '',
                  t('makeSites.seats', { n: row.seats ?? 0 }, row.seats ?? 0),
                  row.leads.length
                    ? t('makeSites.leads', { who: row.leads.map(leadName).join(', ') })
                    : t('makeSites.you'),
                ]
                  .filter(Boolean)
                  .join(', ')
              }}</span
            >
            <p v-for="problem in row.problems" :key="problem.field" class="clay" role="alert">{{ problem.detail }}</p>
            <template v-for="(lead, place) in row.leads" :key="place">
              <p v-if="!lead.person && !lead.candidates.length" class="clay" role="alert">
                {{ t('makeSites.nobody', { text: lead.text }) }}
              </p>
              <fieldset v-else-if="!lead.person">
                <legend>{{ t('makeSites.whoIs', { text: lead.text }) }}</legend>
                <OneOf
                  v-for="who in lead.candidates"
                  :key="who.id"
                  :model-value="null"
                  :value="who.id"
                  :name="`lead-${row.number}-${place}`"
                  @update:model-value="choose(row.number, place, who.id)"
                  >{{ fullName(who) }}
                  <span class="soft"
                    >{{ kindName(who) }} · {{ who.division.name }} <span class="num">{{ who.number }}</span></span
                  ></OneOf
                >
              </fieldset>
            </template>
          </div>
        </li>
      </ol>
      <p>
        <Button
          :disabled="!ready || busy || !isNow || isFetching"
          :label="t('makeSites.apply', { n: $n(ready) }, ready)"
          @click="apply"
        />
      </p>
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 12px;
  align-content: start;
  max-width: 1000px;
}
.asked {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 24px;
}
textarea {
  width: 100%;
  font-family: var(--mono);
  font-size: 0.88rem;
}
.small {
  font-size: 0.9rem;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 2px solid var(--line);
}
li {
  display: grid;
  grid-template-columns: 30px 1fr;
  gap: 8px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
li.refused {
  border-left: 4px solid var(--clay);
  padding-left: 6px;
}
li.needs-choice {
  border-left: 4px solid var(--brass);
  padding-left: 6px;
}
fieldset {
  border: 0;
  margin: 4px 0 0;
  padding: 0;
}
legend {
  font-weight: 600;
  font-size: 0.92rem;
  padding: 0;
}
fieldset label {
  display: block;
}
</style>
