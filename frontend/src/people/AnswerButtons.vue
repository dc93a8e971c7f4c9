<script setup lang="ts">
import Button from 'primevue/button'
import { t } from '@/shared/words'

/** Yes or no to one who waits for it. */
defineProps<{
  /** Their name. */
  who: string
  busy: boolean
}>()
defineEmits<{ answer: [answer: 'yes' | 'no'] }>()
</script>

<template>
  <span class="acts">
    <Button
      size="small"
      :disabled="busy"
      :label="t('approvals.yes')"
      :aria-label="t('approvals.yesTo', { name: who })"
      @click="$emit('answer', 'yes')"
    />
    <Button
      size="small"
      variant="outlined"
      :disabled="busy"
      :label="t('approvals.no')"
      :aria-label="t('approvals.noTo', { name: who })"
      @click="$emit('answer', 'no')"
    />
  </span>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
}
</style>
