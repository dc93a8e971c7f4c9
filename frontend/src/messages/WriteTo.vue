<script setup lang="ts">
import Button from 'primevue/button'
import Textarea from 'primevue/textarea'
import { onMounted, ref } from 'vue'
import { api, Problem, take, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { refresh } from '@/shared/queries'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'
import DockedColumn from '@/ui/DockedColumn.vue'

/** Words to some people of a site: to a group, or to those chosen. */
const props = defineProps<{ site: Pick<Site, 'id'>; to: string; people: string[] }>()
const emit = defineEmits<{ close: [] }>()
const words = ref('')
const wrong = ref('')
onMounted(() => document.getElementById('write-words')?.focus())

const { busy, run } = useBusy()
async function sent() {
  const body = { people: props.people, words: words.value }
  const path = { site: props.site.id }
  try {
    const { queued, without, gone } = await take(api.POST('/sites/{site}/letters', { params: { path }, body }))
    const left = [
      without.length ? t('messages.write.without', { names: without.join(', ') }) : '',
      gone ? t('messages.write.gone', { n: gone }, gone) : '',
    ]
    done(t('messages.write.did', { n: queued }, queued), undefined, left.filter(Boolean).join(' '))
    emit('close')
    await refresh('messages')
  } catch (error) {
    wrong.value = error instanceof Problem ? (error.field('words') ?? error.field('people') ?? '') : ''
    if (!wrong.value) throw error
  }
}
const send = () => run(sent)
</script>

<template>
  <DockedColumn name="write" :label="t('messages.write.title', { to })" closes @close="emit('close')">
    <h2>{{ t('messages.write.title', { to }) }}</h2>
    <slot />
    <form @submit.prevent="send">
      <label for="write-words">{{ t('messages.write.words') }}</label>
      <Textarea
        id="write-words"
        v-model="words"
        rows="8"
        fluid
        maxlength="2000"
        :invalid="wrong !== ''"
        :aria-describedby="wrong ? 'write-wrong' : undefined"
      />
      <p v-if="wrong" id="write-wrong" class="wrong" role="alert">{{ wrong }}</p>
      <p class="soft">{{ t('messages.write.each') }}</p>
      <p class="acts">
        <Button
          type="submit"
          size="small"
          :disabled="busy || !words.trim() || !people.length"
          :label="t('messages.write.send', { n: $n(people.length) }, people.length)"
        />
        <button type="button" class="word" @click="emit('close')">{{ t('parts.cancel') }}</button>
      </p>
    </form>
  </DockedColumn>
</template>

<style scoped>
h2 {
  padding-right: 60px;
  overflow-wrap: anywhere;
}
form {
  display: grid;
  gap: 8px;
}
.soft {
  font-size: 0.9rem;
}
.wrong {
  color: var(--clay);
}
.acts {
  display: flex;
  gap: 14px;
  align-items: center;
}
</style>
