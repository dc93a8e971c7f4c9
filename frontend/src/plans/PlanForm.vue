<script setup lang="ts">
import Button from 'primevue/button'
import { computed, reactive, ref } from 'vue'
import { api, Problem, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { refreshSite, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import DayField from '@/ui/DayField.vue'
import DockedColumn from '@/ui/DockedColumn.vue'
import NumberField from '@/ui/NumberField.vue'
import OneOf from '@/ui/OneOf.vue'
import Tick from '@/ui/Tick.vue'
import LabelInput from '@/roster/LabelInput.vue'
import PeopleGroups from './PeopleGroups.vue'
import type { SitePlan } from './plans'

/** What a plan is to do: which sections, how many each takes, whether people may move, and when they are asked. */
const props = defineProps<{
  site: Site
  plan: SitePlan
  /** When the lot was drawn, in words; nothing before. */
  drawn: string
}>()
const emit = defineEmits<{ close: [] }>()
const begun = props.plan.plan
const sections = reactive(
  props.plan.sections.map(({ id, name, seats, used, places, least, now }) => ({
    id,
    name,
    seats,
    now,
    used: begun ? used : true,
    places,
    least,
  })),
)
const moves = ref(begun?.moves ?? 'nobody')
const asks = ref(begun ? begun.wishesUntil !== null : true)
const from = ref(begun?.wishesFrom ?? '')
const until = ref(begun?.wishesUntil ?? '')
const stays = ref(begun?.stays ?? [])
const together = ref(begun?.together ?? [])
const apart = ref(begun?.apart ?? [])
type By = 'level' | 'division' | 'label'
const balanced = (by: By) => begun?.balances.find((each) => each.by === by)
const alike = reactive(
  (['level', 'division', 'label'] as const).map((by) => ({
    by,
    on: !!balanced(by),
    label: balanced(by)?.label ?? '',
    tolerance: (balanced(by)?.tolerance ?? 1) as number | null,
  })),
)
/** Conditions are rarer than wishes: they are shown once there are some, or when asked for. */
const conditions = ref(
  !!begun && !!(begun.together.length || begun.apart.length || begun.balances.length || sections.some((s) => s.least)),
)
const wrong = ref<Record<string, string>>({})
const used = computed(() => sections.filter((section) => section.used))
/** Places together, unless a section takes as many as come. */
const places = computed(() => {
  const each = used.value.map((section) => section.places ?? section.seats)
  return each.some((n) => n === null) ? null : each.reduce<number>((sum, n) => sum + n!, 0)
})

const { busy, run } = useBusy((thrown) => {
  const errors = thrown instanceof Problem ? (thrown.document.errors ?? []) : []
  wrong.value = Object.fromEntries(errors.map(({ pointer, detail }) => [pointer, detail]))
  if (!errors.length) wentWrong(thrown)
})
const save = () =>
  run(async () => {
    wrong.value = {}
    await take(
      api.PUT('/sites/{site}/plan', {
        params: { path: { site: props.site.id }, header: { 'If-Match': `"${begun?.version ?? 1}"` } },
        body: {
          sections: used.value.map(({ id, places: n, least }) => ({ id, places: n, least })),
          moves: moves.value,
          stays: moves.value !== 'nobody' ? stays.value.map(({ id }) => id) : [],
          together: together.value.filter((group) => group.length).map((group) => group.map(({ id }) => id)),
          apart: apart.value.filter((group) => group.length).map((group) => group.map(({ id }) => id)),
          balances: alike
            .filter(({ on }) => on)
            .map(({ by, label, tolerance }) => ({ by, label, tolerance: tolerance ?? 0 })),
          wishesFrom: asks.value ? from.value || null : null,
          wishesUntil: asks.value ? until.value || null : null,
        },
      }),
    )
    // Before there is another plan, to which this form does not belong.
    emit('close')
    await refreshSite()
  })
/** What is wrong with conditions, wherever it is. */
const ofConditions = computed(() =>
  Object.fromEntries(Object.entries(wrong.value).filter(([pointer]) => /^\/(together|apart|balances)/.test(pointer))),
)
const at = (id: string, field: string) =>
  wrong.value[`/sections/${used.value.findIndex((section) => section.id === id)}/${field}`]
</script>

<template>
  <DockedColumn class="form" name="plan" :label="t('plans.form.title')" closes @close="emit('close')">
    <h2>{{ t('plans.form.title') }}</h2>
    <!-- Escape closes a list of names or days, and loses nothing that was written. -->
    <form novalidate @submit.prevent="save" @keydown.esc.stop>
      <fieldset>
        <legend>{{ t('plans.form.sections') }}</legend>
        <div v-for="section in sections" :key="section.id" class="row">
          <Tick v-model="section.used">{{ section.name }}</Tick>
          <label v-if="section.used" class="places"
            ><span class="soft">{{ t('plans.form.places') }}</span>
            <NumberField
              v-model="section.places"
              :label="`${t('plans.form.places')}: ${section.name}`"
              :min="0"
              :max="9999"
              :placeholder="section.seats === null ? t('plans.form.noLimit') : String(section.seats)"
              :figures="7"
            />
          </label>
          <p v-if="at(section.id, 'places')" class="clay wide" role="alert">{{ at(section.id, 'places') }}</p>
          <label v-if="section.used && conditions" class="places"
            ><span class="soft">{{ t('plans.form.least') }}</span>
            <NumberField
              v-model="section.least"
              :label="`${t('plans.form.least')}: ${section.name}`"
              :min="0"
              :max="9999"
              :figures="7"
            />
          </label>
          <p v-if="at(section.id, 'least')" class="clay wide" role="alert">{{ at(section.id, 'least') }}</p>
          <p v-if="at(section.id, 'id')" class="clay wide" role="alert">{{ at(section.id, 'id') }}</p>
        </div>
        <p v-if="wrong['/sections']" class="clay" role="alert">{{ wrong['/sections'] }}</p>
        <p class="soft">
          {{
            places === null
              ? t('plans.form.enough', { n: plan.learners }, plan.learners)
              : t('plans.form.sum', { n: plan.learners, places }, plan.learners)
          }}
        </p>
      </fieldset>
      <fieldset>
        <legend>{{ t('plans.form.whoIsIn') }}</legend>
        <OneOf v-model="moves" value="nobody" name="moves">{{ t('plans.form.stay') }}</OneOf>
        <OneOf v-model="moves" value="few" name="moves">{{ t('plans.form.few') }}</OneOf>
        <OneOf v-model="moves" value="all" name="moves">{{ t('plans.form.move') }}</OneOf>
        <ul v-if="moves !== 'nobody' && stays.length">
          <li v-for="one in stays" :key="one.id">
            {{ t('plans.form.stays', { name: one.name }) }}
            <button type="button" class="word" @click="stays = stays.filter(({ id }) => id !== one.id)">
              {{ t('plans.form.stayNot') }}
            </button>
          </li>
        </ul>
      </fieldset>
      <fieldset>
        <legend>{{ t('plans.form.wishes') }}</legend>
        <p v-if="drawn">{{ t('plans.form.drawn', { at: drawn }) }}</p>
        <Tick v-else v-model="asks">{{ t('plans.form.ask') }}</Tick>
        <template v-if="asks && !drawn">
          <DayField
            v-model="from"
            shown
            :label="t('plans.form.from')"
            :placeholder="t('plans.form.now')"
            :zone="site.timeZone"
          />
          <p v-if="wrong['/wishesFrom']" class="clay" role="alert">{{ wrong['/wishesFrom'] }}</p>
          <DayField
            v-model="until"
            shown
            :label="t('plans.form.until')"
            :invalid="!!wrong['/wishesUntil']"
            :zone="site.timeZone"
          />
          <p v-if="wrong['/wishesUntil']" class="clay" role="alert">{{ wrong['/wishesUntil'] }}</p>
          <p class="soft">{{ t('plans.form.told') }}</p>
        </template>
      </fieldset>
      <p v-if="!conditions">
        <button type="button" class="word" @click="conditions = true">{{ t('plans.form.more') }}</button>
      </p>
      <fieldset v-else>
        <legend>{{ t('plans.form.conditions') }}</legend>
        <p>{{ t('plans.form.together') }}</p>
        <PeopleGroups
          v-model="together"
          :site="site"
          :label="t('plans.form.together')"
          :add="t('plans.form.addTogether')"
        />
        <p>{{ t('plans.form.apart') }}</p>
        <PeopleGroups v-model="apart" :site="site" :label="t('plans.form.apart')" :add="t('plans.form.addApart')" />
        <p>{{ t('plans.form.alike') }}</p>
        <div v-for="each in alike" :key="each.by" class="row">
          <Tick v-model="each.on">{{ t(`plans.form.by.${each.by}`) }}</Tick>
          <LabelInput
            v-if="each.on && each.by === 'label'"
            v-model="each.label"
            :site="site"
            :label="t('plans.form.by.label')"
          />
          <label v-if="each.on" class="places"
            ><span class="soft">{{ t('plans.form.within') }}</span>
            <NumberField
              v-model="each.tolerance"
              :label="`${t('plans.form.within')}: ${t(`plans.form.by.${each.by}`)}`"
              :min="0"
              :max="99"
              :figures="3"
            />
          </label>
        </div>
        <p v-for="(sentence, pointer) in ofConditions" :key="pointer" class="clay" role="alert">{{ sentence }}</p>
      </fieldset>
      <p v-if="begun?.outcome" class="brass">{{ t('plans.form.anew') }}</p>
      <p class="acts">
        <Button
          type="submit"
          size="small"
          :disabled="busy || !used.length || (asks && !until)"
          :label="t('plans.form.save')"
        />
        <button type="button" class="word" @click="emit('close')">{{ t('parts.cancel') }}</button>
      </p>
    </form>
  </DockedColumn>
</template>

<style scoped>
.form {
  --docked: 420px;
}
h2 {
  padding-right: 60px;
}
form,
fieldset {
  display: grid;
  gap: 10px;
}
fieldset {
  border: 0;
  border-bottom: 1px solid var(--line);
  margin: 0;
  padding: 0 0 10px;
  min-width: 0;
}
legend {
  font-weight: 700;
  padding: 0 0 6px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  justify-content: space-between;
  min-height: 34px;
}
.wide {
  width: 100%;
}
.places {
  margin-left: auto;
  display: flex;
  gap: 8px;
  align-items: center;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
</style>
