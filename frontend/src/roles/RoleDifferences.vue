<script setup lang="ts">
import { computed, ref } from 'vue'
import type { RoleRules } from '@/shared/api'
import { inSentence, t } from '@/shared/words'
import { optionsOf } from '@/ui/options'
import PickOne from '@/ui/PickOne.vue'
import { listed, mayWords } from './rules'

/** What one of two roles may besides the other, and may not. */
const props = defineProps<{ roles: RoleRules[] }>()
const first = ref(props.roles[1]?.code ?? '')
const second = ref(props.roles[2]?.code ?? '')
const find = (code: string) => props.roles.find((role) => role.code === code)
const a = computed(() => find(first.value))
const b = computed(() => find(second.value))
const without = (some?: RoleRules, others?: RoleRules) =>
  some?.permissions.filter((permission) => !others?.permissions.includes(permission)) ?? []
const also = computed(() => without(b.value, a.value))
const not = computed(() => without(a.value, b.value))
const besides = computed(() => [
  ...(a.value?.listed !== b.value?.listed ? [t('rules.differs.listed')] : []),
  ...(a.value?.takesSeat !== b.value?.takesSeat ? [t('rules.differs.seat')] : []),
  ...(a.value?.for.join() !== b.value?.for.join() ? [t('rules.differs.kinds')] : []),
])
</script>

<template>
  <section>
    <p class="pair">
      {{ t('rules.between') }}
      <PickOne v-model="first" :label="t('rules.between')" :options="optionsOf(roles, 'code')" />
      {{ t('rules.andThe') }}
      <PickOne v-model="second" :label="t('rules.andThe')" :options="optionsOf(roles, 'code')" />
    </p>
    <template v-if="a && b">
      <p v-if="also.length" class="also">
        {{ t('rules.also', { second: inSentence(b.name), what: mayWords(also) }) }}
      </p>
      <p v-if="not.length" class="not">{{ t('rules.not', { second: inSentence(b.name), what: mayWords(not) }) }}</p>
      <p v-if="!also.length && !not.length">{{ t('rules.same') }}</p>
      <p v-if="besides.length" class="soft">{{ t('rules.moreWays', { what: listed(besides) }) }}.</p>
    </template>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 10px;
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.also,
.not {
  border-left: 4px solid var(--spruce);
  background: var(--mint-pale);
  padding: 7px 12px;
}
.not {
  border-color: var(--brass);
  background: var(--brass-pale);
}
</style>
