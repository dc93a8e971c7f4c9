<script setup lang="ts">
import Select from 'primevue/select'
import { computed } from 'vue'
import type { Platform, Rules } from '@/shared/api'
import { t } from '@/shared/words'

/** How each division has it that its people are let in by who has nothing to do with them. */
const props = defineProps<{ rules: Rules; divisions: Platform['divisions']; mayChange: boolean; edit: () => Rules }>()
type Rule = Rules['outside'][number]['rule']
const RULES: Rule[] = ['ask', 'open', 'closed']
const options = computed(() => RULES.map((rule) => ({ rule, name: t(`rules.outside.${rule}`) })))
const of = (division: string): Rule => props.rules.outside.find((each) => each.division === division)?.rule ?? 'ask'
function set(division: string, rule: Rule) {
  const edited = props.edit()
  const others = edited.outside.filter((each) => each.division !== division)
  edited.outside = [...others, { division, rule }].sort((a, b) => (a.division < b.division ? -1 : 1))
}
</script>

<template>
  <div class="outside">
    <p class="soft">{{ t('rules.outside.more') }}</p>
    <div v-for="division in divisions" :key="division.code" class="line">
      <span :id="'outside-' + division.code">{{ division.name }}</span>
      <Select
        v-if="mayChange"
        size="small"
        :model-value="of(division.code)"
        :options="options"
        option-label="name"
        option-value="rule"
        :aria-labelledby="'outside-' + division.code"
        @update:model-value="set(division.code, $event)"
      />
      <span v-else>{{ t(`rules.outside.${of(division.code)}`) }}</span>
    </div>
  </div>
</template>

<style scoped>
.outside {
  display: grid;
  gap: 10px;
  max-width: 860px;
}
.line {
  display: grid;
  grid-template-columns: minmax(150px, 240px) 1fr;
  gap: 4px 14px;
  align-items: center;
}
@media (max-width: 640px) {
  .line {
    grid-template-columns: 1fr;
  }
}
</style>
