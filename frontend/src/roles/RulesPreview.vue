<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { tIn } from '@/shared/words'
import DraftColumn from '@/ui/DraftColumn.vue'
import { problemSentence, type useRules } from './rules'

/**
 * What would follow from the rules as they were changed: what is wrong with them, and who gains or loses what, before
 * they hold.
 */
const props = defineProps<{ all: ReturnType<typeof useRules> }>()
const { t, n } = useI18n()
const preview = computed(() => props.all.preview.value)
/** Parts of the page that are not called as what they change. */
const PARTS: Record<string, string> = { siteKinds: 'kinds', question: 'kinds', nicknames: 'names' }
const partOf = (where: string) => {
  const [part = '', code] = where.split('/')
  if (part === 'roles' && code) return props.all.roleName(code) || code
  if (part === 'siteKinds') return code || tIn('rules.parts', 'kinds')
  return tIn('rules.parts', PARTS[part] ?? part)
}
const problems = computed(
  () =>
    preview.value?.problems.map((problem) => ({
      part: partOf(problem.where),
      sentence: problemSentence(problem, props.all.roleName),
    })) ?? null,
)
</script>

<template>
  <DraftColumn
    name="rules"
    :save="t('rules.preview.save')"
    :trouble="all.wrong.value?.message"
    :problems="problems"
    :busy="all.busy.value || all.looking.value"
    @save="all.save"
    @drop="all.drop"
  >
    <ul v-if="preview">
      <li v-for="each in preview.affected" :key="each.permission + each.gain" :class="each.gain ? 'gain' : 'lose'">
        {{
          t(
            each.gain ? 'rules.preview.gain' : 'rules.preview.lose',
            {
              n: n(each.people),
              sites: t('rules.preview.sites', { n: n(each.sites) }, each.sites),
              what: t(`may.${each.permission}`),
            },
            each.people,
          )
        }}
      </li>
      <li v-if="!preview.affected.length">{{ t('rules.preview.nobody') }}</li>
      <li v-for="each in preview.numbers" :key="each.name">
        {{
          t(each.not ? 'rules.preview.numbers' : 'rules.preview.numbersFit', {
            name: each.name,
            fit: n(each.fit),
            not: n(each.not),
            example: each.example ?? '',
          })
        }}
      </li>
      <li v-if="preview.sites.overSeats">
        {{ t('rules.preview.overSeats', { n: n(preview.sites.overSeats) }, preview.sites.overSeats) }}
      </li>
      <li v-if="preview.sites.overLeads">
        {{ t('rules.preview.overLeads', { n: n(preview.sites.overLeads) }, preview.sites.overLeads) }}
      </li>
    </ul>
  </DraftColumn>
</template>
