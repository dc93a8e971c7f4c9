<script setup lang="ts">
/** Whether those who are let in are told, and in which words. */
const tell = defineModel<boolean>('tell', { required: true })
const words = defineModel<string>('words', { required: true })
</script>

<template>
  <div>
    <label><input v-model="tell" type="checkbox" /> {{ $t('pasted.tell') }}</label>
    <template v-if="tell">
      <textarea v-model="words" class="plain" rows="3" maxlength="2000" :aria-label="$t('pasted.words')" :placeholder="$t('pasted.words')" />
      <p class="soft">{{ $t('pasted.tellLater') }}</p>
    </template>
  </div>
</template>

<style scoped>
textarea { width: 100%; margin-top: 6px; }
p { font-size: 0.9rem; }
</style>
