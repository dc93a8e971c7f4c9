<script setup lang="ts">
import DayField from '@/ui/DayField.vue'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import type { Candidate, Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { day, lastDay, optionSentence, furtherNames } from '@/shared/sentences'
import { useLevels } from '@/shared/levels'
import { inSentence, t } from '@/shared/words'
import { kindName } from '@/shared/kinds'
import { useChanges } from '@/roster/changes'
import ClashAsk from '@/roster/ClashAsk.vue'
import RoleChoice from '@/roster/RoleChoice.vue'

const { levelName } = useLevels()

/** Somebody the box found: who they are, how they stand to this site, and what one may do for them here. */
const props = defineProps<{
  candidate: Candidate
  part: 'alreadyHere' | 'wasHere' | 'blocked' | 'canBeLetIn'
  site: Site
  /** What was typed to find them. */
  named: string
  opened: boolean
}>()
const emit = defineEmits<{ show: []; toggle: []; changed: [] }>()
const { roleName } = usePlatform()
const { change, busy, wrongDay, clash, changeAllTheSame } = useChanges(() => props.site)
const fromDay = ref('')
const untilDay = ref('')
const suggested = computed(() => props.candidate.options.find((option) => option.role === props.candidate.suggested))
const about = computed(() => {
  const { standing } = props.candidate
  const from = props.part === 'wasHere' ? standing?.from : standing?.since
  return { role: roleName(standing?.role), day: day(from, props.site.timeZone) }
})
watch(
  () => props.opened,
  () => {
    fromDay.value = untilDay.value = wrongDay.value = ''
  },
)

async function letIn(role: string, dated = false) {
  const days = dated ? { fromDay: fromDay.value || null, untilDay: untilDay.value || null } : {}
  const version = props.candidate.standing ? undefined : 0
  const request = { verb: 'let-in', role, version, named: props.named || null, ...days } as const
  if (await change(props.candidate.person, request)) emit('changed')
}

async function allTheSame(why: string) {
  if (await changeAllTheSame(why)) emit('changed')
}

async function bringBack() {
  if (await change(props.candidate.person, { verb: 'bring-back', named: props.named || null })) emit('changed')
}
</script>

<template>
  <div class="line">
    <span class="name">
      <strong>{{ candidate.person.preferred ?? candidate.person.given }} {{ candidate.person.family }}</strong>
      <span v-if="candidate.person.preferred" class="soft"> ({{ candidate.person.given }})</span>
      <span v-if="candidate.person.further.length" class="soft">
        · {{ furtherNames(candidate.person).join(', ') }}</span
      >
    </span>
    <span class="facts">
      {{ kindName(candidate.person)
      }}<template v-if="candidate.person.level"
        >, {{ levelName(candidate.person.level, candidate.person.division.code) }}</template
      >
      ·
      {{ candidate.person.division.name }}
      <span v-if="candidate.person.number" class="num">{{ candidate.person.number }}</span>
      <span v-if="candidate.visibility === 'masked'" class="soft">{{ ' · ' + t('intake.masked') }}</span>
    </span>
    <span v-if="part === 'canBeLetIn'" class="brass small">
      <template v-if="suggested && suggested.code !== 'fits'">{{
        optionSentence(suggested, site.timeZone, roleName)
      }}</template>
      <template v-if="candidate.asks">{{ ' ' + t('intake.asks') }}</template>
    </span>
    <span v-else class="soft when">
      <template v-if="part === 'alreadyHere'">{{
        t(candidate.standing?.state === 'upcoming' ? 'intake.upcoming' : 'intake.hereAs', about)
      }}</template>
      <template v-else-if="part === 'wasHere'">{{ t('intake.until', about) }}</template>
      <template v-else-if="part === 'blocked'">{{
        candidate.standing?.until
          ? t('intake.blockedUntil', { day: lastDay(candidate.standing.until, site.timeZone) })
          : t('intake.blockedOpen')
      }}</template>
    </span>
    <span class="doing">
      <Button
        v-if="part === 'alreadyHere' || part === 'blocked'"
        data-stop
        size="small"
        variant="outlined"
        :label="t('intake.show')"
        :aria-label="`${t('intake.show')}: ${candidate.person.given} ${candidate.person.family}`"
        @click="emit('show')"
      />
      <Button
        v-else-if="part === 'wasHere' && candidate.suggested"
        data-stop
        size="small"
        :disabled="busy"
        :label="t('intake.bringBack', { role: inSentence(roleName(candidate.standing?.role)) })"
        @click="bringBack()"
      />
      <Button
        v-else-if="candidate.suggested"
        data-stop
        size="small"
        :disabled="busy"
        :label="t('intake.letInAs', { role: inSentence(roleName(candidate.suggested)) })"
        @click="letIn(candidate.suggested)"
      />
      <button
        v-if="part === 'canBeLetIn' || part === 'wasHere'"
        class="word"
        data-stop
        :aria-expanded="opened"
        @click="emit('toggle')"
      >
        {{ t(candidate.suggested ? 'intake.another' : 'intake.letIn') }}
      </button>
    </span>
  </div>
  <ClashAsk v-if="clash" :sentence="clash.sentence" :busy="busy" @act="allTheSame" @close="clash = null" />
  <div v-if="opened" class="more">
    <div class="days">
      <span
        ><DayField v-model="fromDay" shown :label="t('intake.from')" :zone="site.timeZone" /> {{ ' '
        }}<span class="soft">{{ t('intake.fromHint') }}</span></span
      >
      <span
        ><DayField v-model="untilDay" shown :label="t('intake.untilDay')" :zone="site.timeZone" :invalid="!!wrongDay" />
        {{ ' ' }}<span class="soft">{{ t('intake.untilHint') }}</span></span
      >
    </div>
    <p v-if="wrongDay" class="clay" role="alert">{{ wrongDay }}</p>
    <h3>{{ t('intake.chooseRole') }}</h3>
    <RoleChoice :options="candidate.options" :zone="site.timeZone" :busy="busy" @choose="letIn($event, true)" />
  </div>
</template>

<style scoped>
label {
  font-weight: 600;
}
h3 {
  font-size: 0.95rem;
  margin: 8px 0 6px;
}
.line {
  display: grid;
  grid-template-columns: minmax(150px, 1.1fr) minmax(220px, 1.5fr) minmax(90px, 1fr) 318px;
  gap: 4px 12px;
  align-items: center;
}
.doing {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: flex-end;
}
.small {
  font-size: 0.9rem;
  line-height: 1.2;
}
.more {
  border-left: 4px solid var(--mint);
  padding: 6px 12px;
  margin: 4px 0 8px;
}
.days {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
}
.days label {
  font-weight: 400;
}
@media (max-width: 760px) {
  .line {
    grid-template-columns: 1fr;
  }
  .doing {
    justify-content: flex-start;
    flex-wrap: wrap;
  }
}
</style>
