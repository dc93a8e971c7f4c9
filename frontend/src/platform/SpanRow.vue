<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import type { Settings } from '@/shared/api'
import { t } from '@/shared/words'
import DayField from '@/ui/DayField.vue'
import PickOne from '@/ui/PickOne.vue'
import { scopeOptions, spanWords } from './settings'

/** Days with a name, of the whole platform or of a division: read, or written by who may. */
const name = defineModel<string>('name', { required: true })
const from = defineModel<string>('from', { required: true })
const until = defineModel<string>('until', { required: true })
const division = defineModel<string | null>('division', { required: true })
const props = defineProps<{ id: string; settings: Settings; mayChange: boolean; wrong: string[] }>()
defineEmits<{ remove: [] }>()
const scopes = computed(() => scopeOptions(props.settings.divisions))
</script>

<template>
  <section>
    <div v-if="mayChange" class="row">
      <div class="field grow">
        <label :for="`${id}-name`">{{ t('platform.span.name') }}</label>
        <InputText :id="`${id}-name`" v-model="name" size="small" maxlength="120" />
      </div>
      <div class="field">
        <label :for="`${id}-from`">{{ t('platform.span.from') }}</label>
        <DayField :id="`${id}-from`" v-model="from" :label="t('platform.span.from')" />
      </div>
      <div class="field">
        <label :for="`${id}-until`">{{ t('platform.span.until') }}</label>
        <DayField :id="`${id}-until`" v-model="until" :label="t('platform.span.until')" />
      </div>
      <PickOne
        stacked
        :label="t('platform.span.of')"
        :options="scopes"
        :model-value="division ?? ''"
        @update:model-value="division = $event || null"
      />
      <button class="word clay" :aria-label="t('platform.takeOf', { name })" @click="$emit('remove')">
        {{ t('platform.take') }}
      </button>
    </div>
    <p v-else>
      <strong>{{ name }}</strong> {{ spanWords(from, until) }}
    </p>
    <p v-for="sentence in wrong" :key="sentence" class="clay" role="alert">{{ sentence }}</p>
  </section>
</template>

<style scoped>
section {
  border-bottom: 1px solid var(--line);
  padding-bottom: 10px;
  display: grid;
  gap: 6px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: end;
}
.grow {
  flex: 1 1 180px;
  max-width: 320px;
}
.row > .word {
  margin-bottom: 4px;
}
</style>
