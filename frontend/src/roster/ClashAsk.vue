<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref, useId } from 'vue'
import { t } from '@/shared/words'

/** One change that would put somebody in two places at once: made all the same with a reason, or left. */
defineProps<{ sentence: string; busy: boolean }>()
const emit = defineEmits<{ act: [why: string]; close: [] }>()
const id = useId()
const why = ref('')
</script>

<template>
  <form class="clash" @submit.prevent="why.trim() && emit('act', why.trim())">
    <p role="alert">{{ sentence }}</p>
    <div class="field">
      <label :for="`${id}-why`">{{ t('clash.why') }}</label>
      <InputText :id="`${id}-why`" v-model="why" size="small" maxlength="500" fluid />
    </div>
    <p class="acts">
      <Button type="submit" size="small" :disabled="busy || !why.trim()" :label="t('clash.act')" />
      <button type="button" class="word" @click="emit('close')">{{ t('parts.cancel') }}</button>
    </p>
  </form>
</template>

<style scoped>
.clash {
  display: grid;
  gap: 6px;
  border-left: 4px solid var(--clay);
  padding: 4px 12px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}
</style>
