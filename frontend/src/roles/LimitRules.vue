<script setup lang="ts">
import NumberField from '@/ui/NumberField.vue'
import type { Rules } from '@/shared/api'
import { t } from '@/shared/words'

/** Limits that hold everywhere: as sentences, or as fields for those who may change them. */
defineProps<{
  rules: Rules
  mayChange: boolean
  wrongAt: (where: string) => string[]
  edit: () => Rules
  /** What holds unless somebody changes it. */
  usual: Rules['limits']
}>()
const LIMITS = {
  sites: ['seats', 'leads', 'changeList', 'removalFew', 'removalShare'],
  care: ['careHome', 'careBeyond', 'cardDays', 'lookups'],
  mail: ['mailOutside', 'mailPerson', 'mailAgain', 'passwordLinks'],
  keep: ['keepMessages', 'keepAddresses', 'keepAnswers', 'archiveAfter'],
} as const
</script>

<template>
  <div class="limits">
    <template v-if="mayChange">
      <fieldset v-for="(names, group) in LIMITS" :key="group">
        <legend>{{ t(`rules.limitsOf.${group}`) }}</legend>
        <div v-for="name in names" :key="name" class="field">
          <label :for="'limit-' + name">{{ t(`rules.limit.${name}`) }}</label>
          <NumberField
            :id="'limit-' + name"
            :figures="7"
            grouped
            :model-value="rules.limits[name]"
            @update:model-value="edit().limits[name] = $event ?? 0"
          />
          <span :id="`limit-${name}-why`" class="hint">{{
            t('rules.limitUsual', { why: t(`rules.limitWhy.${name}`), n: $n(usual[name]) })
          }}</span>
          <span v-for="sentence in wrongAt('limits/' + name)" :key="sentence" class="wrong" role="alert">{{
            sentence
          }}</span>
        </div>
      </fieldset>
    </template>
    <ul v-else>
      <li v-for="name in ['seats', 'leads', 'changeList'] as const" :key="name">
        {{ t(`rules.limits.${name}`, { n: $n(rules.limits[name]) }) }}
      </li>
      <li v-for="name in ['careHome', 'careBeyond', 'cardDays'] as const" :key="name">
        {{ t(`rules.limits.${name}`, { n: $n(rules.limits[name]) }) }}
      </li>
      <li>
        {{ t('rules.limits.removal', { few: rules.limits.removalFew, share: rules.limits.removalShare }) }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
.limits {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(380px, 100%), 1fr));
  gap: 14px 40px;
  align-items: start;
}
fieldset {
  border: 0;
  border-top: 2px solid var(--line);
  margin: 0;
  padding: 10px 0 0;
  display: grid;
  gap: 12px;
}
legend {
  font-weight: 700;
  padding: 0 10px 0 0;
}
input {
  width: 130px;
}
ul {
  padding-left: 20px;
  display: grid;
  gap: 6px;
}
</style>
