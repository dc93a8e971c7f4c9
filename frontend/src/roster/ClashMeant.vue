<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, useId } from 'vue'
import { t } from '@/shared/words'
import Tick from '@/ui/Tick.vue'
import type { Clashes } from './clashes'

/** Who would be wanted in two places at once, and whether that is meant: for all of them or some, with a reason. */
const props = defineProps<{ clashes: Clashes; people: { id: string; name: string }[] }>()
const id = useId()
const SHOWN = 12
const { meant, mean, why } = props.clashes
const ids = computed(() => props.people.map((person) => person.id))
const any = computed(() => ids.value.some((person) => meant.value.has(person)))
const all = computed({
  get: () => ids.value.every((person) => meant.value.has(person)),
  set: (every) => mean(ids.value, every),
})
</script>

<template>
  <div v-if="people.length" class="clash" role="group" :aria-label="t('clash.title')">
    <Tick v-model="all" :indeterminate="any && !all">{{ t('clash.all', { n: people.length }, people.length) }}</Tick>
    <ul v-if="people.length > 1">
      <li v-for="person in people.slice(0, SHOWN)" :key="person.id">
        <Tick :model-value="meant.has(person.id)" @update:model-value="mean([person.id], !!$event)">{{
          person.name
        }}</Tick>
      </li>
      <li v-if="people.length > SHOWN" class="soft">{{ t('clash.more', { n: people.length - SHOWN }) }}</li>
    </ul>
    <div v-if="any" class="field">
      <label :for="`${id}-why`">{{ t('clash.why') }}</label>
      <InputText :id="`${id}-why`" v-model="why" size="small" maxlength="500" fluid />
      <span v-if="!why.trim()" class="soft small">{{ t('clash.needsWhy') }}</span>
    </div>
  </div>
</template>

<style scoped>
.clash {
  display: grid;
  gap: 6px;
  border-left: 4px solid var(--clay);
  padding: 4px 12px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0 0 0 22px;
}
.small {
  font-size: 0.9rem;
}
</style>
