<script setup lang="ts">
import { t } from '@/shared/words'
</script>

<template>
  <div class="page">
    <h1>{{ t('trouble.unknown') }}</h1>
    <p>
      {{ t('trouble.unknownMore') }} <RouterLink to="/">{{ t('trouble.back') }}</RouterLink>
    </p>
  </div>
</template>
