<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, reactive } from 'vue'
import { api, take, type LineWish, type PersonCard, type Site } from '@/app/api'
import { useHouse } from '@/app/house'
import { fullName, lineSentences, outlookSentence } from '@/app/sentences'
import { useSlowly } from '@/ui/slowly'

/** Asks what a change needs, and says what would follow from it before it is made. */
const props = defineProps<{ site: Site; card: PersonCard; verb: 'take-out' | 'pause' | 'change-dates' | 'keep-out'; busy: boolean; wrongDay: string }>()
const emit = defineEmits<{ act: [wish: Omit<LineWish, 'person'>]; close: []; instead: [verb: 'keep-out'] }>()
const { roleName } = useHouse()
const asked = reactive({ fromDay: '', untilDay: '', days: 14, note: '', length: 'day' as 'day' | 'days' | 'term' | 'open' })

const wish = computed(() => {
  if (props.verb === 'take-out') return { verb: props.verb }
  const until = props.verb !== 'change-dates' || asked.length === 'day' ? asked.untilDay : asked.length === 'term' ? props.site.term.endsOn : ''
  return {
    verb: props.verb,
    fromDay: props.verb === 'keep-out' ? null : asked.fromDay || null,
    untilDay: until || null,
    days: props.verb === 'change-dates' && asked.length === 'days' ? Number(asked.days) || null : null
  }
})
// A change of dates until a day wants the day.
const complete = computed(() => props.verb !== 'change-dates' || (asked.length === 'day' ? !!asked.untilDay : asked.length !== 'days' || Number(asked.days) > 0))
const slowly = useSlowly(wish, 200)
const { data: line, error } = useQuery({
  queryKey: ['preview', computed(() => props.site.id), computed(() => props.card.person.id), computed(() => props.card.version), slowly],
  enabled: complete,
  queryFn: async () => (await take(api.POST('/sites/{site}/sheets', { params: { path: { site: props.site.id } }, body: { apply: false, lines: [{ ...slowly.value, person: props.card.person.id }] } }))).lines[0]!,
  placeholderData: keepPreviousData
})
const ready = computed(() => complete.value && !error.value && line.value?.verdict === 'ready')
const comesBack = computed(() => props.verb === 'take-out' && line.value?.cautions.some((note) => note.code === 'comes-back-through'))
const go = () => emit('act', { ...wish.value, note: asked.note.trim() || null })
</script>

<template>
  <form class="asking" @submit.prevent="go">
    <div v-if="verb !== 'take-out'" class="fields">
      <template v-if="verb === 'change-dates'">
        <label>{{ $t('card.ask.length') }}
          <select v-model="asked.length" class="plain">
            <option v-for="each in ['day', 'days', 'term', 'open'] as const" :key="each" :value="each">{{ $t('card.ask.lengths.' + each, { term: site.term.name }) }}</option>
          </select>
        </label>
        <label v-if="asked.length === 'days'"><input v-model="asked.days" class="plain short" type="number" min="1" max="1000" :aria-label="$t('card.ask.days')" /> {{ $t('card.ask.days') }}</label>
      </template>
      <label v-if="verb !== 'keep-out'">{{ $t('card.ask.from') }} <input v-model="asked.fromDay" type="date" /> <span class="soft">{{ $t(verb === 'pause' ? 'card.ask.fromNow' : 'card.ask.fromKeep') }}</span></label>
      <label v-if="verb !== 'change-dates' || asked.length === 'day'">{{ $t('card.ask.until') }} <input v-model="asked.untilDay" type="date" :aria-invalid="!!error || !!wrongDay" /> <span v-if="verb !== 'change-dates'" class="soft">{{ $t('card.ask.untilOpen') }}</span></label>
      <label v-if="verb !== 'change-dates'" class="wide">{{ $t('card.ask.note') }} <textarea v-model="asked.note" class="plain" rows="2" maxlength="500" /></label>
    </div>
    <p v-if="wrongDay || error" class="clay" role="alert">{{ wrongDay || error?.message }}</p>
    <template v-else-if="complete">
      <p v-if="!line" class="soft">{{ $t('card.ask.computing') }}</p>
      <template v-else>
        <p v-if="line.verdict === 'ready'" class="follows">{{ outlookSentence(line.outlook, site.timeZone, roleName) }}</p>
        <p v-for="sentence in lineSentences(line, site.timeZone, roleName)" :key="sentence">{{ sentence }}</p>
        <button v-if="comesBack" type="button" class="word" @click="$emit('instead', 'keep-out')">{{ $t('card.bringsBack') }}</button>
      </template>
    </template>
    <p class="actions">
      <Button v-if="ready" type="submit" size="small" :severity="verb === 'take-out' || verb === 'keep-out' ? 'danger' : undefined" :disabled="busy" :label="$t('card.ask.sure.' + verb, { name: fullName(card.person) })" />
      <button type="button" class="word" @click="$emit('close')">{{ $t('card.never') }}</button>
    </p>
  </form>
</template>

<style scoped>
.asking { border-left: 4px solid var(--brass); padding: 4px 12px; display: grid; gap: 8px; justify-items: start; }
.fields { display: grid; gap: 6px; }
label { display: flex; flex-wrap: wrap; gap: 4px 8px; align-items: center; }
.wide textarea { width: 100%; resize: vertical; }
.short { width: 76px; }
.follows { font-weight: 600; }
.actions { display: flex; flex-wrap: wrap; gap: 10px; align-items: center; }
</style>
