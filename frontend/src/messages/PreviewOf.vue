<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed } from 'vue'
import { api, take, type MessageKind } from '@/shared/api'
import { t } from '@/shared/words'
import type { Sample } from './messages'
import LetterView from './LetterView.vue'

/** What somebody would read, as it is being written. */
const props = defineProps<{
  kind: MessageKind
  site?: string | null
  division?: string | null
  person?: string | null
  role?: string | null
  words?: string
  subject?: string | null
  body?: string | null
  sample?: Sample | null
  /** BCP 47; that of whoever gets it where none is named. */
  language?: string | null
}>()
const request = refDebounced(
  computed(() => ({
    kind: props.kind,
    site: props.site ?? null,
    division: props.division ?? null,
    person: props.person ?? null,
    role: props.role ?? null,
    words: props.words ?? '',
    subject: props.subject ?? null,
    body: props.body ?? null,
    sample: props.sample ?? null,
    language: props.language ?? null,
  })),
  300,
)
const { data: preview, error } = useQuery({
  queryKey: ['preview', 'message', request],
  queryFn: () => take(api.POST('/message-previews', { body: request.value })),
  placeholderData: keepPreviousData,
  retry: false,
})
</script>

<template>
  <p v-if="error" class="clay" role="alert">{{ error.message }}</p>
  <div v-else-if="preview">
    <LetterView :to="preview.to" :subject="preview.subject" :text="preview.text" :html="preview.html" />
    <p class="soft small">{{ t(`messages.whose.${preview.whose}`) }}</p>
  </div>
</template>

<style scoped>
.small {
  font-size: 0.9rem;
  margin-top: 4px;
}
</style>
