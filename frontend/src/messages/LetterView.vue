<script setup lang="ts">
import { ref } from 'vue'
import { t } from '@/shared/words'

/**
 * A letter as it arrives: to whom, its subject, and both its parts. The HTML part stands in a frame of its own, in
 * which nothing runs.
 */
defineProps<{ to: string | null; subject: string; text: string; html?: string; links?: boolean }>()
const asHtml = ref(false)
/** Words and addresses in turn: only those of a letter that arrived are there to be followed. */
const pieces = (text: string) => text.split(/(https?:\/\/\S+)/)
</script>

<template>
  <article class="letter">
    <header>
      <p class="soft">
        {{ t('messages.to') }} <span class="num">{{ to ?? t('messages.noAddress') }}</span>
      </p>
      <h3>{{ subject }}</h3>
      <p v-if="html" class="acts">
        <button class="word" :aria-pressed="!asHtml" @click="asHtml = false">{{ t('messages.plain') }}</button><button
          class="word"
          :aria-pressed="asHtml"
          @click="asHtml = true"
        >
          {{ t('messages.html') }}
        </button>
      </p>
    </header>
    <iframe v-if="html && asHtml" sandbox="" :srcdoc="html" :title="t('messages.html')" />
    <p v-else class="text">
      <template v-for="(piece, at) in pieces(text)" :key="at"
        ><a v-if="links && at % 2" :href="piece">{{ piece }}</a
        ><template v-else>{{ piece }}</template></template
      >
    </p>
  </article>
</template>

<style scoped>
.letter {
  border: 1px solid var(--line);
  background: var(--sheet);
  display: grid;
}
header {
  padding: 10px 14px;
  border-bottom: 1px solid var(--line);
  display: grid;
  gap: 3px;
}
.text {
  padding: 12px 14px;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
iframe {
  border: 0;
  width: 100%;
  height: 320px;
  background: #fbfaf5;
}
</style>
