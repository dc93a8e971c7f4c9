<script setup lang="ts">
import { computed } from 'vue'
import type { Rules } from '@/shared/api'
import { inSentence, t } from '@/shared/words'
import { listed } from './rules'

/** Which roles each role gives, the highest first. */
const props = defineProps<{ rules: Rules }>()
const givers = computed(() =>
  props.rules.roles.map((role) => ({
    role,
    gives: props.rules.roles.filter((each) => each.givenBy.includes(role.code)).map((each) => inSentence(each.name)),
  })),
)
const giveNothing = computed(() =>
  givers.value.filter(({ gives }) => !gives.length).map(({ role }) => inSentence(role.name)),
)
</script>

<template>
  <ol>
    <li>{{ t('rules.givesAll') }}</li>
    <template v-for="{ role, gives } in givers" :key="role.code"
      ><li v-if="gives.length">
        {{ t('rules.gives', { role: inSentence(role.name), roles: listed(gives) }) }}
      </li></template
    >
    <li v-if="giveNothing.length" class="soft">{{ t('rules.givesNone', { roles: listed(giveNothing) }) }}</li>
  </ol>
</template>

<style scoped>
ol {
  margin: 0;
  padding-left: 0;
  list-style: none;
  display: grid;
  gap: 10px;
}
li {
  border-left: 4px solid var(--mint);
  padding: 2px 12px;
}
</style>
