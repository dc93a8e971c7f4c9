<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, reactive, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type AccountBatch } from '@/app/api'
import { useBusy } from '@/app/busy'
import { useHouse } from '@/app/house'
import { fullName } from '@/app/sentences'
import { done } from '@/app/undo'
import { telling } from '@/post/telling'
import { useKept } from '@/sheets/kept'
import TellThem from '@/sheets/TellThem.vue'
import { useSlowly } from '@/ui/slowly'
import { accountNote, takeAccountsBack } from './accounts'

/**
 * Accounts for people, one or many: typed into fields or pasted as rows; each row as it was understood, and whether
 * they are known already.
 */
interface Work {
  text: string
  division: string
  kind: string
  level: number | ''
  choices: Record<string, string>
  tell: boolean
  words: string
}
type Row = AccountBatch['rows'][number]
const KINDS = ['learner', 'staff', 'guardian', 'outsider'] as const
const FIELDS = ['given', 'family', 'email', 'number', 'level'] as const
const { t, n } = useI18n()
const route = useRoute()
const router = useRouter()
const { house } = useHouse()
const work = ref<Work>({ text: '', division: '', kind: 'learner', level: '', choices: {}, tell: true, words: '' })
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
  id: typeof route.query.sheet === 'string' ? route.query.sheet : '',
  over: (sheet) => void router.replace({ name: 'sheet', params: { sheet } }),
})
watch(kept.id, (id) => id && router.replace({ query: { sheet: id } }))
watch(
  house,
  (house) => {
    if (house && kept.opened.value) work.value.division ||= house.mayMakeIn[0] ?? house.divisions[0]?.code ?? ''
  },
  { immediate: true },
)

const one = reactive({ given: '', family: '', email: '', number: '', level: '' })
const complete = computed(() => one.given.trim() !== '' && one.family.trim() !== '')
const firstField = ref<HTMLInputElement[]>()
/** One person, as a further row; the columns are named so that nothing has to be guessed. */
function addOne() {
  const head = FIELDS.join('\t')
  const lines = work.value.text.trim() ? work.value.text.replace(/\s+$/, '').split('\n') : []
  if (!lines.length) lines.push(head)
  const row =
    lines[0] === head
      ? FIELDS.map((field) => one[field].trim())
      : [one.given, one.family, one.email, one.number, one.level].map((cell) => cell.trim()).filter(Boolean)
  work.value.text = [...lines, row.join('\t')].join('\n')
  Object.assign(one, { given: '', family: '', email: '', number: '', level: '' })
  firstField.value?.[0]?.focus()
}

const wish = computed(() => ({
  text: work.value.text,
  division: work.value.division,
  kind: work.value.kind as Row['kind'],
  level: work.value.level === '' ? null : Number(work.value.level),
  choices: work.value.choices,
}))
const asked = useSlowly(wish, 350)
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
const settled = computed(() => !isFetching.value && JSON.stringify(asked.value) === JSON.stringify(wish.value))
const look = computed(() => rows.value.filter((row) => row.verdict === 'needs-choice' || row.verdict === 'refused'))
const fine = computed(() => rows.value.filter((row) => row.verdict === 'ready'))
const so = computed(() => rows.value.filter((row) => row.verdict === 'nothing-to-do'))
const sum = computed(() =>
  [
    t('accounts.sum.ready', { n: n(count('ready')) }, count('ready')),
    ...(['needs-choice', 'nothing-to-do', 'refused'] as const).map((verdict) =>
      count(verdict) ? t('accounts.sum.' + verdict, { n: n(count(verdict)) }, count(verdict)) : '',
    ),
  ]
    .filter(Boolean)
    .join(', '),
)
const nameOf = (code: string) => house.value?.divisions.find((each) => each.code === code)?.name ?? code
const facts = (row: Row) =>
  [
    t('kind.' + row.kind).toLowerCase(),
    row.level ? t('level', { n: row.level }) : '',
    nameOf(row.division),
    row.number,
    row.email,
  ]
    .filter(Boolean)
    .join(', ')
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
const SHOWN = 300
const { busy, run } = useBusy()

const apply = () =>
  run(async () => {
    const sheet = await kept.now()
    await take(
      api.POST('/account-batches', {
        body: { ...wish.value, apply: true, sheet, ...telling(work.value.tell, work.value.words) },
      }),
    )
    const ready = count('ready')
    done(t('accounts.did', { n: n(ready) }, ready), { back: () => takeAccountsBack(sheet) })
    await router.push({ name: 'sheet', params: { sheet } })
  })
</script>

<template>
  <div class="page">
    <p>
      <RouterLink to="/people">{{ $t('person.all') }}</RouterLink>
    </p>
    <h1>{{ $t('accounts.title') }}</h1>
    <p class="soft">{{ $t('accounts.more') }}</p>
    <div class="asked">
      <div class="field">
        <label for="acc-division">{{ $t('accounts.division') }}</label><select
          id="acc-division"
          v-model="work.division"
          class="plain"
        >
          <option v-for="each in house?.divisions" :key="each.code" :value="each.code">{{ each.name }}</option>
        </select>
      </div>
      <div class="field">
        <label for="acc-kind">{{ $t('accounts.kind') }}</label><select id="acc-kind" v-model="work.kind" class="plain">
          <option v-for="kind in KINDS" :key="kind" :value="kind">{{ $t('kind.' + kind) }}</option>
        </select>
      </div>
      <div v-if="work.kind === 'learner'" class="field">
        <label for="acc-level">{{ $t('accounts.level') }}</label><input
          id="acc-level"
          v-model="work.level"
          class="plain"
          type="number"
          min="1"
          max="20"
        />
      </div>
      <p class="soft small rest">{{ $t('accounts.unlessSaid') }}</p>
    </div>
    <form class="one" :aria-label="$t('accounts.one')" @submit.prevent="complete && addOne()">
      <label v-for="field in FIELDS" :key="field"
        >{{ $t('facts.' + field) }}
        <input
          ref="firstField"
          v-model="one[field]"
          class="plain"
          :size="field === 'level' ? 2 : field === 'email' ? 18 : field === 'number' ? 8 : 10"
          maxlength="190"
          autocomplete="off"
      /></label>
      <Button
        type="submit"
        size="small"
        severity="secondary"
        variant="outlined"
        :disabled="!complete"
        :label="$t('accounts.add')"
      />
    </form>
    <div class="field">
      <label for="acc-rows">{{ $t('accounts.rows') }}</label>
      <textarea
        id="acc-rows"
        v-model="work.text"
        class="plain"
        rows="7"
        spellcheck="false"
        :placeholder="$t('accounts.placeholder')"
      />
      <span class="soft small" role="status">{{ $t('pasted.kept.' + (kept.state.value || 'not')) }}</span>
    </div>
    <p v-if="error" class="clay" role="alert">{{ error.message }}</p>
    <template v-else-if="rows.length && batch">
      <p class="follows" role="status">{{ sum }}.</p>
      <ol v-if="look.length">
        <li v-for="row in look.slice(0, SHOWN)" :key="row.row" :class="row.verdict">
          <span class="num soft">{{ row.row }}</span>
          <div>
            <strong>{{ row.given }} {{ row.family }}</strong> <span class="soft">{{ facts(row) }}</span>
            <p v-for="note in row.reasons" :key="note.code" :class="row.verdict === 'refused' ? 'clay' : 'brass'">
              {{ accountNote(note) }}
            </p>
            <fieldset v-if="row.verdict === 'needs-choice'">
              <legend class="unseen">{{ $t('accounts.whoIs', { name: `${row.given} ${row.family}` }) }}</legend>
              <label v-for="who in row.candidates" :key="who.id"
                ><input type="radio" :name="`row-${row.row}`" @change="choose(row, who.id)" />
                {{ $t('accounts.same', { name: fullName(who) }) }}
                <span class="soft"
                  >{{ $t('kind.' + who.kind)
                  }}<template v-if="who.level">, {{ $t('level', { n: who.level }) }}</template> ·
                  {{ who.division.name }} <span class="num">{{ who.number }}</span> {{ who.email }}</span
                ></label
              >
              <label v-if="row.reasons[0]?.code !== 'number-of-another'"
                ><input type="radio" :name="`row-${row.row}`" @change="choose(row, 'new')" />
                {{ $t('accounts.new') }}</label
              >
            </fieldset>
            <p v-else-if="row.candidates.length" class="soft">
              <RouterLink
                v-for="who in row.candidates"
                :key="who.id"
                :to="{ name: 'person', params: { person: who.id } }"
                >{{ fullName(who) }}</RouterLink
              >
            </p>
          </div>
        </li>
      </ol>
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
          :label="$t('accounts.apply', { n: $n(count('ready')) }, count('ready'))"
          @click="apply"
        />
      </p>
      <ol v-if="fine.length">
        <li v-for="row in fine.slice(0, SHOWN)" :key="row.row">
          <span class="num soft">{{ row.row }}</span>
          <div>
            <strong>{{ row.given }} {{ row.family }}</strong>
            {{ ' ' }}<span class="soft">{{ facts(row) }} · {{ $t('accounts.login') }}</span> {{ ' '
            }}<span class="num">{{ row.login }}</span>
            <span v-for="note in row.cautions" :key="note.code" class="brass"> · {{ accountNote(note) }}</span>
            <button v-if="work.choices[row.row]" class="word" @click="choose(row, '')">
              {{ $t('accounts.again') }}
            </button>
          </div>
        </li>
        <li v-if="count('ready') > SHOWN">
          <span /><span class="soft">{{
            $t('people.sheet.and', { n: $n(count('ready') - Math.min(SHOWN, fine.length)) })
          }}</span>
        </li>
      </ol>
      <details v-if="so.length">
        <summary>{{ $t('accounts.sum.nothing-to-do', { n: $n(so.length) }, so.length) }}</summary>
        <ol>
          <li v-for="row in so.slice(0, SHOWN)" :key="row.row">
            <span class="num soft">{{ row.row }}</span>
            <div>
              <RouterLink v-if="row.known" :to="{ name: 'person', params: { person: row.known.id } }">{{
                fullName(row.known)
              }}</RouterLink>
              {{ ' ' }}<span class="soft">{{ row.reasons.map(accountNote).join(' ') }}</span>
            </div>
          </li>
        </ol>
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
.one {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: end;
  padding: 8px 12px;
  background: var(--mint-pale);
  border-left: 4px solid var(--mint);
}
.one label {
  font-size: 0.88rem;
  display: grid;
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
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 2px solid var(--line);
}
li {
  display: grid;
  grid-template-columns: 42px 1fr;
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
  margin: 2px 0 0;
  padding: 0;
}
fieldset label {
  display: block;
}
summary {
  cursor: pointer;
  color: var(--spruce);
}
</style>
