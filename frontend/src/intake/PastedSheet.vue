<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, reactive, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { api, take, type LineWish, type PastedLine, type Sheet, type Site } from '@/app/api'
import { useHouse } from '@/app/house'
import { fullName, lineSentences } from '@/app/sentences'
import { done, refreshSite, wentWrong } from '@/app/undo'
import { useSlowly } from '@/ui/slowly'
import { keep, keptText } from './pasted'

/** Pasted lines as a sheet: whom each was taken for and why, what has to be settled, and what letting them in would do, before it is done. */
const props = defineProps<{ site: Site; text: string }>()
defineEmits<{ close: [] }>()
const { t } = useI18n()
const { house, roleName } = useHouse()
type Candidate = PastedLine['candidates'][number]

/** The lines of the text, each to be corrected in its place. */
const texts = ref((props.text || keptText(props.site.id)).split(/\r\n|\r|\n/))
const slowly = useSlowly(computed(() => texts.value.join('\n')), 350)
watch(slowly, (text) => keep(props.site.id, text), { immediate: true })
const { data: read, error } = useQuery({
  queryKey: ['intake', 'pasted', computed(() => props.site.id), slowly],
  queryFn: () => take(api.POST('/sites/{site}/intake', { params: { path: { site: props.site.id } }, body: { text: slowly.value } })),
  placeholderData: keepPreviousData
})
/** Whom somebody chose for a line, by the line's text; and who above learner is really meant to be. */
const settled = reactive(new Map<string, string>())
const confirmed = reactive(new Set<string>())
const dropped = reactive(new Set<string>())
const role = ref('')

const items = computed(() => (read.value?.items ?? []).map((item, index) => ({ ...item, key: `${item.number} ${item.text} ${index}` })).filter((item) => !dropped.has(item.key)))
const who = (item: PastedLine): Candidate | undefined => (item.outcome === 'match' ? item.candidates[0] : item.candidates.find((each) => each.person.id === settled.get(item.text)))
const here = (candidate?: Candidate) => ['current', 'paused', 'upcoming', 'waiting'].includes(candidate?.standing?.state ?? '')
const gone = (candidate: Candidate) => ['ended', 'taken-out'].includes(candidate.standing?.state ?? '')
const about = (person: Candidate['person']) => [t('kind.' + person.kind) + (person.level ? ', ' + t('level', { n: person.level }) : ''), person.division.name, person.number].filter(Boolean).join(' · ')
const roleOf = (candidate: Candidate) => role.value || candidate.suggested
/** A role above learner that nobody asked for wants a word. */
const above = (candidate: Candidate) => !role.value && !gone(candidate) && house.value?.roles.find((each) => each.code === candidate.suggested)?.takesSeat === false

const wishes = computed<LineWish[]>(() => {
  const people = new Map<string, LineWish>()
  for (const item of items.value) {
    const candidate = who(item)
    if (!candidate || item.outcome === 'repeat' || here(candidate) || (above(candidate) && !confirmed.has(candidate.person.id))) continue
    const given = roleOf(candidate)
    if (gone(candidate) && !role.value) people.set(candidate.person.id, { person: candidate.person.id, verb: 'bring-back' })
    else if (given) people.set(candidate.person.id, { person: candidate.person.id, verb: 'let-in', role: given })
  }
  return [...people.values()]
})
const asked = useSlowly(computed(() => JSON.stringify(wishes.value)), 200)
const { data: sheet, error: wrong, isFetching } = useQuery({
  queryKey: ['preview', 'pasted', computed(() => props.site.id), asked],
  enabled: computed(() => asked.value !== '[]'),
  queryFn: () => take(api.POST('/sites/{site}/sheets', { params: { path: { site: props.site.id } }, body: { apply: false, lines: JSON.parse(asked.value) as LineWish[] } })),
  placeholderData: keepPreviousData
})
const lineOf = (candidate?: Candidate): Sheet['lines'][number] | undefined => (candidate ? sheet.value?.lines.find((line) => line.person.id === candidate.person.id) : undefined)
const planned = (candidate?: Candidate) => !!candidate && wishes.value.some((wish) => wish.person === candidate.person.id)
const ready = computed(() => sheet.value?.lines.filter((line) => line.verdict === 'ready' && wishes.value.some((wish) => wish.person === line.person.id)).length ?? 0)
const count = (test: (item: PastedLine) => boolean) => items.value.filter(test).length
const toSettle = computed(() => count((item) => (item.outcome === 'choose' && !who(item)) || (!!who(item) && !here(who(item)) && above(who(item)!) && !confirmed.has(who(item)!.person.id))))
const already = computed(() => count((item) => item.outcome !== 'repeat' && here(who(item))))
const unknown = computed(() => count((item) => item.outcome === 'unknown'))

function correct(item: PastedLine, event: Event) {
  texts.value[item.number - 1] = (event.target as HTMLInputElement).value
}

async function apply() {
  try {
    const applied = await take(api.POST('/sites/{site}/sheets', { params: { path: { site: props.site.id } }, body: { apply: true, lines: wishes.value } }))
    const n = applied.lines.filter((line) => line.verdict === 'ready').length
    done(t('pasted.did', { n }, n), { site: props.site.id, sheet: n === 1 && applied.lines.length === 1 ? null : applied.sheet, entry: applied.lines.length === 1 ? applied.lines[0]!.entry : null }, n < applied.lines.length ? t('sheet.leftOut', { n: applied.lines.length - n }, applied.lines.length - n) : '')
    await refreshSite()
  } catch (thrown) {
    wentWrong(thrown)
  }
}
</script>

<template>
  <aside class="docked no-print" :aria-label="$t('pasted.title')" @keydown.esc.stop="$emit('close')">
    <button class="word shut" @click="$emit('close')">{{ $t('card.close') }}</button>
    <h2>{{ $t('pasted.title') }}</h2>
    <p v-if="error" class="clay" role="alert">{{ error.message }}</p>
    <template v-else-if="read">
      <p class="sum" role="status">
        {{ $t('pasted.ready', { n: ready }, ready) }}{{ toSettle ? $t('pasted.toSettle', { n: toSettle }, toSettle) : '' }}{{ already ? $t('pasted.already', { n: already }, already) : '' }}{{ unknown ? $t('pasted.unknown', { n: unknown }, unknown) : '' }}.
      </p>
      <p class="doing">
        <label>{{ $t('pasted.as') }}
          <select v-model="role" class="plain"><option value="">{{ $t('pasted.suggested') }}</option><option v-for="each in house?.roles" :key="each.code" :value="each.code">{{ each.name.toLowerCase() }}</option></select>
        </label>
        <Button size="small" :disabled="!ready || isFetching" :label="$t('pasted.apply', { n: ready }, ready)" @click="apply" />
      </p>
      <p v-if="wrong" class="clay" role="alert">{{ wrong.message }}</p>
      <ol>
        <li v-for="item in items" :key="item.key" :class="item.outcome">
          <span class="num soft">{{ item.number }}</span>
          <div>
            <input v-if="item.outcome === 'unknown'" class="plain wide" maxlength="200" :value="item.text" :aria-label="$t('pasted.correct', { n: item.number })" @change="correct(item, $event)" />
            <span v-else class="soft typed">{{ item.text }}</span>
            <template v-if="item.outcome === 'match' || item.outcome === 'repeat' || who(item)">
              <strong>{{ fullName(who(item)?.person ?? item.candidates[0]!.person) }}</strong>
              <span class="why soft">{{ about((who(item) ?? item.candidates[0]!).person) }} · {{ $t('pasted.evidence.' + (item.decided ?? (who(item) ?? item.candidates[0]!).evidence)) }}</span>
            </template>
            <p v-if="item.mistyped" class="brass">{{ $t('intake.slip', { format: item.mistyped.toLowerCase() }) }}</p>
            <p v-if="item.outcome === 'no-person'" class="soft">{{ $t('pasted.noPerson') }}</p>
            <p v-else-if="item.outcome === 'repeat'" class="soft">{{ $t('pasted.repeat') }}</p>
            <p v-else-if="item.outcome === 'unknown'" class="soft">{{ $t('pasted.nobody') }} <button class="word" @click="dropped.add(item.key)">{{ $t('pasted.drop') }}</button></p>
            <fieldset v-else-if="item.outcome === 'choose'">
              <legend>{{ $t('pasted.which') }}</legend>
              <label v-for="candidate in item.candidates" :key="candidate.person.id">
                <input type="radio" :name="item.key" :checked="settled.get(item.text) === candidate.person.id" @change="settled.set(item.text, candidate.person.id)" />
                <span>{{ fullName(candidate.person) }} <span class="why soft">{{ about(candidate.person) }} · {{ $t('pasted.evidence.' + candidate.evidence) }}</span></span>
              </label>
              <button class="word" @click="dropped.add(item.key)">{{ $t('pasted.drop') }}</button>
            </fieldset>
            <template v-if="who(item) && item.outcome !== 'repeat'">
              <p v-if="here(who(item))" class="soft">{{ $t('pasted.hereAs', { role: roleName(who(item)!.standing?.role).toLowerCase() }) }}</p>
              <label v-else-if="above(who(item)!)" class="above"><input type="checkbox" :checked="confirmed.has(who(item)!.person.id)" @change="confirmed.has(who(item)!.person.id) ? confirmed.delete(who(item)!.person.id) : confirmed.add(who(item)!.person.id)" /> {{ $t('pasted.really', { role: roleName(who(item)!.suggested).toLowerCase() }) }}</label>
              <p v-if="planned(who(item)) && lineOf(who(item))" :class="lineOf(who(item))!.verdict === 'ready' ? 'will' : 'clay'">
                {{ lineOf(who(item))!.verdict === 'ready' ? $t(gone(who(item)!) && !role ? 'pasted.back' : 'pasted.in', { role: roleName(lineOf(who(item))!.after?.role).toLowerCase() }) : '' }} {{ lineSentences(lineOf(who(item))!, site.timeZone, roleName).join(' ') }}
              </p>
              <p v-else-if="!here(who(item)) && !roleOf(who(item)!)" class="clay">{{ $t('intake.noRole') }}</p>
            </template>
          </div>
        </li>
      </ol>
    </template>
    <p v-else class="soft">{{ $t('card.ask.computing') }}</p>
  </aside>
</template>

<style scoped>
.docked { --docked: 560px; }
h2 { padding-right: 60px; }
.sum { font-weight: 600; }
.doing { display: flex; flex-wrap: wrap; gap: 8px 16px; align-items: center; }
ol { list-style: none; margin: 0; padding: 0; border-top: 2px solid var(--line); }
li { display: grid; grid-template-columns: 30px 1fr; gap: 8px; padding: 6px 0; border-bottom: 1px solid var(--line); }
.num { padding-top: 2px; }
.typed { display: block; font-size: 0.9rem; overflow-wrap: anywhere; }
.wide { width: 100%; }
fieldset { border: 0; border-left: 4px solid var(--brass); margin: 4px 0; padding: 0 10px; }
legend { padding: 0; font-weight: 600; font-size: 0.92rem; }
fieldset label { display: flex; gap: 8px; align-items: baseline; }
.why { font-size: 0.9rem; margin-left: 6px; }
.will { color: var(--spruce); }
</style>
