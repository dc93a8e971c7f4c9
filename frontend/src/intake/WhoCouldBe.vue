<script setup lang="ts">
import OneOf from '@/ui/OneOf.vue'
import { knownName } from '@/shared/sentences'
import { t } from '@/shared/words'
import { aboutPerson, type PastedCandidate } from './pasted'
import { useLevels } from '@/shared/levels'

const { levelName } = useLevels()

/** Those whom a pasted line could mean, with what tells them apart, to be chosen from. */
defineProps<{
  /** Of this choice, among those of other lines. */
  name: string
  offered: PastedCandidate[]
  /** Whether they are only near what was typed. */
  near: boolean
  /** Who is chosen. */
  person?: string
  why: (candidate: PastedCandidate) => string
}>()
defineEmits<{ pick: [candidate: PastedCandidate] }>()
</script>

<template>
  <fieldset>
    <legend>{{ t(near ? 'pasted.near' : 'pasted.which') }}</legend>
    <p v-for="(candidate, index) in offered" :key="candidate.person.id">
      <kbd>{{ index + 1 }}</kbd>
      <OneOf
        :name="name"
        :value="candidate.person.id"
        :model-value="person ?? null"
        @update:model-value="$emit('pick', candidate)"
        >{{ knownName(candidate.person) }}
        <span class="why soft">{{ aboutPerson(candidate.person, levelName) }} · {{ why(candidate) }}</span></OneOf
      >
    </p>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 4px 0 0;
  padding: 0;
}
legend {
  padding: 0;
  font-weight: 600;
  font-size: 0.92rem;
}
p {
  display: flex;
  gap: 6px;
  align-items: baseline;
}
.why {
  font-size: 0.9rem;
  margin-left: 4px;
}
</style>
