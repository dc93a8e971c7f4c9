<script setup lang="ts">
import Button from 'primevue/button'
import { computed, reactive, ref } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { useForm } from '@/shared/busy'
import { t } from '@/shared/words'
import NumberField from '@/ui/NumberField.vue'
import PickOne from '@/ui/PickOne.vue'
import PlainTable from '@/ui/PlainTable.vue'
import Tick from '@/ui/Tick.vue'
import TimeField from '@/ui/TimeField.vue'
import { weekday } from '@/weeks/weeks'
import { nthWish, type Outcome, type PlanSection } from './plans'

/** What a plan would gain if something were otherwise, beside what it is; nothing of it is kept. */
type Meets = 'same' | 'suits' | 'other'
const props = defineProps<{ site: Site; outcome: Outcome; sections: PlanSection[] }>()
const drafts = reactive(
  props.sections
    .filter(({ used }) => used)
    .map(({ id, name, places, seats }) => ({
      id,
      name,
      had: places ?? seats,
      places: null as number | null,
      meets: 'same' as Meets,
      days: [] as number[],
      time: '',
      minutes: 90 as number | null,
    })),
)
const when = (['same', 'suits', 'other'] as const).map((value) => ({ value, label: t(`plans.whatIf.when.${value}`) }))
const isMoved = ({ meets, days, time }: (typeof drafts)[number]) => meets === 'other' && days.length > 0 && !!time
const more = ref<number | null>(null)
const found = ref<Outcome>()
const held = ref<{ section: string | null; people: number }[]>([])
/** Something is otherwise, and no hour is begun and not said. */
const changed = computed(
  () =>
    (more.value !== null || drafts.some(({ places, meets }) => places !== null || meets !== 'same')) &&
    drafts.every((draft) => draft.meets !== 'other' || isMoved(draft)),
)
const { busy, wrong, run } = useForm()
const look = () =>
  run(async () => {
    const answer = await take(
      api.POST('/sites/{site}/plan/what-if', {
        params: { path: { site: props.site.id } },
        body: {
          sections: drafts.filter(({ places }) => places !== null).map(({ id, places }) => ({ id, places })),
          hours: drafts.filter(({ meets }) => meets === 'suits').map(({ id }) => id),
          moved: drafts
            .filter(isMoved)
            .map(({ id, days, time, minutes }) => ({ section: id, days, time, minutes: minutes ?? 90 })),
          more: more.value,
        },
      }),
    )
    found.value = answer.outcome
    held.value = answer.sections
  })
const peopleOf = (outcome: Outcome, wish: number) => outcome.wishes.find((each) => each.wish === wish)?.people ?? 0
const rows = computed(() => {
  const then = found.value
  if (!then) return []
  const wishes = [...new Set([...props.outcome.wishes, ...then.wishes].map(({ wish }) => wish))].sort((a, b) => a - b)
  const because = (key: 'unnamed' | 'nowhere', words: string) => [words, props.outcome.because[key], then.because[key]]
  return [
    ...wishes.map((wish) => [
      t('plans.whatIf.wish', { wish: nthWish(wish) }),
      peopleOf(props.outcome, wish),
      peopleOf(then, wish),
    ]),
    because('unnamed', t('plans.whatIf.unnamed')),
    because('nowhere', t('plans.whatIf.nowhere')),
    ...held.value.map(({ section, people }) => {
      const now = props.sections.find(({ id }) => id === section)
      return [t('plans.whatIf.in', { name: now?.name ?? t('plans.whatIf.further') }), now?.after ?? 0, people]
    }),
  ]
})
</script>

<template>
  <form class="what" novalidate @submit.prevent="look">
    <p class="soft">{{ t('plans.whatIf.how') }}</p>
    <div v-for="draft in drafts" :key="draft.id" class="row">
      <strong>{{ draft.name }}</strong>
      <label
        ><span class="soft">{{ t('plans.form.places') }}</span>
        <NumberField
          v-model="draft.places"
          :label="`${t('plans.form.places')}: ${draft.name}`"
          :min="0"
          :max="9999"
          :placeholder="draft.had === null ? t('plans.form.noLimit') : String(draft.had)"
          :figures="7"
      /></label>
      <PickOne v-model="draft.meets" :label="`${t('plans.whatIf.meets')}: ${draft.name}`" :options="when" />
      <div v-if="draft.meets === 'other'" class="other">
        <span class="days" role="group" :aria-label="`${t('plans.whatIf.days')}: ${draft.name}`">
          <Tick v-for="n in 7" :key="n" v-model="draft.days" :value="n" :label="weekday(n, 'long')">{{
            weekday(n)
          }}</Tick>
        </span>
        <TimeField v-model="draft.time" :label="t('plans.whatIf.time')" />
        <label
          >{{ t('plans.whatIf.minutes') }}
          <NumberField
            v-model="draft.minutes"
            :label="`${t('plans.whatIf.minutes')}: ${draft.name}`"
            :min="5"
            :max="1440"
            :figures="5"
        /></label>
      </div>
    </div>
    <div class="row">
      <strong>{{ t('plans.whatIf.further') }}</strong>
      <label
        ><span class="soft">{{ t('plans.form.places') }}</span>
        <NumberField
          v-model="more"
          :label="`${t('plans.form.places')}: ${t('plans.whatIf.further')}`"
          :min="0"
          :max="9999"
          :placeholder="t('plans.whatIf.none')"
          :figures="7"
      /></label>
      <span />
    </div>
    <p>
      <Button
        type="submit"
        size="small"
        variant="outlined"
        :disabled="busy || !changed"
        :label="t('plans.whatIf.look')"
      />
    </p>
    <p v-if="wrong" class="clay" role="alert">{{ wrong }}</p>
    <div role="status">
      <PlainTable
        v-if="rows.length"
        :head="[t('plans.whatIf.people'), t('plans.whatIf.now'), t('plans.whatIf.then')]"
        :rows="rows"
        :name="t('plans.whatIf.title')"
      />
    </div>
  </form>
</template>

<style scoped>
.what {
  display: grid;
  gap: 10px;
  max-width: 760px;
  border-left: 4px solid var(--mint);
  padding: 6px 14px;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto minmax(0, 1.4fr);
  gap: 4px 16px;
  align-items: center;
}
.other {
  grid-column: 1 / -1;
}
.other,
.days {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}
.row label {
  display: flex;
  gap: 8px;
  align-items: center;
}
@media (max-width: 640px) {
  .row {
    grid-template-columns: 1fr;
  }
}
</style>
