<script setup lang="ts">
import { useFileDialog } from '@vueuse/core'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, reactive, ref } from 'vue'
import { api, Problem, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { platformNow } from '@/shared/clock'
import { dayIn, daysLater } from '@/shared/days'
import { done, refreshSite, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import DockedColumn from '@/ui/DockedColumn.vue'
import HoursFields from './HoursFields.vue'
import { placeOf, wantedOf, whenOf, type HoursOfSite, type HoursWanted } from './weeks'

/** Says when a site and its sections meet; what a calendar brings is looked at here before it is kept. */
const props = defineProps<{ site: Site; hours: HoursOfSite }>()
const emit = defineEmits<{ close: [] }>()
let made = 0
type Draft = HoursWanted & { key: string }
const drafts = reactive<Draft[]>(props.hours.hours.map((each) => ({ ...wantedOf(each), key: each.id })))
const wrong = ref<Record<string, string>>({})
const editing = ref('')

const sections = computed(() => [
  { value: '', label: t('weeks.hours.everybody') },
  ...props.site.sections
    .filter(({ id, retired }) => !retired || drafts.some(({ section }) => section === id))
    .map(({ id, name }) => ({ value: id, label: name })),
])
const groups = computed(() =>
  sections.value
    .map(({ value, label }) => ({ value, label, drafts: drafts.filter((each) => (each.section ?? '') === value) }))
    .filter(({ drafts: own, value }) => own.length || (value === '' ? !props.site.sections.length : true)),
)
const { data: rooms } = useQuery({ queryKey: ['rooms'], queryFn: () => take(api.GET('/rooms')) })

function add(section: string) {
  const today = dayIn(platformNow(), props.site.timeZone)
  const first = props.site.term && props.site.term.startsOn > today ? props.site.term.startsOn : today
  const key = `new-${++made}`
  const last = props.hours.lastDay && props.hours.lastDay > first ? props.hours.lastDay : daysLater(first, 98)
  drafts.push({
    key,
    id: null,
    section: section || null,
    name: '',
    first,
    time: '',
    minutes: 90,
    days: [],
    every: 1,
    until: last,
    rule: null,
    room: '',
    building: '',
    rests: true,
    changes: [],
    zone: null,
  })
  editing.value = key
}
const drop = (key: string) =>
  drafts.splice(
    drafts.findIndex((each) => each.key === key),
    1,
  )
if (!drafts.length) add(sections.value[1]?.value ?? '')

const place = (key: string) => drafts.findIndex((each) => each.key === key)
const problems = (key: string) => {
  const at = `/hours/${place(key)}/`
  return Object.fromEntries(
    Object.entries(wrong.value)
      .filter(([pointer]) => pointer.startsWith(at))
      .map(([pointer, sentence]) => [pointer.slice(at.length), sentence]),
  )
}
const unfinished = computed(() => drafts.some(({ time }) => !time))

const { busy, run } = useBusy((thrown) => {
  const errors = thrown instanceof Problem ? (thrown.document.errors ?? []) : []
  wrong.value = Object.fromEntries(errors.map(({ pointer, detail }) => [pointer, detail]))
  const first = /^\/hours\/(\d+)\//.exec(errors[0]?.pointer ?? '')
  if (first) editing.value = drafts[Number(first[1])]?.key ?? editing.value
  if (!errors.length) wentWrong(thrown)
})
const save = () =>
  run(async () => {
    wrong.value = {}
    const answer = await take(
      api.PUT('/sites/{site}/hours', {
        params: { path: { site: props.site.id }, header: { 'If-Match': `"${props.hours.version}"` } },
        body: { hours: drafts.map(({ key: _, ...hours }) => ({ ...hours, until: hours.until || null })) },
      }),
    )
    if (answer.entry) done(t('weeks.hours.did'), { site: props.site.id, entry: answer.entry })
    await refreshSite()
    emit('close')
  })

const found = ref('')
const unread = ref('')
const { open, onChange } = useFileDialog({ accept: '.ics,text/calendar', multiple: false, reset: true })
const reading = useBusy((thrown) => {
  if (thrown instanceof Problem && thrown.kind === 'invalid') unread.value = thrown.message
  else wentWrong(thrown)
})
onChange((chosen) => {
  const file = chosen?.item(0)
  if (file)
    void reading.run(async () => {
      found.value = unread.value = ''
      const read = await take(
        api.POST('/sites/{site}/hours/read', {
          params: { path: { site: props.site.id } },
          body: { text: await file.text() },
        }),
      )
      // What was begun and never filled in gives way to what was read.
      for (const blank of drafts.filter(({ time, id }) => !time && !id)) drop(blank.key)
      drafts.push(...read.hours.map((hours) => ({ ...hours, key: `new-${++made}` })))
      const left = read.wholeDays + read.others
      found.value = [
        t('weeks.hours.read', { n: read.hours.length }, read.hours.length),
        left ? t('weeks.hours.readLeft', { n: left }, left) : '',
      ].join(' ')
    })
})
</script>

<template>
  <DockedColumn class="hours" name="hours" :label="t('weeks.hours.title')" closes @close="emit('close')">
    <h2>{{ t('weeks.hours.title') }}</h2>
    <p class="soft small">{{ t('weeks.hours.more') }}</p>
    <form novalidate @submit.prevent="save">
      <section v-for="group in groups" :key="group.value">
        <h3>{{ group.label }}</h3>
        <p v-if="!group.drafts.length" class="soft small">{{ t('weeks.hours.none') }}</p>
        <template v-for="draft in group.drafts" :key="draft.key">
          <HoursFields
            v-if="editing === draft.key"
            v-model="drafts[place(draft.key)]!"
            :sections="sections"
            :rooms="rooms?.rooms ?? []"
            :zone="site.timeZone"
            :wrong="problems(draft.key)"
            @close="editing = ''"
            @drop="drop(draft.key)"
          />
          <p v-else class="one">
            <span>
              <strong>{{ whenOf(draft) }}</strong>
              <span v-if="draft.name || placeOf(draft)" class="soft">
                {{ [draft.name, placeOf(draft)].filter(Boolean).join(' · ') }}</span
              >
              <span v-for="(sentence, field) in problems(draft.key)" :key="field" class="clay" role="alert">{{
                sentence
              }}</span>
            </span>
            <button type="button" class="word" @click="editing = draft.key">{{ t('weeks.hours.edit') }}</button>
            <button type="button" class="word clay" @click="drop(draft.key)">{{ t('weeks.hours.drop') }}</button>
          </p>
        </template>
        <p>
          <Button
            size="small"
            variant="text"
            :label="t('weeks.hours.add')"
            :aria-label="`${t('weeks.hours.add')}: ${group.label}`"
            @click="add(group.value)"
          />
        </p>
      </section>
      <p v-if="unread" class="clay" role="alert">{{ unread }}</p>
      <p v-if="found" role="status">{{ found }}</p>
      <p class="acts">
        <Button type="submit" size="small" :disabled="busy || unfinished" :label="t('weeks.hours.save')" />
        <button type="button" class="word" @click="emit('close')">{{ t('parts.cancel') }}</button>
        <button type="button" class="word" :disabled="reading.busy.value" @click="open()">
          {{ t('weeks.hours.calendar') }}
        </button>
      </p>
    </form>
  </DockedColumn>
</template>

<style scoped>
.hours {
  --docked: 460px;
}
h2 {
  padding-right: 60px;
}
h3 {
  font-size: 1rem;
}
form,
section {
  display: grid;
  gap: 8px;
}
section {
  border-bottom: 1px solid var(--line);
  padding-bottom: 4px;
}
.one {
  display: flex;
  gap: 12px;
  align-items: baseline;
}
.one > span {
  flex: 1;
  display: grid;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
.small {
  font-size: 0.9rem;
}
</style>
