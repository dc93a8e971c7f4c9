<script setup lang="ts">
import { useDraft } from './doorDraft'

/** Of the sentence of a door: from when until when, for how many, and what becomes of those who came through it. */
const { draft, quiet, wrong, joins, open, toggle } = useDraft()
</script>

<template>
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
</template>

<style scoped>
.fits {
  width: 128px;
}
.small {
  font-size: 0.9rem;
}
</style>
