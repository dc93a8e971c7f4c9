<script setup lang="ts">
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
</script>

<template>
  <div class="all">
    <label
      >{{ $t('people.changeList.verb') }}
      <select v-model="work.verb" class="plain">
        <option v-for="verb in ['let-in', 'remove', 'change-role'] as const" :key="verb" :value="verb">
          {{ $t('people.changeList.verbs.' + verb) }}
        </option>
      </select></label
    >
    <label v-if="work.verb !== 'remove'"
      >{{ $t('people.changeList.role') }}
      <select v-model="work.role" class="plain">
        <option value="">{{ work.verb === 'let-in' ? $t('pasted.suggested') : '' }}</option>
        <option v-for="role in platform?.roles" :key="role.code" :value="role.code">
          {{ role.name.toLowerCase() }}
        </option>
      </select></label
    >
    <template v-if="work.verb === 'let-in'">
      <label
        >{{ $t('pasted.from') }}
        <input
          v-model="work.fromDay"
          type="date"
          aria-keyshortcuts="t"
          @keydown.t.prevent="next && (work.fromDay = next.startsOn)"
      /></label>
      <button v-if="next && work.fromDay !== next.startsOn" class="word" @click="work.fromDay = next.startsOn">
        <kbd>t</kbd> {{ $t('pasted.termStart', { day: day(next.startsOn, 'UTC') }) }}
      </button>
      <label>{{ $t('pasted.until') }} <input v-model="work.untilDay" type="date" /></label>
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
