<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import MultiSelect from 'primevue/multiselect'
import { computed, shallowRef } from 'vue'
import { api, take, type CohortFacts } from '@/shared/api'
import { kindOptions } from '@/shared/kinds'
import { usePlatform } from '@/shared/platform'
import { t } from '@/shared/words'
import { findSites } from '@/sites/findSites'
import FindBox from '@/ui/FindBox.vue'
import NumberField from '@/ui/NumberField.vue'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'
import PickedNames from './PickedNames.vue'
import { ATOMS, emptyPart, joins, type Part, type PartKind } from './rules'

/** One part of a rule: what people are, or several parts of which all hold, or one. Parts may stand in parts. */
const part = defineModel<Part>('part', { required: true })
const props = defineProps<{
  deep: number
  cohorts: CohortFacts[]
  wrong?: Record<string, string>
  at: string
}>()
defineEmits<{ remove: [] }>()
const DEEPEST = 5
const { platform } = usePlatform()
const client = useQueryClient()
const group = computed(() => joins(part.value))
const add = (kind: PartKind) => part.value.parts.push(emptyPart(kind))
const offered = computed(() => [
  ...ATOMS.filter((kind) => kind !== 'cohort' || props.cohorts.length).map((kind) => ({
    value: kind as PartKind,
    label: t(`cohorts.part.${kind}`),
  })),
  ...(props.deep < DEEPEST
    ? [{ value: (part.value.kind === 'any' ? 'all' : 'any') as PartKind, label: t('cohorts.part.group') }]
    : []),
])
const divisions = computed(() =>
  (platform.value?.divisions ?? []).map(({ code, name }) => ({ value: code, label: name })),
)
const roles = computed(() => [
  { value: '', label: t('cohorts.part.anyRole') },
  ...(platform.value?.roles ?? []).map(({ code, name }) => ({ value: code, label: name })),
])
const sections = shallowRef<{ value: string; label: string }[]>([])
async function ofSite(id: string) {
  const { sections: own } = await take(api.GET('/sites/{site}', { params: { path: { site: id } } }))
  sections.value = [
    { value: '', label: t('cohorts.part.anySection') },
    ...own.map((each) => ({ value: each.id, label: each.name })),
  ]
}
if (part.value.site) void ofSite(part.value.site.id).catch(() => {})
function place(found: { id: string; title: string }) {
  Object.assign(part.value, { site: { id: found.id, title: found.title }, section: '' })
  void ofSite(found.id)
}
async function look(q: string) {
  const { items } = await client.fetchQuery({
    queryKey: ['labels', 'reach', q],
    staleTime: 30_000,
    queryFn: () => take(api.GET('/cohort-labels', { params: { query: { q: q.trim() } } })),
  })
  return items.filter(({ name }) => !part.value.names.includes(name))
}
const options = computed(() => (part.value.kind === 'kinds' ? kindOptions() : divisions.value))
</script>

<template>
  <fieldset :class="{ group, inner: deep > 1 }">
    <legend :class="{ unseen: group && deep === 1 }">
      {{ t(group ? 'cohorts.part.group' : `cohorts.part.${part.kind}`) }}
    </legend>
    <template v-if="group">
      <PickOne
        v-if="part.parts.length > 1 || deep > 1"
        v-model="part.kind"
        :label="t('cohorts.part.join')"
        :options="[
          { value: 'all', label: t('cohorts.part.all') },
          { value: 'any', label: t('cohorts.part.any') },
        ]"
      />
      <RulePart
        v-for="(each, place_) in part.parts"
        :key="each.key"
        :part="each"
        :deep="deep + 1"
        :cohorts="cohorts"
        :wrong="wrong"
        :at="`${at}/parts/${place_}`"
        @remove="part.parts.splice(place_, 1)"
      />
      <PickOne
        :key="part.parts.length"
        :label="t('cohorts.part.add')"
        :placeholder="t(part.parts.length ? 'cohorts.part.add' : 'cohorts.part.first')"
        :options="offered"
        :model-value="undefined"
        @update:model-value="add($event!)"
      />
    </template>
    <MultiSelect
      v-else-if="part.kind === 'kinds' || part.kind === 'divisions'"
      v-model="part.names"
      size="small"
      :options="options"
      option-label="label"
      option-value="value"
      :show-toggle-all="false"
      :aria-label="t(`cohorts.part.${part.kind}`)"
      :placeholder="t('cohorts.part.choose')"
      fluid
    />
    <template v-else-if="part.kind === 'labels'">
      <PickedNames :names="part.names" @remove="(name) => (part.names = part.names.filter((each) => each !== name))" />
      <FindBox
        small
        unseen
        :label="t('cohorts.part.labels')"
        :placeholder="t('cohorts.part.typeLabel')"
        :find="look"
        :called="(each) => each.name"
        :none="t('cohorts.part.noLabel')"
        :from="0"
        @pick="({ name }) => part.names.push(name)"
        ><template #default="{ found }"
          >{{ found.name }}
          <span class="soft">{{ t('cohorts.count', { n: found.people }, found.people) }}</span></template
        ></FindBox
      >
    </template>
    <span v-else-if="part.kind === 'levels'" class="row">
      <NumberField v-model="part.lowest" :label="t('cohorts.part.lowest')" :figures="2" :min="1" :max="40" />
      {{ t('cohorts.part.to') }}
      <NumberField v-model="part.highest" :label="t('cohorts.part.highest')" :figures="2" :min="1" :max="40" />
    </span>
    <template v-else-if="part.kind === 'in'">
      <p v-if="part.site" class="row">
        <strong>{{ part.site.title }}</strong>
        <button type="button" class="word" @click="part.site = null">{{ t('cohorts.part.otherSite') }}</button>
      </p>
      <FindBox
        v-else
        small
        unseen
        :label="t('cohorts.part.site')"
        :placeholder="t('cohorts.part.site')"
        :find="(q) => findSites(q)"
        :called="(each) => each.title"
        :none="t('cohorts.part.noSite')"
        :from="0"
        @pick="place"
      />
      <span v-if="part.site" class="row">
        <PickOne v-model="part.role" :label="t('cohorts.part.role')" :options="roles" />
        <PickOne
          v-if="sections.length > 1"
          v-model="part.section"
          :label="t('cohorts.part.section')"
          :options="sections"
        />
      </span>
    </template>
    <PickOne
      v-else
      v-model="part.cohort"
      :label="t('cohorts.part.cohort')"
      :placeholder="t('cohorts.part.choose')"
      :options="cohorts.map(({ id, name }) => ({ value: id, label: name }))"
    />
    <p v-if="wrong?.[at]" class="clay" role="alert">{{ wrong[at] }}</p>
    <span v-if="deep > 1" class="row">
      <Tick v-model="part.not">{{ t('cohorts.part.not') }}</Tick>
      <button type="button" class="word clay" @click="$emit('remove')">{{ t('cohorts.part.remove') }}</button>
    </span>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
  justify-items: start;
  width: 100%;
  min-width: 0;
}
.group {
  gap: 12px;
}
.inner {
  border-left: 3px solid var(--line);
  padding-left: 10px;
}
legend {
  font-weight: 600;
  padding: 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin: 0;
}
</style>
