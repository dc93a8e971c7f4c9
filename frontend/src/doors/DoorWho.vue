<script setup lang="ts">
import ArrivesInGroups from '@/roster/ArrivesInGroups.vue'
import NumberField from '@/ui/NumberField.vue'
import Tick from '@/ui/Tick.vue'
import PickOne from '@/ui/PickOne.vue'
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import { I18nT } from 'vue-i18n'
import type { Platform, Site } from '@/shared/api'
import { needless } from '@/shared/platform'
import { t } from '@/shared/words'
import { optionsIn, optionsOf } from '@/ui/options'
import { useDraft } from './doorDraft'

/** Of the sentence of a door: who may come through it, with which key, as what and into which section. */
const props = defineProps<{ site: Site; platform?: Platform; changed: boolean }>()
const { draft, chosenKey, domains, wrong, joins, open, toggle } = useDraft()
const SHOWN = ['leads', 'sections', 'numbers'] as const
const further = computed(() =>
  optionsOf(props.platform?.divisions, 'code').filter(({ value }) => !draft.value.divisions.includes(value)),
)
const places = computed(() =>
  optionsIn(
    props.site.sections.length ? (['none', 'fixed', 'emptiest', 'choice'] as const) : (['none'] as const),
    (place) => t(`doors.write.place.${place}`),
  ),
)
</script>

<template>
  <div v-if="open" class="line">
    <I18nT :keypath="needless.has('level') ? 'doors.write.row.whoever' : 'doors.write.row.who'" scope="global">
      <template #divisions
        ><template v-if="!draft.divisions.length">{{ t('doors.write.everybody') }} </template>
        <span v-for="code in draft.divisions" :key="code" class="chip"
          >{{ platform?.divisions.find((each) => each.code === code)?.name ?? code }}
          <button
            type="button"
            class="word"
            :aria-label="`− ${code}`"
            @click="draft.divisions = toggle(draft.divisions, code)"
          >
            ×
          </button></span
        >
        <PickOne
          :label="t('doors.write.further')"
          :placeholder="t('doors.write.further')"
          :model-value="undefined"
          :options="further"
          @update:model-value="(code) => code && (draft.divisions = toggle(draft.divisions, code))"
      /></template>
      <template #lowest
        ><NumberField v-model="draft.lowest" :figures="2" :min="1" :max="40" :label="t('parts.lowest')"
      /></template>
      <template #highest
        ><NumberField v-model="draft.highest" :figures="2" :min="1" :max="40" :label="t('parts.highest')"
      /></template>
      <template #domains
        ><InputText
          v-model="domains"
          size="small"
          class="long"
          :placeholder="t('doors.write.domainsHint')"
          :aria-label="t('doors.write.domains')"
      /></template>
    </I18nT>
    <span v-for="field in ['divisions', 'lowest', 'domains']" :key="field" class="clay">{{ wrong(field) }}</span>
  </div>
  <div v-else-if="draft.kind === 'invitation'" class="line">{{ t('doors.write.row.invited') }}</div>
  <div v-if="draft.kind === 'key'" class="line">
    <I18nT :keypath="'doors.write.row.key'" scope="global">
      <template #key
        ><PickOne
          v-model="chosenKey"
          :label="t('doors.write.keyHow')"
          :options="
            optionsIn([false, true], (own) => t(`doors.write.${own ? 'chosen' : changed ? 'keep' : 'made'}`))
          " />
        <InputText
          v-if="chosenKey"
          :model-value="draft.key ?? ''"
          class="num long"
          size="small"
          maxlength="120"
          :placeholder="t('doors.write.keyHint')"
          :aria-label="t('doors.write.key')"
          :invalid="!!wrong('key')"
          @update:model-value="draft.key = $event ?? null"
      /></template>
    </I18nT>
    <span class="clay">{{ wrong('key') }}</span>
  </div>
  <div v-if="joins" class="line">
    <I18nT :keypath="'doors.write.row.may'" scope="global">
      <template #role
        ><PickOne v-model="draft.role" :label="t('doors.write.may')" :options="optionsOf(platform?.roles, 'code')"
      /></template>
      <template #place
        ><PickOne v-model="draft.place" :label="t('doors.write.where')" :options="places" />
        <PickOne
          v-if="draft.place === 'fixed'"
          :model-value="draft.section ?? undefined"
          :label="t('doors.write.place.fixed')"
          :placeholder="t('doors.write.whichSection')"
          :options="optionsOf(site.sections, 'id')"
          @update:model-value="draft.section = $event ?? null"
      /></template>
      <template #when
        ><PickOne
          v-if="open"
          v-model="draft.approval"
          :label="t('doors.write.when')"
          :options="optionsIn([false, true], (yes) => t(`doors.write.at.${yes ? 'yes' : 'once'}`))"
        /><template v-else>{{ t('doors.write.at.once') }}</template></template
      >
    </I18nT>
    <span v-for="field in ['role', 'place', 'section']" :key="field" class="clay">{{ wrong(field) }}</span>
    <ArrivesInGroups :site="site" />
  </div>
  <div v-else class="line">
    <I18nT :keypath="'doors.write.row.look'" scope="global">
      <template #who
        ><PickOne
          v-model="draft.anyone"
          :label="t('doors.kinds.preview')"
          :options="optionsIn([false, true], (yes) => t(`doors.write.anyone.${yes ? 'yes' : 'no'}`))"
      /></template>
      <template #more
        ><Tick v-for="each in SHOWN" :key="each" v-model="draft.shows" :value="each">{{
          t(`doors.say.shows.${each}`)
        }}</Tick></template
      >
    </I18nT>
  </div>
</template>

<style scoped>
.long {
  width: 22em;
}
.chip {
  background: var(--mint-pale);
  padding: 3px 2px 3px 8px;
  border-radius: 3px;
  white-space: nowrap;
}
.chip .word {
  background: none;
  padding: 0 4px;
  line-height: 1;
}
</style>
