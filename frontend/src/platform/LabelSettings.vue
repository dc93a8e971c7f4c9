<script setup lang="ts">
import Textarea from 'primevue/textarea'
import { computed } from 'vue'
import { t } from '@/shared/words'
import OneOf from '@/ui/OneOf.vue'
import type { PartOfSettings } from './settings'

/** Whether staff write labels of their own or choose from a list, and the list. */
const props = defineProps<PartOfSettings>()
const labels = computed(() => props.settings.labels)
const names = computed({
  get: () => labels.value.names.join('\n'),
  set: (text) => (props.edit().labels.names = text === '' ? [] : text.split('\n')),
})
/** Empty lines are left out once the field is left. */
const tidy = () => {
  const kept = labels.value.names.map((name) => name.trim()).filter(Boolean)
  if (kept.join('\n') !== names.value) props.edit().labels.names = kept
}
const choose = (free: boolean) => (props.edit().labels.free = free)
</script>

<template>
  <p class="soft">{{ t('platform.labels.more') }}</p>
  <template v-if="mayChange">
    <div class="ways">
      <OneOf
        v-for="free in [true, false]"
        :key="String(free)"
        name="labels"
        :value="String(free)"
        :model-value="String(labels.free)"
        @update:model-value="choose(free)"
        >{{ t(free ? 'platform.labels.free' : 'platform.labels.listed') }}</OneOf
      >
    </div>
    <div v-if="!labels.free" class="field names">
      <label for="label-names">{{ t('platform.labels.names') }}</label>
      <Textarea id="label-names" v-model="names" rows="10" aria-describedby="label-hint" fluid @blur="tidy" />
      <span id="label-hint" class="hint">{{ t('platform.labels.hint') }}</span>
      <span v-for="wrong in wrongAt('labels')" :key="wrong" class="wrong" role="alert">{{ wrong }}</span>
    </div>
  </template>
  <p v-else-if="labels.free">{{ t('platform.labels.free') }}</p>
  <ul v-else>
    <li v-for="name in labels.names" :key="name">{{ name }}</li>
  </ul>
</template>

<style scoped>
.ways {
  display: grid;
  gap: 6px;
}
.names {
  max-width: 420px;
}
</style>
