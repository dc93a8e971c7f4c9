<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { clearDone, lastDone, undoLast, undoChangeList } from '@/shared/undo'
import { t } from '@/shared/words'

const typed = ref('')
watch(
  () => lastDone.review,
  () => (typed.value = ''),
)
const count = (ready: boolean) =>
  lastDone.review?.lines.filter((line) => (line.verdict === 'ready') === ready).length ?? 0
const will = computed(() => count(true))
const left = computed(() => count(false))
const removal = computed(() => lastDone.review?.removal)
</script>

<template>
  <div
    class="strip no-print"
    :class="{ shown: lastDone.sentence, wrong: lastDone.wrong }"
    role="status"
    aria-live="polite"
  >
    <template v-if="lastDone.review">
      <span class="what"
        >{{ t('undo.will', { n: will }, will) }}
        <template v-if="left">{{ t('undo.left', { n: left }, left) }}</template>
        <label v-if="removal">
          {{ t('changeList.many', removal) }}
          <InputText v-model="typed" size="small" class="figures" inputmode="numeric"
        /></label>
      </span>
      <Button
        v-if="will"
        size="small"
        :disabled="lastDone.busy || (!!removal && Number(typed) !== removal.people)"
        :label="t(lastDone.busy ? 'undo.busy' : 'undo.undo')"
        @click="undoChangeList(removal?.people ?? null)"
      />
      <button class="word" @click="lastDone.review = null">{{ t('parts.cancel') }}</button>
    </template>
    <template v-else-if="lastDone.sentence">
      <span class="what"
        >{{ lastDone.sentence }} <span v-if="lastDone.more" class="soft">{{ lastDone.more }}</span></span
      >
      <Button
        v-if="lastDone.entry !== null || lastDone.changeList !== null || lastDone.back"
        size="small"
        aria-keyshortcuts="u"
        :disabled="lastDone.busy"
        :label="t(lastDone.busy ? 'undo.busy' : 'undo.undo')"
        @click="undoLast"
      />
      <button class="word" @click="clearDone">{{ t('undo.dismiss') }}</button>
    </template>
  </div>
</template>

<style scoped>
.strip.shown {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 8px 20px;
  background: var(--mint-pale);
  border-top: 2px solid var(--spruce);
}
.strip.wrong {
  background: var(--clay-pale);
  border-color: var(--clay);
}
.what {
  margin-right: auto;
  overflow-wrap: anywhere;
}
.number {
  width: 80px;
}
</style>
