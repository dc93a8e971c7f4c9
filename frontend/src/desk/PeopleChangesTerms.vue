<script setup lang="ts">
import { t } from '@/shared/words'
import { optionsIn, optionsOf } from '@/ui/options'
import DayField from '@/ui/DayField.vue'
import PickOne from '@/ui/PickOne.vue'
import { computed } from 'vue'
import { usePlatform } from '@/shared/platform'
import { day } from '@/shared/sentences'
import type { PeopleWork } from './peopleChanges'

/** What is done to all of them in all of the sites: as what, and for which time. */
const work = defineModel<PeopleWork>({ required: true })
const { platform } = usePlatform()
/** The next term that has not begun: its first day is one word away. */
const next = computed(() =>
  platform.value?.terms.find((term) => term.startsOn > (platform.value?.now ?? '').slice(0, 10)),
)
const roles = computed(() => [
  ...(work.value.verb === 'let-in' ? [{ value: '', label: t('pasted.suggested') }] : []),
  ...optionsOf(platform.value?.roles, 'code'),
])
</script>

<template>
  <div class="all">
    <PickOne
      v-model="work.verb"
      shown
      :label="t('people.changeList.verb')"
      :options="optionsIn(['let-in', 'remove', 'change-role'] as const, (verb) => t(`people.changeList.verbs.${verb}`))"
    />
    <PickOne
      v-if="work.verb !== 'remove'"
      v-model="work.role"
      shown
      :label="t('people.changeList.role')"
      :options="roles"
    />
    <template v-if="work.verb === 'let-in'">
      <DayField v-model="work.fromDay" shown :label="t('pasted.from')" aria-keyshortcuts="t" />
      <button v-if="next && work.fromDay !== next.startsOn" class="word" @click="work.fromDay = next.startsOn">
        <kbd>t</kbd> {{ t('pasted.termStart', { day: day(next.startsOn, 'UTC') }) }}
      </button>
      <DayField v-model="work.untilDay" shown :label="t('pasted.until')" />
    </template>
  </div>
</template>

<style scoped>
.all {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}
</style>
