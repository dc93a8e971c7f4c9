<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, onMounted, reactive, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, freshKey, Problem, take, type Site, type SiteRequest } from '@/shared/api'
import { useLevels } from '@/shared/levels'
import { usePlatform } from '@/shared/platform'
import { done, refreshSite } from '@/shared/undo'
import { t } from '@/shared/words'
import { divisionOptions, optionsOf } from '@/ui/options'
import LevelField from '@/ui/LevelField.vue'
import PickOne from '@/ui/PickOne.vue'
import HelpWord from '@/ui/HelpWord.vue'
import { shortCodeOf } from './shortCode'

/** Makes a site, or changes the facts of the one given. */
const props = defineProps<{ site?: Site }>()
const router = useRouter()
const { platform } = usePlatform()
const blank = {
  title: '',
  code: '',
  kind: '',
  division: '',
  term: '',
  lowest: null as number | null,
  highest: null as number | null,
  seats: '',
}
const form = reactive({ ...blank })
const { hasNames, levelOptions } = useLevels()
/** The short code follows the title until somebody writes one. */
const codeIsOwn = ref(!!props.site)
watch(
  () => form.title,
  (title) => codeIsOwn.value || (form.code = shortCodeOf(title)),
)
// What a kind of site begins with, until somebody says otherwise.
const seatsOf = (kind: string) => String(platform.value?.siteKinds.find(({ code }) => code === kind)?.seats ?? '')
watch(
  () => form.kind,
  (kind, before) => {
    if (!props.site && String(form.seats) === (before ? seatsOf(before) : '')) form.seats = seatsOf(kind)
  },
)
const version = ref(0)
const problem = shallowRef<Problem | null>(null)
const elsewhere = ref('')
const busy = ref(false)
let key = freshKey()

function fill(site: Site) {
  version.value = site.version
  Object.assign(form, {
    title: site.title,
    code: site.code,
    kind: site.kind,
    division: site.division.code,
    term: site.term?.code ?? '',
    lowest: site.levels?.lowest ?? null,
    highest: site.levels?.highest ?? null,
    seats: String(site.seats ?? ''),
  })
}
onMounted(() => (props.site ? fill(props.site) : document.getElementById('title')?.focus()))
// What is sent under one key stays the same; something else gets a fresh one.
watch(form, () => (key = freshKey()))
// The term that runs, and the division one works in, are the likely ones.
watch(
  platform,
  (now) => {
    if (!now || props.site) return
    const today = now.now.slice(0, 10)
    form.kind ||= now.siteKinds[0]?.code ?? ''
    form.term ||= (now.terms.find((term) => term.endsOn >= today) ?? now.terms.at(-1))?.code ?? ''
    form.division ||= now.mayMakeIn[0] ?? ''
  },
  { immediate: true },
)

const divisions = computed(
  () =>
    platform.value?.divisions.filter(
      (division) => platform.value?.mayMakeIn.includes(division.code) || division.code === props.site?.division.code,
    ) ?? [],
)
const stale = computed(() => problem.value?.kind === 'stale')
const fields = ['title', 'code', 'kind', 'division', 'term', 'lowest', 'highest', 'seats'] as const
const wrong = (name: (typeof fields)[number]) => problem.value?.field(name)
const general = computed(() =>
  problem.value && !stale.value && !fields.some((name) => wrong(name)) ? problem.value.message : elsewhere.value,
)
const whole = (text: string | number) => (String(text).trim() === '' ? null : Number(text))

async function save() {
  busy.value = true
  problem.value = null
  elsewhere.value = ''
  const body = {
    ...form,
    lowest: form.lowest,
    highest: form.highest,
    seats: whole(form.seats),
  } as SiteRequest
  try {
    const saved = props.site
      ? await take(
          api.PUT('/sites/{site}', {
            params: {
              path: { site: props.site.id },
              header: { 'If-Match': `"${version.value}"`, 'Idempotency-Key': key },
            },
            body,
          }),
        )
      : await take(api.POST('/sites', { params: { header: { 'Idempotency-Key': key } }, body }))
    await refreshSite()
    if (props.site) fill(saved)
    done(
      t(props.site ? 'site.did.changed' : 'site.did.made', { title: saved.title }),
      saved.entry ? { site: saved.id, entry: saved.entry } : undefined,
    )
    if (!props.site) await router.push({ name: 'roster', params: { site: saved.id } })
  } catch (error) {
    if (error instanceof Problem) problem.value = error
    else elsewhere.value = t('trouble.unexpected')
    key = freshKey()
  } finally {
    busy.value = false
  }
}

async function settle(takeTheirs: boolean) {
  if (!props.site) return
  const now = await take(api.GET('/sites/{site}', { params: { path: { site: props.site.id } } }))
  problem.value = null
  if (takeTheirs) fill(now)
  else {
    version.value = now.version
    await save()
  }
}
</script>

<template>
  <div class="scroll">
    <div class="page narrow">
      <h1>
        <template v-if="site">{{ t('form.edit', { title: site.title }) }}</template>
        <HelpWord v-else term="site">{{ t('form.new') }}</HelpWord>
      </h1>
      <p v-if="!site" class="soft">{{ t('form.newMore') }}</p>
      <form novalidate @submit.prevent="save">
        <div class="field wide">
          <label for="title">{{ t('form.title') }}</label>
          <InputText id="title" v-model="form.title" :invalid="!!wrong('title')" aria-describedby="title-wrong" fluid />
          <span id="title-wrong" class="wrong">{{ wrong('title') }}</span>
        </div>
        <div class="field">
          <label for="code">{{ t('form.code') }}</label>
          <InputText
            id="code"
            v-model="form.code"
            :invalid="!!wrong('code')"
            aria-describedby="code-wrong"
            class="num"
            fluid
            @input="codeIsOwn = form.code !== ''"
          />
          <span id="code-wrong" :class="wrong('code') ? 'wrong' : 'hint'">{{
            wrong('code') ?? t('form.codeHint')
          }}</span>
        </div>
        <div class="field">
          <PickOne
            v-model="form.kind"
            stacked
            fluid
            :label="t('form.kind')"
            :options="optionsOf(platform?.siteKinds, 'code')"
          />
          <span class="wrong">{{ wrong('kind') }}</span>
        </div>
        <div class="field">
          <PickOne
            v-model="form.division"
            stacked
            fluid
            :label="t('form.division')"
            :placeholder="t('parts.choose')"
            :options="divisionOptions(divisions)"
            :invalid="!!wrong('division')"
            aria-describedby="division-wrong"
            ><template #label
              ><HelpWord term="division">{{ t('form.division') }}</HelpWord></template
            ></PickOne
          >
          <span id="division-wrong" class="wrong">{{ wrong('division') }}</span>
        </div>
        <div v-if="platform?.terms.length || site?.term" class="field">
          <PickOne
            v-model="form.term"
            stacked
            fluid
            :label="t('form.term')"
            :options="[{ value: '', label: t('form.noTerm') }, ...optionsOf(platform?.terms, 'code')]"
            :invalid="!!wrong('term')"
            aria-describedby="term-wrong"
            ><template #label
              ><HelpWord term="term-of-year">{{ t('form.term') }}</HelpWord></template
            ></PickOne
          >
          <span id="term-wrong" class="wrong">{{ wrong('term') }}</span>
        </div>
        <div v-if="!hasNames(form.division) || levelOptions(form.division).length" class="field">
          <span class="label">{{ t('parts.lowest') }} … {{ t('parts.highest') }}</span>
          <span class="pair">
            <LevelField
              v-model="form.lowest"
              :division="form.division"
              :label="t('parts.lowest')"
              :invalid="!!wrong('lowest')"
            />
            –
            <LevelField
              v-model="form.highest"
              :division="form.division"
              :label="t('parts.highest')"
              :invalid="!!wrong('highest')"
            />
          </span>
          <span :class="wrong('lowest') || wrong('highest') ? 'wrong' : 'hint'">{{
            wrong('lowest') ?? wrong('highest') ?? t('form.levelsHint')
          }}</span>
        </div>
        <div class="field">
          <label for="seats"
            ><HelpWord term="seat">{{ t('form.seats') }}</HelpWord></label
          >
          <InputText
            id="seats"
            v-model="form.seats"
            inputmode="numeric"
            class="short"
            :invalid="!!wrong('seats')"
            aria-describedby="seats-wrong"
          />
          <span id="seats-wrong" :class="wrong('seats') ? 'wrong' : 'hint'">{{
            wrong('seats') ?? t('form.seatsHint')
          }}</span>
        </div>
        <div v-if="stale" class="callout wide" role="alert">
          {{ problem?.message }}
          <button type="button" class="word" @click="settle(true)">{{ t('trouble.takeTheirs') }}</button> ·
          <button type="button" class="word" @click="settle(false)">{{ t('trouble.keepMine') }}</button>
        </div>
        <p v-if="general" class="callout bad wide" role="alert">{{ general }}</p>
        <p class="wide buttons">
          <Button type="submit" :disabled="busy" :label="t(busy ? 'form.busy' : site ? 'form.save' : 'form.make')" />
          <button type="button" class="word" @click="router.back()">{{ t('parts.cancel') }}</button>
        </p>
      </form>
    </div>
  </div>
</template>

<style scoped>
.scroll {
  overflow: auto;
}
.narrow {
  max-width: 760px;
  display: grid;
  gap: 10px;
  margin: 0 auto;
}
form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px 22px;
}
.wide {
  grid-column: 1 / -1;
}
.pair {
  display: flex;
  gap: 8px;
  align-items: center;
}
.pair .p-inputtext,
.short {
  width: 90px;
}
.buttons {
  display: flex;
  gap: 18px;
  align-items: center;
}
@media (max-width: 640px) {
  form {
    grid-template-columns: 1fr;
  }
}
</style>
