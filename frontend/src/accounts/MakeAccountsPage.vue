<script setup lang="ts">
import { divisionOptions } from '@/ui/options'
import Textarea from 'primevue/textarea'
import LevelField from '@/ui/LevelField.vue'
import HelpWord from '@/ui/HelpWord.vue'
import PickOne from '@/ui/PickOne.vue'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type AccountBatch } from '@/shared/api'
import { kindOptions, likeOf } from '@/shared/kinds'
import { useBusy } from '@/shared/busy'
import { needless, usePlatform } from '@/shared/platform'
import { useRested } from '@/shared/rested'
import { done } from '@/shared/undo'
import { tellBody } from '@/shared/tell'
import { useKept } from '@/changes/kept'
import TellThem from '@/messages/TellThem.vue'
import { FIELDS, takeAccountsBack, type Typed } from './accounts'
import AccountRows from './AccountRows.vue'
import OneAccount from './OneAccount.vue'

/**
 * Accounts for people, one or many: typed into fields or pasted as rows; each row as it was understood, and whether
 * they are known already.
 */
interface Work {
  text: string
  division: string
  kind: string
  level: number | null
  choices: Record<string, string>
  tell: boolean
  words: string
}
type Row = AccountBatch['rows'][number]
const { t, n } = useI18n()
const route = useRoute()
const router = useRouter()
const { platform } = usePlatform()
const work = ref<Work>({ text: '', division: '', kind: 'learner', level: null, choices: {}, tell: true, words: '' })
const kept = useKept({
  kind: 'accounts',
  site: null,
  title: () =>
    (batch.value?.rows ?? [])
      .slice(0, 4)
      .map((row) => `${row.given} ${row.family}`)
      .join(', '),
  work,
  worth: () => work.value.text.trim() !== '' && work.value.text.length < 900_000,
  id: typeof route.query.changeList === 'string' ? route.query.changeList : '',
  over: (changeList) => void router.replace({ name: 'change-list', params: { changeList } }),
})
watch(kept.id, (id) => id && router.replace({ query: { changeList: id } }))
watch(
  platform,
  (platform) => {
    if (platform && kept.opened.value)
      work.value.division ||= platform.mayMakeIn[0] ?? platform.divisions[0]?.code ?? ''
  },
  { immediate: true },
)

/** One person, as a further row; the columns are named so that nothing has to be guessed. */
function addOne(one: Typed) {
  const head = FIELDS.join('\t')
  const lines = work.value.text.trim() ? work.value.text.replace(/\s+$/, '').split('\n') : []
  if (!lines.length) lines.push(head)
  const cells = FIELDS.map((field) => one[field].trim())
  const row = lines[0] === head ? cells : cells.filter(Boolean)
  work.value.text = [...lines, row.join('\t')].join('\n')
}

const request = computed(() => ({
  text: work.value.text,
  division: work.value.division,
  kind: work.value.kind as Row['kind'],
  level: work.value.level || null,
  choices: work.value.choices,
}))
const { value: asked, isNow } = useRested(() => request.value, 350)
const {
  data: batch,
  error,
  isFetching,
} = useQuery({
  queryKey: ['account-batch', asked],
  enabled: computed(() => asked.value.text.trim() !== ''),
  queryFn: () =>
    take(api.POST('/account-batches', { body: { ...asked.value, apply: false } })) as Promise<AccountBatch>,
  placeholderData: keepPreviousData,
  retry: false,
})
const rows = computed(() => (work.value.text.trim() ? (batch.value?.rows ?? []) : []))
const count = (verdict: string) => batch.value?.verdicts[verdict] ?? 0
const settled = computed(() => isNow.value && !isFetching.value)
const look = computed(() => rows.value.filter((row) => row.verdict === 'needs-choice' || row.verdict === 'refused'))
const fine = computed(() => rows.value.filter((row) => row.verdict === 'ready'))
const so = computed(() => rows.value.filter((row) => row.verdict === 'nothing-to-do'))
const sum = computed(() =>
  [
    t('accounts.sum.ready', { n: n(count('ready')) }, count('ready')),
    ...(['needs-choice', 'nothing-to-do', 'refused'] as const).map((verdict) =>
      count(verdict) ? t(`accounts.sum.${verdict}`, { n: n(count(verdict)) }, count(verdict)) : '',
    ),
  ]
    .filter(Boolean)
    .join(', '),
)
const nameOf = (code: string) => platform.value?.divisions.find((each) => each.code === code)?.name ?? code
const choose = (row: Row, who: string) => (work.value.choices = { ...work.value.choices, [row.row]: who })
/** Whose copy of the message is looked at: the first who gets one. */
const sample = computed(() => {
  const row = fine.value.find((row) => row.email && !row.known)
  return (
    row && {
      given: row.preferred ?? row.given,
      family: row.family,
      login: row.login ?? '',
      email: row.email,
      division: nameOf(row.division),
    }
  )
})
const { busy, run } = useBusy()

const apply = () =>
  run(async () => {
    const changeList = await kept.now()
    await take(
      api.POST('/account-batches', {
        body: { ...request.value, apply: true, changeList, ...tellBody(work.value.tell, work.value.words) },
      }),
    )
    const ready = count('ready')
    done(t('accounts.did', { n: n(ready) }, ready), { back: () => takeAccountsBack(changeList) })
    await router.push({ name: 'change-list', params: { changeList } })
  })
</script>

<template>
  <div class="page">
    <p>
      <RouterLink to="/people">{{ t('person.all') }}</RouterLink>
    </p>
    <h1>{{ t('accounts.title') }}</h1>
    <p class="soft">{{ t('accounts.more') }}</p>
    <div class="asked">
      <div class="field">
        <PickOne
          v-model="work.division"
          stacked
          :label="t('accounts.division')"
          :options="divisionOptions(platform?.divisions)"
          ><template #label
            ><HelpWord term="division">{{ t('accounts.division') }}</HelpWord></template
          ></PickOne
        >
      </div>
      <div class="field">
        <PickOne v-model="work.kind" stacked :label="t('accounts.kind')" :options="kindOptions()"
          ><template #label
            ><HelpWord term="external">{{ t('accounts.kind') }}</HelpWord></template
          ></PickOne
        >
      </div>
      <div v-if="likeOf(work.kind) === 'learner' && !needless.has('level')" class="field">
        <label for="acc-level">{{ t('accounts.level') }}</label><LevelField
          id="acc-level"
          v-model="work.level"
          :division="work.division"
          :label="t('accounts.level')"
        />
      </div>
      <p class="soft small rest">{{ t('accounts.unlessSaid') }}</p>
    </div>
    <OneAccount @add="addOne" />
    <div class="field">
      <label for="acc-rows">{{ t('accounts.rows') }}</label>
      <Textarea
        id="acc-rows"
        v-model="work.text"
        rows="7"
        spellcheck="false"
        :placeholder="t('accounts.placeholder')"
      />
      <span class="soft small" role="status">{{ t(`changeList.kept.${kept.state.value || 'not'}`) }}</span>
    </div>
    <p v-if="error" class="clay" role="alert">{{ error.message }}</p>
    <template v-else-if="rows.length && batch">
      <p class="follows" role="status">{{ sum }}.</p>
      <AccountRows :rows="look" :name-of="nameOf" :choices="work.choices" @choose="choose" />
      <TellThem
        v-if="fine.length"
        v-model:tell="work.tell"
        v-model:words="work.words"
        kind="welcome"
        :division="work.division"
        :addressed="{ of: count('ready'), n: batch.addressed, sample }"
      />
      <p>
        <Button
          :disabled="!count('ready') || busy || !settled"
          :label="t('accounts.apply', { n: $n(count('ready')) }, count('ready'))"
          @click="apply"
        />
      </p>
      <AccountRows :rows="fine" :of="count('ready')" :name-of="nameOf" :choices="work.choices" @choose="choose" />
      <details v-if="so.length">
        <summary>{{ t('accounts.sum.nothing-to-do', { n: $n(so.length) }, so.length) }}</summary>
        <AccountRows :rows="so" :name-of="nameOf" :choices="work.choices" />
      </details>
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
  align-items: end;
}
.rest {
  padding-bottom: 7px;
}
#acc-level {
  width: 80px;
}
textarea {
  width: 100%;
  font-family: var(--mono);
  font-size: 0.88rem;
}
.small {
  font-size: 0.9rem;
}
summary {
  cursor: pointer;
  color: var(--spruce);
}
</style>
