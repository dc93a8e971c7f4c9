<script setup lang="ts">
import { computed } from 'vue'
import { t } from '@/shared/words'
import DraftColumn from '@/ui/DraftColumn.vue'
import SettingsDifferences from './SettingsDifferences.vue'
import { problemSentence, type AllSettings } from './settings'

/** What would follow from the settings as they were changed, before they hold. */
const props = defineProps<{ all: AllSettings }>()
const preview = computed(() => props.all.preview.value)

/** Parts of the page by what they change. */
const PARTS: Record<string, 'register' | 'messages' | 'starters' | 'labels' | 'details' | 'kinds' | 'general'> = {
  registrations: 'register',
  mail: 'messages',
  letterheads: 'messages',
  starters: 'starters',
  labels: 'labels',
  details: 'details',
  kinds: 'kinds',
  look: 'general',
}

/** What a problem is about, by the name it has in the draft. */
function partOf(where: string): string {
  const [part, which] = where.split('/')
  const draft = props.all.settings.value
  if (part === 'divisions')
    return draft?.divisions.find((each) => each.code === which)?.name || which || t('platform.parts.divisions')
  if (part === 'terms')
    return draft?.terms.find((each) => each.code === which)?.name || which || t('platform.parts.terms')
  if (part === 'daysOff') return draft?.daysOff[Number(which)]?.name || t('platform.parts.days-off')
  if (part === 'details' && draft?.details[Number(which)]?.name) return draft.details[Number(which)]!.name
  if (part === 'kinds' && draft?.kinds[Number(which)]?.name) return draft.kinds[Number(which)]!.name
  const called = PARTS[part ?? '']
  return called ? t(`platform.parts.${called}`) : t('platform.name')
}
const problems = computed(
  () =>
    preview.value?.problems.map((problem) => ({
      part: partOf(problem.where),
      sentence: problemSentence(problem),
    })) ?? null,
)
</script>

<template>
  <DraftColumn
    name="settings"
    :save="t('platform.save')"
    :trouble="all.wrong.value?.message"
    :problems="problems"
    :busy="all.busy.value || all.looking.value"
    @save="all.save"
    @drop="all.drop"
  >
    <SettingsDifferences v-if="preview" :preview="preview" />
  </DraftColumn>
</template>
