<script setup lang="ts">
import AutoComplete from 'primevue/autocomplete'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, useId } from 'vue'
import { t } from '@/shared/words'
import DayField from '@/ui/DayField.vue'
import NumberField from '@/ui/NumberField.vue'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'
import TimeField from '@/ui/TimeField.vue'
import { weekday, type HoursWanted } from './weeks'

/** The fields of some hours. */
const hours = defineModel<HoursWanted & { key: string }>({ required: true })
const props = defineProps<{
  sections: { value: string; label: string }[]
  rooms: { room: string; building: string }[]
  zone: string
  /** Sentences by field. */
  wrong: Record<string, string>
}>()
defineEmits<{ close: []; drop: [] }>()
const id = useId()
const set = (some: Partial<HoursWanted>) => (hours.value = { ...hours.value, ...some })
function field<K extends keyof HoursWanted>(name: K, empty: NonNullable<HoursWanted[K]>) {
  return computed<NonNullable<HoursWanted[K]>>({
    get: () => hours.value[name] ?? empty,
    set: (value) => set({ [name]: value }),
  })
}
const section = computed({
  get: () => hours.value.section ?? '',
  set: (value) => set({ section: value || null }),
})
const first = field('first', '')
const until = field('until', '')
const time = field('time', '')
const name = field('name', '')
const rests = field('rests', true)
const days = field('days', [])
const changes = computed(() => hours.value.changes ?? [])

/** How often: once, by a rule that a calendar brought, or on days of every so many weeks. */
const begun = ref(false)
const rhythm = computed({
  get: () => (hours.value.rule ? -1 : hours.value.days?.length || !begun.value ? (hours.value.every ?? 1) : 0),
  set: (every) => {
    begun.value = every === 0
    if (every === 0) set({ days: [], every: 1, rule: null })
    else if (every > 0) set({ every, rule: null })
  },
})
begun.value = !!hours.value.id && !hours.value.days?.length && !hours.value.rule
const rhythms = computed(() => [
  ...(hours.value.rule ? [{ value: -1, label: t('weeks.hours.byRule') }] : []),
  { value: 0, label: t('weeks.hours.once') },
  { value: 1, label: t('weeks.hours.everyWeek') },
  ...[2, 3, 4].map((n) => ({ value: n, label: t('weeks.hours.everyN', { n }) })),
])

const suggested = ref<string[]>([])
const suggest = (of: 'room' | 'building', query: string) => {
  const all = [...new Set(props.rooms.map((each) => each[of]).filter(Boolean))]
  suggested.value = all.filter((each) => each.toLowerCase().includes(query.trim().toLowerCase()))
}

const change = (index: number, some: object) =>
  set({ changes: changes.value.map((each, at) => (at === index ? { ...each, ...some } : each)) })
const addChange = () => set({ changes: [...changes.value, { day: '' }] })
const dropChange = (index: number) => set({ changes: changes.value.filter((_, at) => at !== index) })
</script>

<template>
  <fieldset>
    <legend class="unseen">{{ t('weeks.hours.title') }}</legend>
    <div class="field">
      <PickOne v-model="section" stacked :label="t('weeks.hours.section')" :options="sections" />
    </div>
    <div class="field">
      <PickOne v-model="rhythm" stacked :label="t('weeks.hours.rhythm')" :options="rhythms" />
      <span v-if="wrong.rule" class="clay" role="alert">{{ wrong.rule }}</span>
    </div>
    <div v-if="rhythm > 0" class="field wide">
      <span :id="`${id}-days`">{{ t('weeks.hours.days') }}</span>
      <span class="days" role="group" :aria-labelledby="`${id}-days`">
        <Tick v-for="n in 7" :key="n" v-model="days" :value="n" :label="weekday(n, 'long')">{{ weekday(n) }}</Tick>
      </span>
    </div>
    <div class="field time">
      <TimeField v-model="time" :label="t('weeks.hours.time')" />
      <span v-if="wrong.time" class="clay" role="alert">{{ wrong.time }}</span>
    </div>
    <div class="field">
      <label :for="`${id}-minutes`">{{ t('weeks.hours.minutes') }}</label>
      <NumberField
        :id="`${id}-minutes`"
        :model-value="hours.minutes"
        :min="5"
        :max="1440"
        @update:model-value="set({ minutes: $event ?? 60 })"
      />
      <span v-if="wrong.minutes" class="clay" role="alert">{{ wrong.minutes }}</span>
    </div>
    <div class="field">
      <label :for="`${id}-first`">{{ t(rhythm === 0 ? 'weeks.hours.day' : 'weeks.hours.first') }}</label>
      <DayField :id="`${id}-first`" v-model="first" :label="t('weeks.hours.first')" :zone="zone" />
      <span v-if="wrong.first" class="clay" role="alert">{{ wrong.first }}</span>
    </div>
    <div v-if="rhythm > 0" class="field">
      <label :for="`${id}-until`">{{ t('weeks.hours.until') }}</label>
      <DayField :id="`${id}-until`" v-model="until" :label="t('weeks.hours.until')" :zone="zone" />
      <span v-if="wrong.until" class="clay" role="alert">{{ wrong.until }}</span>
    </div>
    <div
      v-for="of in ['room', 'building'] as const"
      :key="of"
      class="field"
      :class="{ alone: rhythm <= 0 && of === 'room' }"
    >
      <label :for="`${id}-${of}`">{{ t(`weeks.hours.${of}`) }}</label>
      <AutoComplete
        :input-id="`${id}-${of}`"
        :model-value="hours[of] ?? ''"
        :suggestions="suggested"
        size="small"
        fluid
        :input-props="{ maxlength: 80 }"
        @complete="suggest(of, $event.query)"
        @update:model-value="set({ [of]: $event ?? '' })"
      />
    </div>
    <div class="field wide">
      <label :for="`${id}-name`">{{ t('weeks.hours.name') }}</label>
      <InputText
        :id="`${id}-name`"
        v-model="name"
        size="small"
        maxlength="80"
        :placeholder="t('weeks.hours.nameLike')"
      />
    </div>
    <p v-if="hours.zone" class="soft small wide">{{ t('weeks.hours.zone', { zone: hours.zone }) }}</p>
    <div class="wide">
      <Tick v-model="rests">{{ t('weeks.hours.rests') }}</Tick>
    </div>
    <div v-if="rhythm !== 0" class="wide single">
      <h4>{{ t('weeks.hours.changes') }}</h4>
      <div v-for="(each, index) in changes" :key="index" class="change">
        <DayField
          :model-value="each.day"
          shown
          :label="t('weeks.hours.changeDay')"
          :zone="zone"
          @update:model-value="change(index, { day: $event })"
        />
        <PickOne
          :model-value="each.toDay !== undefined && each.toDay !== null"
          shown
          :label="t('weeks.hours.changeWhat')"
          :options="[
            { value: false, label: t('weeks.hours.isOff') },
            { value: true, label: t('weeks.hours.isMoved') },
          ]"
          @update:model-value="
            change(
              index,
              $event ? { toDay: each.day, time, room: hours.room, building: hours.building } : { toDay: null },
            )
          "
        />
        <template v-if="each.toDay !== undefined && each.toDay !== null">
          <DayField
            :model-value="each.toDay"
            shown
            :label="t('weeks.hours.toDay')"
            :zone="zone"
            @update:model-value="change(index, { toDay: $event })"
          />
          <TimeField
            :model-value="each.time ?? ''"
            :label="t('weeks.hours.time')"
            @update:model-value="change(index, { time: $event })"
          />
          <span>
            <label :for="`${id}-room-${index}`">{{ t('weeks.hours.room') }}</label>
            {{ ' '
            }}<InputText
              :id="`${id}-room-${index}`"
              :model-value="each.room ?? ''"
              size="small"
              maxlength="80"
              @update:model-value="change(index, { room: $event ?? '' })"
            />
          </span>
        </template>
        <button type="button" class="word clay" @click="dropChange(index)">{{ t('weeks.hours.dropChange') }}</button>
        <span
          v-for="(sentence, at) in wrong"
          v-show="String(at).startsWith(`changes/${index}/`)"
          :key="at"
          class="clay"
          role="alert"
          >{{ String(at).startsWith(`changes/${index}/`) ? sentence : '' }}</span
        >
      </div>
      <Button type="button" size="small" variant="text" :label="t('weeks.hours.addChange')" @click="addChange" />
    </div>
    <p class="acts wide">
      <Button
        type="button"
        size="small"
        variant="outlined"
        :label="t('weeks.hours.close')"
        :disabled="!time"
        @click="$emit('close')"
      />
      <button type="button" class="word clay" @click="$emit('drop')">{{ t('weeks.hours.drop') }}</button>
    </p>
  </fieldset>
</template>

<style scoped>
fieldset {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 12px;
  border: 0;
  border-left: 4px solid var(--brass);
  padding: 2px 0 6px 12px;
  margin: 0;
  min-width: 0;
}
.field {
  display: grid;
  gap: 3px;
  align-content: start;
  min-width: 0;
}
.time > :deep(span:first-child) {
  display: grid;
  gap: 3px;
  justify-items: start;
}
.time :deep(label) {
  font-weight: 600;
}
.days {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
}
.wide {
  grid-column: 1 / -1;
}
.alone {
  grid-column: 1;
}
.single {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.change {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  border-left: 2px solid var(--line);
  padding-left: 8px;
}
h4 {
  font-size: 0.95rem;
}
.acts {
  display: flex;
  gap: 14px;
  align-items: center;
}
.small {
  font-size: 0.9rem;
}
@media (max-width: 400px) {
  fieldset {
    grid-template-columns: 1fr;
  }
}
</style>
