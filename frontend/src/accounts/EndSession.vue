<script setup lang="ts">
import Button from 'primevue/button'
import { t } from '@/shared/words'

/** Ends one of one's own sessions. */
defineProps<{ session: { device: string; place: string }; busy: boolean }>()
defineEmits<{ end: [] }>()
</script>

<template>
  <Button
    size="small"
    variant="outlined"
    :disabled="busy"
    :label="t('sessions.end')"
    :aria-label="t('sessions.endOf', { device: session.device, place: session.place })"
    @click="$emit('end')"
  />
</template>
