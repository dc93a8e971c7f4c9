<script setup lang="ts">
import { useQuery, keepPreviousData } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { api, Problem, take, type Door, type House, type Site } from '@/app/api'
import { useBusy } from '@/app/busy'
import { done, refreshSite, wentWrong } from '@/app/undo'
import { useSlowly } from '@/ui/slowly'
import type { Draft } from './doors'

/** A door is set up by completing its sentence; while it is written, how far it reaches is said. */
const props = defineProps<{ first: Draft; door?: Door; site: Site; house?: House }>()
const emit = defineEmits<{ close: []; made: [door: string] }>()
const { t, n } = useI18n()
const draft = ref<Draft>(JSON.parse(JSON.stringify(props.first)))
const chosenKey = ref(false)
const domains = ref(draft.value.domains.join(', '))
const quiet = ref<'never' | 'days' | 'meetings'>(
  draft.value.quietDays ? 'days' : draft.value.quietMeetings ? 'meetings' : 'never',
)
const errors = ref<Problem | null>(null)
const wrong = (field: string) =>
  errors.value?.document.errors?.find((each) => each.pointer === '/' + field)?.detail ?? ''
const whole = (value: unknown) => (value === '' || value === null || value === undefined ? null : Number(value))
const joins = computed(() => draft.value.kind !== 'look-in')
const open = computed(() => draft.value.kind === 'key' || draft.value.kind === 'list')

const wish = computed(() => ({
  ...draft.value,
  key: draft.value.kind === 'key' && chosenKey.value ? draft.value.key : null,
  domains: domains.value
    .toLowerCase()
    .split(/[\s,;]+/)
    .map((each) => each.replace(/^@/, ''))
    .filter(Boolean),
  section: draft.value.place === 'fixed' ? draft.value.section : null,
  fromDay: draft.value.fromDay || null,
  untilDay: draft.value.untilDay || null,
  stayDay: draft.value.stay === 'day' ? draft.value.stayDay || null : null,
  seats: whole(draft.value.seats),
  lowest: whole(draft.value.lowest),
  highest: whole(draft.value.highest),
  remindDays: whole(draft.value.remindDays),
  offerHours: whole(draft.value.offerHours) ?? 14,
  answerDays: whole(draft.value.answerDays) ?? 14,
  quietDays: quiet.value === 'days' ? (whole(draft.value.quietDays) ?? 21) : null,
  quietMeetings: quiet.value === 'meetings' ? (whole(draft.value.quietMeetings) ?? 3) : null,
  meets: quiet.value === 'meetings' ? draft.value.meets : [],
}))
// Neither a name nor a key changes how far a door reaches.
const asked = useSlowly(
  computed(() => ({ ...wish.value, name: '', key: null, about: '' })),
  300,
)
const { data: reach, error: unreachable } = useQuery({
  queryKey: ['door-reach', props.site.id, asked],
  enabled: open.value,
  retry: false,
  placeholderData: keepPreviousData,
  queryFn: () =>
    take(api.POST('/sites/{site}/door-reach', { params: { path: { site: props.site.id } }, body: asked.value })),
})
const reachSentence = computed(() => {
  const now = reach.value
  if (!now || unreachable.value) return ''
  const part = (key: 'could' | 'keptOut' | 'here', many: number) => t('doors.reach.' + key, { n: n(many) }, many)
  return (
    [
      part('could', now.could),
      now.seats ? t('doors.reach.seats', { n: n(now.seats) }, now.seats) : '',
      part('keptOut', now.keptOut),
      part('here', now.here),
    ]
      .filter(Boolean)
      .join(', ') + '.'
  )
})

const { busy, run } = useBusy((thrown) => {
  if (thrown instanceof Problem && thrown.document.errors?.length) errors.value = thrown
  else wentWrong(thrown)
})
const save = () =>
  run(async () => {
    errors.value = null
    const path = { site: props.site.id }
    const door = props.door
      ? await take(
          api.PUT('/sites/{site}/doors/{door}', {
            params: { path: { ...path, door: props.door.id }, header: { 'If-Match': `"${props.door.version}"` } },
            body: wish.value,
          }),
        )
      : await take(api.POST('/sites/{site}/doors', { params: { path }, body: wish.value }))
    done(t('doors.did.' + (props.door ? 'changed' : 'made'), { name: door.name }))
    await refreshSite()
    emit('made', door.id)
  })
function toggle<T>(of: T[], each: T): T[] {
  return of.includes(each) ? of.filter((other) => other !== each) : [...of, each]
}
const nameField = ref<HTMLElement>()
defineExpose({ focus: () => nameField.value?.focus() })
</script>

<template>
  <form
    class="write"
    :aria-label="$t(door ? 'doors.changing' : 'doors.new', { name: door?.name ?? '' })"
    @submit.prevent="save"
  >
    <p class="head">
      <label for="door-name">{{ $t('doors.write.name') }}</label>
      {{ ' '
      }}<input
        id="door-name"
        ref="nameField"
        v-model="draft.name"
        class="plain"
        maxlength="60"
        :placeholder="$t('doors.kinds.' + draft.kind)"
      />
    </p>
    <div class="flow">
      <div v-if="open" class="line">
        {{ $t('doors.say.anyone') }}
        {{ draft.divisions.length ? $t('doors.write.from') : '(' + $t('doors.write.everybody') + ')' }}
        <span v-for="code in draft.divisions" :key="code" class="chip"
          >{{ house?.divisions.find((each) => each.code === code)?.name ?? code }}
          <button
            type="button"
            class="word"
            :aria-label="`− ${code}`"
            @click="draft.divisions = toggle(draft.divisions, code)"
          >
            ×
          </button></span
        >
        <select
          class="plain"
          :aria-label="$t('doors.write.further')"
          :value="''"
          @change="draft.divisions = toggle(draft.divisions, ($event.target as HTMLSelectElement).value)"
        >
          <option value="">{{ $t('doors.write.further') }}</option>
          <option
            v-for="each in house?.divisions.filter((each) => !draft.divisions.includes(each.code))"
            :key="each.code"
            :value="each.code"
          >
            {{ each.name }}
          </option>
        </select>
        {{ $t('doors.write.levels') }}
        <input
          v-model="draft.lowest"
          class="plain tiny"
          type="number"
          min="1"
          max="20"
          :aria-label="$t('form.lowest')"
        />
        {{ $t('doors.write.to') }}
        <input
          v-model="draft.highest"
          class="plain tiny"
          type="number"
          min="1"
          max="20"
          :aria-label="$t('form.highest')"
        />
        {{ $t('doors.write.domains') }}
        <input
          v-model="domains"
          class="plain"
          size="32"
          :placeholder="$t('doors.write.domainsHint')"
          :aria-label="$t('doors.write.domains')"
        />
        <span v-for="field in ['divisions', 'lowest', 'domains']" :key="field" class="clay">{{ wrong(field) }}</span>
      </div>
      <div v-else-if="draft.kind === 'invitation'" class="line">{{ $t('doors.say.invited') }}</div>
      <div v-if="draft.kind === 'key'" class="line">
        {{ $t('doors.write.withKey') }}
        <select v-model="chosenKey" class="plain" :aria-label="$t('doors.write.key')">
          <option :value="false">{{ $t(door ? 'doors.write.keep' : 'doors.write.made') }}</option>
          <option :value="true">{{ $t('doors.write.chosen') }}</option>
        </select>
        <input
          v-if="chosenKey"
          v-model="draft.key"
          class="plain num"
          size="34"
          maxlength="120"
          :placeholder="$t('doors.write.keyHint')"
          :aria-label="$t('doors.write.key')"
          :aria-invalid="!!wrong('key')"
        />
        <span class="clay">{{ wrong('key') }}</span>
      </div>
      <div v-if="joins" class="line">
        {{ $t('doors.write.may') }}
        <select v-model="draft.role" class="plain" :aria-label="$t('doors.write.may')">
          <option v-for="role in house?.roles" :key="role.code" :value="role.code">{{ role.name }}</option>
        </select>
        <select v-model="draft.place" class="plain" :aria-label="$t('doors.write.place.fixed')">
          <option
            v-for="place in site.sections.length
              ? (['none', 'fixed', 'emptiest', 'choice'] as const)
              : (['none'] as const)"
            :key="place"
            :value="place"
          >
            {{ $t('doors.write.place.' + place) }}
          </option>
        </select>
        <select
          v-if="draft.place === 'fixed'"
          v-model="draft.section"
          class="plain"
          :aria-label="$t('doors.write.place.fixed')"
        >
          <option v-for="section in site.sections" :key="section.id" :value="section.id">{{ section.name }}</option>
        </select>
        <select v-if="open" v-model="draft.approval" class="plain" :aria-label="$t('doors.write.at.yes')">
          <option :value="false">{{ $t('doors.write.at.once') }}</option>
          <option :value="true">{{ $t('doors.write.at.yes') }}</option>
        </select>
        <span v-for="field in ['role', 'place', 'section']" :key="field" class="clay">{{ wrong(field) }}</span>
      </div>
      <div v-else class="line">
        <select v-model="draft.anyone" class="plain" :aria-label="$t('doors.kinds.look-in')">
          <option :value="false">{{ $t('doors.write.anyone.no') }}</option>
          <option :value="true">{{ $t('doors.write.anyone.yes') }}</option>
        </select>
        {{ $t('doors.write.look') }}
        <label v-for="each in ['leads', 'sections', 'numbers'] as const" :key="each"
          ><input
            type="checkbox"
            :checked="draft.shows.includes(each)"
            @change="draft.shows = toggle(draft.shows, each)"
          />
          {{ $t('doors.say.shows.' + each) }}</label
        >
      </div>
      <div class="line">
        {{ $t('doors.write.from') }}
        <input v-model="draft.fromDay" class="plain" type="date" :aria-label="$t('doors.write.from')" />
        {{ $t('doors.write.until') }}
        <input
          v-model="draft.untilDay"
          class="plain"
          type="date"
          :aria-label="$t('doors.write.until')"
          :aria-invalid="!!wrong('untilDay')"
        />
        <template v-if="open"
          >{{ $t('doors.write.upTo') }}
          <input
            v-model="draft.seats"
            class="plain fits"
            type="number"
            min="1"
            max="10000"
            :placeholder="$t('doors.write.asFit')"
            :aria-label="$t('doors.write.upTo')"
          />
          {{ $t('doors.write.people') }}</template
        >
        <span v-for="field in ['fromDay', 'untilDay', 'seats']" :key="field" class="clay">{{ wrong(field) }}</span>
      </div>
      <div v-if="open" class="line">
        {{ $t('doors.write.full') }}
        <select v-model="draft.waiting" class="plain" :aria-label="$t('doors.write.full')">
          <option :value="true">{{ $t('doors.write.wait') }}</option>
          <option :value="false">{{ $t('doors.write.told') }}</option>
        </select>
        <template v-if="draft.waiting"
          >{{ $t('doors.write.hours') }}
          <input
            v-model="draft.offerHours"
            class="plain tiny"
            type="number"
            min="1"
            max="200"
            :aria-label="$t('doors.write.hours')"
          />
          {{ $t('doors.write.hoursUnit') }}</template
        >
      </div>
      <div v-if="joins" class="line">
        {{ $t('doors.write.stays') }}
        <select v-model="draft.stay" class="plain" :aria-label="$t('doors.write.stays')">
          <option v-for="stay in ['site', 'term', 'day'] as const" :key="stay" :value="stay">
            {{ $t('doors.write.stay.' + stay) }}
          </option>
        </select>
        <input
          v-if="draft.stay === 'day'"
          v-model="draft.stayDay"
          class="plain"
          type="date"
          :aria-label="$t('doors.write.stay.day')"
        />
        {{ ' ' }}<span class="clay">{{ wrong('stayDay') }}</span>
      </div>
      <div v-if="draft.kind === 'key'" class="line">
        {{ $t('doors.write.quiet') }}
        <select v-model="quiet" class="plain" :aria-label="$t('doors.write.quiet')">
          <option value="never">{{ $t('doors.write.quietNever') }}</option>
          <option value="days">{{ $t('doors.write.quietDays') }}</option>
          <option value="meetings">{{ $t('doors.write.quietMeetings') }}</option>
        </select>
        <template v-if="quiet === 'days'"
          ><input
            v-model="draft.quietDays"
            class="plain tiny"
            type="number"
            min="1"
            max="365"
            placeholder="21"
            :aria-label="$t('doors.write.daysUnit')"
          />
          {{ $t('doors.write.daysUnit') }}</template
        >
        <template v-if="quiet === 'meetings'"
          ><input
            v-model="draft.quietMeetings"
            class="plain tiny"
            type="number"
            min="1"
            max="20"
            placeholder="3"
            :aria-label="$t('doors.write.meetingsUnit')"
          />
          {{ $t('doors.write.meetingsUnit') }}
          <label v-for="weekday in 7" :key="weekday"
            ><input
              type="checkbox"
              :checked="draft.meets.includes(weekday)"
              @change="draft.meets = toggle(draft.meets, weekday)"
            />
            {{ $t('doors.weekday.' + weekday).slice(0, 2) }}</label
          ></template
        >
        <span class="clay">{{ wrong('meets') }}</span>
        {{ ' ' }}<span v-if="quiet !== 'never'" class="soft small">{{ $t('doors.write.quietHow') }}</span>
      </div>
      <div v-if="draft.kind === 'key'" class="line">
        {{ $t('doors.write.accounts') }}
        <select v-model="draft.accounts" class="plain" :aria-label="$t('doors.write.accounts')">
          <option :value="false">{{ $t('doors.write.accountsNo') }}</option>
          <option :value="true">{{ $t('doors.write.accountsYes') }}</option>
        </select>
        {{ ' ' }}<span class="clay">{{ wrong('accounts') }}</span>
      </div>
      <div v-if="draft.kind === 'invitation'" class="line">
        {{ $t('doors.write.answer') }}
        <input
          v-model="draft.answerDays"
          class="plain tiny"
          type="number"
          min="1"
          max="90"
          :aria-label="$t('doors.write.answer')"
        />
        {{ $t('doors.write.remind') }}
        <input
          v-model="draft.remindDays"
          class="plain tiny"
          type="number"
          min="1"
          max="60"
          :placeholder="$t('doors.write.remindNever')"
          :aria-label="$t('doors.write.remind')"
        />
        {{ $t('doors.write.days') }}. {{ $t('doors.write.holds') }}
        <select v-model="draft.holds" class="plain" :aria-label="$t('doors.write.holds')">
          <option :value="false">{{ $t('doors.write.holdsNo') }}</option>
          <option :value="true">{{ $t('doors.write.holdsYes') }}</option>
        </select>
      </div>
    </div>
    <div class="field">
      <label for="door-about"
        >{{ $t('doors.write.about') }} <span class="soft">{{ $t('doors.write.aboutHint') }}</span></label
      ><textarea id="door-about" v-model="draft.about" class="plain" rows="2" maxlength="600" />
    </div>
    <p v-if="unreachable && open" class="brass" role="status">{{ unreachable.message }}</p>
    <p v-else-if="reachSentence" class="follows" role="status">{{ reachSentence }}</p>
    <p class="acts">
      <Button type="submit" size="small" :disabled="busy" :label="$t(door ? 'doors.write.save' : 'doors.write.make')" />
      {{ ' ' }}<button type="button" class="word" @click="emit('close')">{{ $t('doors.write.cancel') }}</button>
    </p>
  </form>
</template>

<style scoped>
.write {
  display: grid;
  gap: 9px;
  padding: 14px 18px 16px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-left: 6px solid var(--brass);
  border-radius: 0 6px 6px 0;
}
.head {
  display: flex;
  gap: 10px;
  align-items: center;
}
.head label {
  font-weight: 600;
}
.flow {
  line-height: 2.5;
  max-width: 1000px;
}
.line {
  display: inline;
  margin-right: 6px;
}
.line label {
  white-space: nowrap;
  margin: 0 3px;
}
.flow select,
.flow input:not([type='checkbox']),
.head input {
  border-width: 0 0 2px;
  border-radius: 2px 2px 0 0;
  background: var(--mint-pale);
  padding: 2px 4px;
  height: 30px;
  margin: 0 3px;
}
.flow select {
  field-sizing: content;
}
.chip {
  background: var(--mint-pale);
  padding: 3px 2px 3px 8px;
  border-radius: 3px;
  white-space: nowrap;
}
.chip .word {
  text-decoration: none;
  padding: 0 4px;
}
.tiny {
  width: 58px;
}
.fits {
  width: 128px;
}
.small {
  font-size: 0.9rem;
}
textarea {
  width: 100%;
  max-width: 74ch;
}
</style>
