<script setup lang="ts">
import Button from 'primevue/button'
import { clearDone, lastDone, undoLast } from '@/app/undo'
</script>

<template>
  <div class="strip no-print" :class="{ shown: lastDone.sentence, wrong: lastDone.wrong }" role="status" aria-live="polite">
    <template v-if="lastDone.sentence">
      <span class="what">{{ lastDone.sentence }} <span v-if="lastDone.more" class="soft">{{ lastDone.more }}</span></span>
      <Button v-if="lastDone.entry !== null" size="small" aria-keyshortcuts="u" :disabled="lastDone.busy" :label="$t(lastDone.busy ? 'undo.busy' : 'undo.undo')" @click="undoLast" />
      <button class="word" @click="clearDone">{{ $t('undo.dismiss') }}</button>
    </template>
  </div>
</template>

<style scoped>
.strip.shown { display: flex; gap: 16px; align-items: center; padding: 8px 20px; background: var(--mint-pale); border-top: 2px solid var(--spruce); }
.strip.wrong { background: var(--clay-pale); border-color: var(--clay); }
.what { margin-right: auto; overflow-wrap: anywhere; }
</style>
