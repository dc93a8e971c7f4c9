<script setup lang="ts">
import Button from 'primevue/button'
import { computed, reactive, ref } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { useForm } from '@/shared/busy'
import { t } from '@/shared/words'
import NumberField from '@/ui/NumberField.vue'
import PlainTable from '@/ui/PlainTable.vue'
import Tick from '@/ui/Tick.vue'
import { nthWish, type Outcome, type PlanSection } from './plans'

/** What a plan would gain if something were otherwise, beside what it is; nothing of it is kept. */
const props = defineProps<{ site: Site; outcome: Outcome; sections: PlanSection[] }>()
const drafts = reactive(
  props.sections
    .filter(({ used }) => used)
    .map(({ id, name, places, seats }) => ({
      id,
      name,
      had: places ?? seats,
      places: null as number | null,
      hour: false,
    })),
)
const more = ref<number | null>(null)
const found = ref<Outcome>()
const held = ref<{ section: string | null; people: number }[]>([])
const changed = computed(() => more.value !== null || drafts.some(({ places, hour }) => places !== null || hour))
const { busy, wrong, run } = useForm()
const look = () =>
  run(async () => {
    const answer = await take(
      api.POST('/sites/{site}/plan/what-if', {
        params: { path: { site: props.site.id } },
        body: {
          sections: drafts.filter(({ places }) => places !== null).map(({ id, places }) => ({ id, places })),
          hours: drafts.filter(({ hour }) => hour).map(({ id }) => id),
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
      <Tick v-model="draft.hour" :label="`${t('plans.whatIf.hour')}: ${draft.name}`">{{ t('plans.whatIf.hour') }}</Tick>
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
