<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import DraftColumn from '@/ui/DraftColumn.vue'
import { listed } from '@/shared/lists'
import { differenceLines, problemSentence, type AllSettings } from './settings'

/** What would follow from the settings as they were changed, before they hold. */
const props = defineProps<{ all: AllSettings }>()
const { t, n } = useI18n()
const preview = computed(() => props.all.preview.value)

/** What a problem is about, by the name it has in the draft. */
function partOf(where: string): string {
  const [part, which] = where.split('/')
  const draft = props.all.settings.value
  if (part === 'divisions')
    return draft?.divisions.find((each) => each.code === which)?.name || which || t('platform.parts.divisions')
  if (part === 'terms')
    return draft?.terms.find((each) => each.code === which)?.name || which || t('platform.parts.terms')
  if (part === 'daysOff') return draft?.daysOff[Number(which)]?.name || t('platform.parts.days-off')
  return t('platform.name')
}
const problems = computed(
  () =>
    preview.value?.problems.map((problem) => ({
      part: partOf(problem.where),
      sentence: problemSentence(problem),
    })) ?? null,
)
const differences = computed(() => preview.value?.differences.filter(({ which }) => which).map(differenceLines) ?? [])
</script>

<template>
  <DraftColumn
    name="settings"
    :save="t('platform.save')"
    :trouble="all.wrong.value?.message"
    :problems="problems"
    :busy="all.busy.value || all.isFetching.value"
    @save="all.save"
    @drop="all.drop"
  >
    <ul v-if="preview">
      <li v-for="({ sentence, fields }, index) in differences" :key="index">
        {{ sentence }}
        <span v-for="field in fields" :key="field" class="field-line">{{ field }}</span>
      </li>
      <li v-if="!differences.length">{{ t('platform.preview.nothing') }}</li>
      <template v-for="each in preview.reach" :key="each.name">
        <li v-if="each.also.length" class="gain">
          {{ t('platform.preview.also', { name: each.name, divisions: listed(each.also) }) }}
        </li>
        <li v-if="each.not.length" class="lose">
          {{ t('platform.preview.not', { name: each.name, divisions: listed(each.not) }) }}
        </li>
      </template>
      <li v-if="preview.sites">{{ t('platform.preview.sites', { n: n(preview.sites) }, preview.sites) }}</li>
    </ul>
  </DraftColumn>
</template>

<style scoped>
.field-line {
  display: block;
  color: var(--soft);
  overflow-wrap: anywhere;
}
</style>
