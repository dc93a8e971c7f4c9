<script setup lang="ts">
import DayField from '@/ui/DayField.vue'
import PickOne from '@/ui/PickOne.vue'
import { refDebounced, useMediaQuery } from '@vueuse/core'
import InputText from 'primevue/inputtext'
import { computed, ref, watch } from 'vue'
import type { RosterCounts, Site } from '@/shared/api'
import { isDay } from '@/shared/days'
import { usePlatform } from '@/shared/platform'
import { inSentence, t } from '@/shared/words'
import DetailWords from '@/people/DetailWords.vue'
import ColumnsMenu from '@/ui/ColumnsMenu.vue'
import type { Columns } from '@/ui/columns'
import { optionsIn, optionsOf } from '@/ui/options'
import InTurn from '@/ui/InTurn.vue'
import HelpWord from '@/ui/HelpWord.vue'
import KeptViews from './KeptViews.vue'
import FurtherWords from './FurtherWords.vue'
import { FURTHER, STATES, type RosterView } from './roster'

/** How many are here, and the sentence that says whom the roster shows; each of its words is changed in its place. */
const props = defineProps<{
  site: Site
  counts: RosterCounts | undefined
  view: RosterView
  filtered: boolean
  any: boolean
  may: (permission: Site['may'][number]) => boolean
  columns: Columns
}>()
const emit = defineEmits<{ look: [change: Record<string, string>] }>()
const away = defineModel<boolean>('away', { required: true })
const days = defineModel<boolean>('days', { required: true })
const { platform } = usePlatform()
const narrow = useMediaQuery('(max-width: 640px)')
const unfolded = ref(false)
const typed = ref(props.view.q)
const words = refDebounced(typed, 150)
watch(words, (q) => emit('look', { q: q.trim() }))
watch(
  () => props.view.q,
  (q) => q !== words.value.trim() && (typed.value = q),
)
const states = computed(() =>
  optionsIn(props.may('see-unlisted') ? STATES : (['here'] as const), (state) => t(`roster.states.${state}`)),
)
const roles = computed(() => [
  { value: '', label: t('roster.every') },
  ...optionsOf(platform.value?.roles, 'code').map(({ value, label }) => ({
    value,
    label: t('roster.only', { role: inSentence(label) }),
  })),
])

function clear() {
  typed.value = ''
  emit('look', {
    q: '',
    role: '',
    details: '',
    state: 'here',
    ...Object.fromEntries(FURTHER.map((name) => [name, ''])),
  })
}
</script>

<template>
  <div class="filters no-print">
    <div class="top">
      <span v-if="counts" class="nums counts" role="status">
        {{ t('roster.count.learners', { n: $n(counts.learners) }, counts.learners) }},
        {{ t('roster.count.staff', { n: $n(counts.staff) }, counts.staff)
        }}<template v-if="counts.others"
          >, {{ t('roster.count.others', { n: $n(counts.others) }, counts.others) }}</template
        ><template v-if="counts.unlisted"
          >,
          <HelpWord term="unlisted">{{
            t('roster.count.unlisted', { n: $n(counts.unlisted) }, counts.unlisted)
          }}</HelpWord>:
          <button class="word" @click="emit('look', { unlisted: view.unlisted === '1' ? '0' : '1' })">
            {{ t(view.unlisted === '1' ? 'roster.hide' : 'roster.show') }}
          </button></template
        >
      </span>
      <span v-if="!narrow || unfolded" class="away">
        <button v-if="may('see-unlisted')" class="word" :aria-expanded="days" @click="days = !days">
          {{ t('roster.days.open') }}
        </button>
        <ColumnsMenu :columns="columns" />
        <button class="word" :aria-expanded="away" @click="away = !away">{{ t('export.open') }}</button>
      </span>
      <button v-if="narrow" class="word" :aria-expanded="unfolded" @click="unfolded = !unfolded">
        {{ t(unfolded ? 'roster.foldFilters' : 'roster.filters') }}
      </button>
    </div>
    <span v-if="!narrow || unfolded || filtered" class="sentence">
      <PickOne
        :label="t('roster.col.state')"
        :model-value="view.state"
        :options="states"
        @update:model-value="emit('look', { state: $event! })"
      />
      <PickOne
        :label="t('roster.col.role')"
        :model-value="view.role"
        :options="roles"
        @update:model-value="emit('look', { role: $event! })"
      />
      <InTurn>
        <FurtherWords :site="site" :view="view" :helps="may('see-unlisted')" @look="emit('look', $event)" />
        <DetailWords
          v-if="may('let-in') && platform?.details.length"
          :model-value="view.details"
          @update:model-value="emit('look', { details: $event })"
        />
        <InputText
          v-model="typed"
          size="small"
          :placeholder="t('roster.findHint')"
          :aria-label="t('roster.find')"
          maxlength="200"
        />
        <KeptViews v-if="may('see-unlisted') && !site.seenAs" :site="site" :filtered="filtered" />
        <button v-if="filtered" class="word" @click="clear">{{ t('roster.clear') }}</button>
        <span v-if="counts && filtered" class="soft nums">{{
          t('roster.shown', { n: $n(counts.shown) }, counts.shown)
        }}</span>
      </InTurn>
    </span>
    <InTurn>
      <DayField
        v-if="may('see-unlisted') && (!narrow || unfolded || view.asOf)"
        shown
        :label="t('roster.on')"
        :placeholder="t('roster.onToday')"
        :zone="site.timeZone"
        :model-value="view.asOf"
        @update:model-value="(asOf) => (!asOf || isDay(asOf)) && emit('look', { asOf })"
      />
    </InTurn>
  </div>
</template>

<style scoped>
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  padding: 7px 2px;
}
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  width: 100%;
  /* Its place is kept until the counts are there. */
  min-height: 27px;
}
.sentence {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.sentence > .p-inputtext {
  width: 200px;
}
.sentence > .p-select {
  max-width: 250px;
}
.away {
  margin-left: auto;
  display: flex;
  gap: 14px;
}
.counts {
  font-weight: 600;
}
</style>
