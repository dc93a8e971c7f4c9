<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import DayField from '@/ui/DayField.vue'
import NumberField from '@/ui/NumberField.vue'
import { optionsIn } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'
import { useDraft } from './doorDraft'
import { t, tIn } from '@/shared/words'

/** Of the sentence of a door: from when until when, for how many, and what becomes of those who came through it. */
const { draft, quiet, wrong, joins, open, saysWhen } = useDraft()
const QUIET = {
  never: 'doors.write.quietNever',
  days: 'doors.write.quietDays',
  meetings: 'doors.write.quietMeetings',
} as const
</script>

<template>
  <div class="line">
    <I18nT :keypath="'doors.write.row.hours'" scope="global">
      <template #from
        ><DayField
          :model-value="draft.fromDay ?? ''"
          :label="t('doors.write.from')"
          @update:model-value="draft.fromDay = $event || null"
      /></template>
      <template #until
        ><DayField
          :model-value="draft.untilDay ?? ''"
          :label="t('doors.write.until')"
          :invalid="!!wrong('untilDay')"
          @update:model-value="draft.untilDay = $event || null"
      /></template>
    </I18nT>
    {{ ' ' }}
    <I18nT v-if="open" :keypath="'doors.write.row.seats'" scope="global">
      <template #n
        ><NumberField
          v-model="draft.seats"
          :figures="16"
          :min="1"
          :max="10000"
          :placeholder="t('doors.write.asFit')"
          :label="t('doors.write.upTo')"
      /></template>
    </I18nT>
    <span v-for="field in ['fromDay', 'untilDay', 'seats']" :key="field" class="clay">{{ wrong(field) }}</span>
  </div>
  <div v-if="open" class="line">
    <I18nT :keypath="'doors.write.row.full'" scope="global">
      <template #what
        ><PickOne
          v-model="draft.waiting"
          :label="t('doors.write.full')"
          :options="optionsIn([true, false], (yes) => t(yes ? 'doors.write.wait' : 'doors.write.told'))"
      /></template>
    </I18nT>
    {{ ' ' }}
    <I18nT v-if="draft.waiting" :keypath="'doors.write.row.offer'" scope="global">
      <template #n
        ><NumberField v-model="draft.offerHours" :figures="3" :min="1" :max="200" :label="t('doors.write.hours')"
      /></template>
    </I18nT>
  </div>
  <div v-if="joins" class="line">
    <I18nT :keypath="'doors.write.row.stay'" scope="global">
      <template #how
        ><PickOne
          v-model="draft.stay"
          :label="t('doors.write.stays')"
          :options="optionsIn(['site', 'term', 'day'] as const, (stay) => t(`doors.write.stay.${stay}`))" />
        <DayField
          v-if="draft.stay === 'day'"
          :model-value="draft.stayDay ?? ''"
          :label="t('doors.write.stay.day')"
          @update:model-value="draft.stayDay = $event || null"
      /></template>
    </I18nT>
    {{ ' ' }}<span class="clay">{{ wrong('stayDay') }}</span>
  </div>
  <div v-if="draft.kind === 'key'" class="line">
    <I18nT :keypath="'doors.write.row.quiet'" scope="global">
      <template #what
        ><PickOne
          v-model="quiet"
          :label="t('doors.write.quiet')"
          :options="optionsIn(['never', 'days', 'meetings'] as const, (rule) => t(QUIET[rule]))"
      /></template>
    </I18nT>
    {{ ' ' }}
    <I18nT v-if="quiet === 'days'" :keypath="'doors.write.row.quietDays'" scope="global">
      <template #n
        ><NumberField
          v-model="draft.quietDays"
          :figures="3"
          :min="1"
          :max="365"
          placeholder="21"
          :label="t('doors.write.daysUnit')"
      /></template>
    </I18nT>
    {{ ' ' }}
    <I18nT
      v-if="quiet === 'meetings'"
      :keypath="saysWhen ? 'doors.write.row.quietHours' : 'doors.write.row.quietMeetings'"
      scope="global"
    >
      <template #n
        ><NumberField
          v-model="draft.quietMeetings"
          :figures="2"
          :min="1"
          :max="20"
          placeholder="3"
          :label="t('doors.write.meetingsUnit')"
      /></template>
      <template #days
        ><Tick v-for="weekday in 7" :key="weekday" v-model="draft.meets" :value="weekday">{{
          tIn('doors.weekday', String(weekday)).slice(0, 2)
        }}</Tick></template
      >
    </I18nT>
    <span class="clay">{{ wrong('meets') }}</span>
    {{ ' ' }}<span v-if="quiet !== 'never'" class="soft small">{{ t('doors.write.quietHow') }}</span>
  </div>
  <div v-if="draft.kind === 'key'" class="line">
    <I18nT :keypath="'doors.write.row.accounts'" scope="global">
      <template #what
        ><PickOne
          v-model="draft.accounts"
          :label="t('doors.write.accounts')"
          :options="optionsIn([false, true], (yes) => t(yes ? 'doors.write.accountsYes' : 'doors.write.accountsNo'))"
      /></template>
    </I18nT>
    {{ ' ' }}<span class="clay">{{ wrong('accounts') }}</span>
  </div>
  <div v-if="draft.kind === 'invitation'" class="line">
    <I18nT :keypath="'doors.write.row.answer'" scope="global">
      <template #open
        ><NumberField v-model="draft.answerDays" :figures="2" :min="1" :max="90" :label="t('doors.write.answer')"
      /></template>
    </I18nT>
    {{ ' ' }}
    <I18nT :keypath="'doors.write.row.remind'" scope="global">
      <template #n
        ><NumberField
          v-model="draft.remindDays"
          :figures="2"
          :min="1"
          :max="60"
          :placeholder="t('doors.write.remindNever')"
          :label="t('doors.write.remind')"
      /></template>
    </I18nT>
    {{ ' ' }}
    <I18nT :keypath="'doors.write.row.holds'" scope="global">
      <template #what
        ><PickOne
          v-model="draft.holds"
          :label="t('doors.write.holds')"
          :options="optionsIn([false, true], (yes) => t(yes ? 'doors.write.holdsYes' : 'doors.write.holdsNo'))"
      /></template>
    </I18nT>
  </div>
</template>
