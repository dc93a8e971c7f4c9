<script setup lang="ts">
import Textarea from 'primevue/textarea'
import NumberField from '@/ui/NumberField.vue'
import OneOf from '@/ui/OneOf.vue'
import DayField from '@/ui/DayField.vue'
import PickOne from '@/ui/PickOne.vue'
import { computed } from 'vue'
import type { Site } from '@/shared/api'
import { t } from '@/shared/words'
import { optionsIn, optionsOf } from '@/ui/options'
import { usePlatform } from '@/shared/platform'
import { asksNothing, type AskingVerb, type useAsked } from './asked'
import LabelInput from './LabelInput.vue'
import { openSections } from './sections'

/** The fields of what a change asks for. */
const props = defineProps<{ site: Site; verb: AskingVerb; wrong: boolean }>()
const asked = defineModel<ReturnType<typeof useAsked>['asked']>({ required: true })
const { platform } = usePlatform()
const lengths = computed(() =>
  optionsIn(['day', 'days', ...(props.site.term ? (['term'] as const) : []), 'open'] as const, (each) =>
    t(`card.ask.lengths.${each}`, { term: props.site.term?.name ?? '' }),
  ),
)
</script>

<template>
  <div v-if="!asksNothing(verb)" class="fields">
    <template v-if="verb === 'label'">
      <label>{{ t('label.which') }} <LabelInput v-model="asked.label" :site="site" :label="t('label.which')" /></label>
      <OneOf v-for="on in [true, false]" :key="String(on)" v-model="asked.on" name="on-or-off" :value="on">{{
        t(`label.onOrOff.${on ? 'on' : 'off'}`)
      }}</OneOf>
    </template>
    <PickOne
      v-if="verb === 'change-role'"
      v-model="asked.role"
      shown
      :label="t('card.chooseRole')"
      :options="optionsOf(platform?.roles, 'code')"
    />
    <PickOne
      v-if="verb === 'put-in-section'"
      v-model="asked.section"
      shown
      :label="t('roster.col.section')"
      :options="[...optionsOf(openSections(site), 'id'), { value: 'none', label: t('card.noSection') }]"
    />
    <template v-if="verb === 'change-dates'">
      <PickOne v-model="asked.length" shown :label="t('card.ask.length')" :options="lengths" />
      <span v-if="asked.length === 'days'"
        ><NumberField v-model="asked.days" :min="1" :max="1000" :label="t('card.ask.days')" />
        {{ t('card.ask.days') }}</span
      >
    </template>
    <p v-if="verb === 'pause' || verb === 'change-dates'">
      <DayField v-model="asked.fromDay" shown :label="t('card.ask.from')" :zone="site.timeZone" /> {{ ' '
      }}<span class="soft">{{ t(verb === 'pause' ? 'card.ask.fromNow' : 'card.ask.fromKeep') }}</span>
    </p>
    <p v-if="verb === 'pause' || verb === 'block' || (verb === 'change-dates' && asked.length === 'day')">
      <DayField v-model="asked.untilDay" shown :label="t('card.ask.until')" :zone="site.timeZone" :invalid="wrong" />
      {{ ' ' }}<span v-if="verb !== 'change-dates'" class="soft">{{ t('card.ask.untilOpen') }}</span>
    </p>
    <label v-if="verb === 'pause' || verb === 'block'" class="wide"
      >{{ t('card.ask.note') }} <Textarea v-model="asked.note" rows="2" maxlength="500" fluid />
    </label>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 6px;
}
label {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
}
</style>
