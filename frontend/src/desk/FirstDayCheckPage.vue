<script setup lang="ts">
import TimeField from '@/ui/TimeField.vue'
import DayField from '@/ui/DayField.vue'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import Button from 'primevue/button'
import { computed, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { api, take, type LineRequest, type FirstDayCheck, type Site } from '@/shared/api'
import { platformNow } from '@/shared/clock'
import { usePlatform } from '@/shared/platform'
import { dayAndTime, givers } from '@/shared/sentences'
import Trouble from '@/ui/Trouble.vue'
import type { AskingVerb } from '@/roster/asked'
import ChangePanel from '@/changes/ChangePanel.vue'

/**
 * The first day checked: who could enter at that moment, who could not and why, and the fix for all of them at once.
 */
const props = defineProps<{ site: Site }>()
const { roleName } = usePlatform()
/** What fixes a cause for many at once, where something in the roster does. */
const MENDS: Record<string, AskingVerb> = { resume: 'resume', 'move-start': 'change-dates' }

const tomorrow = new Date(platformNow().getTime() + 86_400_000).toISOString().slice(0, 10)
const opening = [props.site.opensAt?.slice(0, 10), props.site.term.startsOn].find((day) => day && day > tomorrow)
const asked = useRoute().query
const day = ref(typeof asked.day === 'string' ? asked.day : (opening ?? tomorrow))
const time = ref(typeof asked.time === 'string' ? asked.time : '09:00')
const moment = refDebounced(
  computed(() => ({ day: day.value, time: time.value })),
  200,
)
const mending = shallowRef<{ verb: AskingVerb; people: string[]; requests?: LineRequest[] } | null>(null)

const {
  data: firstDayCheck,
  error,
  refetch,
} = useQuery({
  queryKey: ['roster', computed(() => props.site.id), 'first-day-check', moment],
  enabled: computed(() => !!moment.value.day && !!moment.value.time),
  queryFn: () =>
    take(api.GET('/sites/{site}/first-day-check', { params: { path: { site: props.site.id }, query: moment.value } })),
  placeholderData: keepPreviousData,
})
const expected = computed(() =>
  firstDayCheck.value
    ? firstDayCheck.value.enter +
      firstDayCheck.value.look +
      firstDayCheck.value.groups.reduce((sum, group) => sum + group.people.length, 0)
    : 0,
)
const cause = (group: FirstDayCheck['groups'][number]) => group.reason.causes[0]!
/** Everybody whose cause one may fix, each with the change that does it, for one change list. */
const requests = computed<LineRequest[]>(
  () =>
    firstDayCheck.value?.groups.flatMap((group) => {
      const verb = fix(group)
      return group.people.flatMap(({ id }): LineRequest[] =>
        verb === 'resume'
          ? [{ person: id, verb }]
          : verb === 'change-dates'
            ? [{ person: id, verb, fromDay: day.value }]
            : [],
      )
    }) ?? [],
)
const fixAll = () =>
  (mending.value = { verb: 'fix', people: requests.value.map(({ person }) => person), requests: requests.value })
const fix = (group: FirstDayCheck['groups'][number]) => (cause(group).mine ? MENDS[cause(group).change] : undefined)
</script>

<template>
  <div class="both">
    <div class="page">
      <h2>{{ $t('firstDayCheck.title') }}</h2>
      <p class="soft">{{ $t('firstDayCheck.more') }}</p>
      <p class="when">
        <DayField v-model="day" shown :label="$t('firstDayCheck.on')" :zone="site.timeZone" />
        <TimeField v-model="time" :label="$t('firstDayCheck.at')" />
      </p>
      <Trouble v-if="error" :error="error" @again="refetch()" />
      <template v-else-if="firstDayCheck">
        <p class="sum" role="status" :class="{ all: !firstDayCheck.groups.length }">
          {{
            expected
              ? $t('firstDayCheck.sum', {
                  when: dayAndTime(firstDayCheck.at, site.timeZone),
                  n: firstDayCheck.enter,
                  of: expected,
                })
              : $t('firstDayCheck.nobody')
          }}
          <template v-if="firstDayCheck.look">{{
            $t('firstDayCheck.look', { n: firstDayCheck.look }, firstDayCheck.look)
          }}</template>
        </p>
        <p v-if="firstDayCheck.groups.filter(fix).length > 1">
          <Button size="small" :label="$t('firstDayCheck.fixAll', { n: requests.length })" @click="fixAll" />
        </p>
        <section v-for="group in firstDayCheck.groups" :key="cause(group).code">
          <h3>
            {{ $t('firstDayCheck.cause.' + cause(group).code, { n: group.people.length }, group.people.length) }}
          </h3>
          <p class="names">
            {{
              group.people
                .slice(0, 40)
                .map(({ name }) => name)
                .join(' · ')
            }}<template v-if="group.people.length > 40">
              {{ $t('firstDayCheck.others', { n: group.people.length - 40 }) }}</template
            >
          </p>
          <p>
            <Button
              v-if="fix(group)"
              size="small"
              :label="$t('changeList.title.' + fix(group), { n: group.people.length }, group.people.length)"
              @click="mending = { verb: fix(group)!, people: group.people.map(({ id }) => id) }"
            />
            <span v-else class="soft"
              >{{ $t('change.' + cause(group).change) }}
              <template v-if="!cause(group).mine">{{
                $t('change.who', { who: givers(cause(group).givers, roleName) })
              }}</template></span
            >
          </p>
        </section>
      </template>
    </div>
    <ChangePanel
      v-if="mending"
      :key="mending.verb + mending.people.length"
      :site="site"
      :people="mending.people"
      :verb="mending.verb"
      :requests="mending.requests"
      @close="mending = null"
      @applied="mending = null"
    />
  </div>
</template>

<style scoped>
.both {
  display: flex;
  flex: 1;
  min-height: 0;
  padding-right: 20px;
}
.page {
  overflow: auto;
  display: grid;
  gap: 12px;
  align-content: start;
}
.when {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
.sum {
  font-family: var(--title);
  font-size: 1.15rem;
  font-weight: 600;
  border-left: 4px solid var(--brass);
  background: var(--brass-pale);
  padding: 8px 12px;
}
.sum.all {
  border-color: var(--spruce);
  background: var(--mint-pale);
}
section {
  border-top: 1px solid var(--line);
  padding-top: 8px;
  display: grid;
  gap: 6px;
}
@media (max-width: 760px) {
  .both {
    flex-direction: column;
    padding: 0;
  }
}
</style>
