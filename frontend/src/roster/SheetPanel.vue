<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { api, take, type LineWish, type Sheet, type Site } from '@/app/api'
import { useHouse } from '@/app/house'
import { lineSentences, outlookSentence } from '@/app/sentences'
import { done, refreshSite, wentWrong } from '@/app/undo'
import { useSlowly } from '@/ui/slowly'
import { useAsked, type AskingVerb } from './asked'
import AskedFields from './AskedFields.vue'

/** One change for many people, as a sheet: what will change for whom, for whom not and why, before it is applied. */
const props = defineProps<{ site: Site; people: string[]; verb: AskingVerb; wishes?: LineWish[] }>()
const emit = defineEmits<{ close: []; applied: [] }>()
const { t } = useI18n()
const { roleName } = useHouse()
const { asked, wish, complete, note } = useAsked(() => props.site, () => props.verb)
const busy = ref(false)
const typed = ref('')
/** One wish for all of them, or to each their own. */
const lines = (more: object = {}): LineWish[] => props.wishes ?? props.people.map((person) => ({ ...wish.value, ...more, person }))
const path = computed(() => ({ path: { site: props.site.id } }))
const label = (apply: boolean) => take(api.POST('/sites/{site}/labels', { params: path.value, body: { label: asked.label, on: asked.on, people: props.people, apply } }))
const make = (apply: boolean, removing: number | null = null): Promise<Sheet> => props.verb === 'label' ? label(apply) : take(api.POST('/sites/{site}/sheets', { params: path.value, body: apply ? { apply, removing, lines: lines(props.wishes ? {} : { note: note.value }) } : { apply, lines: lines() } }))

const current = computed(() => JSON.stringify(props.verb === 'label' ? [asked.label, asked.on, props.people] : lines()))
const slowly = useSlowly(current, 200)
/** Nothing is worked out for what is still being typed, and nothing is applied that was not worked out. */
const settled = computed(() => complete.value && slowly.value === current.value)
const { data: sheet, error, isFetching } = useQuery({
  queryKey: ['preview', computed(() => props.site.id), slowly],
  enabled: settled,
  queryFn: () => make(false),
  placeholderData: keepPreviousData
})
const of = (...verdicts: string[]) => computed(() => sheet.value?.lines.filter((line) => verdicts.includes(line.verdict)) ?? [])
const ready = of('ready')
const cannot = of('refused', 'waits-for-seat')
const nothing = of('nothing-to-do')
const said = computed(() => !sheet.value?.removal || Number(typed.value) === sheet.value.removal.people)

async function apply() {
  busy.value = true
  try {
    const applied = await make(true, sheet.value?.removal?.people ?? null)
    const count = applied.lines.filter((line) => line.verdict === 'ready').length
    const said = props.verb === 'label' ? t('label.did.' + (asked.on ? 'on' : 'off'), { n: count, label: asked.label.trim() }, count) : t('sheet.did.' + props.verb, { n: count }, count)
    done(said, { site: props.site.id, sheet: applied.sheet, entry: props.verb === 'label' ? applied.lines.find((line) => line.entry)?.entry : null }, count < props.people.length ? t('sheet.leftOut', { n: props.people.length - count }, props.people.length - count) : '')
    await refreshSite()
    emit('applied')
  } catch (thrown) {
    wentWrong(thrown)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <aside class="docked no-print" :aria-label="$t('sheet.title.' + verb, { n: people.length }, people.length)" @keydown.esc.stop="$emit('close')">
    <button class="word shut" @click="$emit('close')">{{ $t('card.close') }}</button>
    <h2>{{ $t('sheet.title.' + verb, { n: people.length }, people.length) }}</h2>
    <form @submit.prevent="apply">
      <AskedFields v-model="asked" :site="site" :verb="verb" :wrong="!!error" />
      <p v-if="error" class="clay" role="alert">{{ error.message }}</p>
      <template v-else-if="complete">
        <p v-if="!sheet" class="soft">{{ $t('card.ask.computing') }}</p>
        <template v-else>
          <p class="follows" role="status">{{ $t('sheet.ready', { n: ready.length }, ready.length) }}{{ cannot.length ? $t('sheet.cannot', { n: cannot.length }, cannot.length) : '' }}.<template v-if="nothing.length">{{ ' ' }}{{ $t('sheet.nothing', { n: nothing.length }, nothing.length) }}</template></p>
          <label v-if="sheet.removal" class="callout bad">{{ $t('sheet.many', sheet.removal) }} <input v-model="typed" class="plain number" inputmode="numeric" /></label>
          <Button type="submit" size="small" :severity="verb === 'take-out' || verb === 'keep-out' ? 'danger' : undefined" :disabled="busy || isFetching || !settled || !ready.length || !said" :label="$t('sheet.apply.' + verb, { n: ready.length }, ready.length)" />
        </template>
      </template>
    </form>
    <ol v-if="complete && sheet && !error" class="ledger">
      <li v-for="line in [...cannot, ...ready]" :key="line.person.id" :class="line.verdict">
        <span class="verdict">{{ $t('sheet.verdict.' + line.verdict) }}</span>
        <span><strong>{{ line.person.name }}</strong> <template v-if="line.verdict === 'ready' && line.outlook.length">{{ outlookSentence(line.outlook, site.timeZone, roleName) }}</template> {{ lineSentences(line, site.timeZone, roleName).filter((_, index) => line.verdict !== 'ready' || index > 0).join(' ') }}</span>
      </li>
    </ol>
  </aside>
</template>

<style scoped>
h2 { padding-right: 60px; }
form { display: grid; gap: 10px; justify-items: start; }
.number { width: 80px; }
.ledger { --verdict: 78px; }
.ledger .refused .verdict, .ledger .waits-for-seat .verdict { color: var(--clay); }
</style>
