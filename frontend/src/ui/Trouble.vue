<script setup lang="ts">
import { computed } from 'vue'
import { Problem } from '@/shared/api'
import { t } from '@/shared/words'

/** That something could not be shown, and what to do. */
const props = defineProps<{ error: unknown }>()
defineEmits<{ again: [] }>()
const sentence = computed(() => (props.error instanceof Problem ? props.error.message : t('trouble.unexpected')))
</script>

<template>
  <div class="callout bad" role="alert">
    <p>{{ sentence }}</p>
    <button class="word" @click="$emit('again')">{{ t('trouble.again') }}</button> ·
    <RouterLink to="/">{{ t('trouble.back') }}</RouterLink>
  </div>
</template>
