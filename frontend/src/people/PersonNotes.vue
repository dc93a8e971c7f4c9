<script setup lang="ts">
import Textarea from 'primevue/textarea'
import Button from 'primevue/button'
import { ref } from 'vue'
import { api, take, type PersonPage } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { ownZone as zone } from '@/shared/own'
import { dayAndTime } from '@/shared/sentences'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'

/** What staff wrote down about somebody: a phone call, an agreement. Seen by staff of their reach only. */
const props = defineProps<{ page: PersonPage }>()
const emit = defineEmits<{ changed: [] }>()
const text = ref('')
const { busy, run } = useBusy()
const write = () =>
  run(async () => {
    await take(
      api.POST('/people/{person}/notes', {
        params: { path: { person: props.page.person.id } },
        body: { text: text.value },
      }),
    )
    text.value = ''
    done(t('notes.did'))
    emit('changed')
  })
const takeBack = (note: string) =>
  run(async () => {
    const path = { params: { path: { person: props.page.person.id, note } } }
    await take(api.DELETE('/people/{person}/notes/{note}', path))
    done(t('notes.gone'), {
      back: async () => {
        await take(api.PUT('/people/{person}/notes/{note}', path))
        emit('changed')
        return ''
      },
    })
    emit('changed')
  })
</script>

<template>
  <section>
    <h2>{{ t('notes.title') }}</h2>
    <ul>
      <li v-for="note in page.notes" :key="note.id">
        <p class="said">{{ note.text }}</p>
        <p class="soft small">
          {{ note.by.name }}, {{ dayAndTime(note.at, zone) }}
          <button
            v-if="note.mine"
            class="word"
            :disabled="busy"
            :aria-label="t('notes.takeBackOf', { text: note.text.slice(0, 40) })"
            @click="takeBack(note.id)"
          >
            {{ t('notes.takeBack') }}
          </button>
        </p>
      </li>
    </ul>
    <form @submit.prevent="text.trim() && write()">
      <Textarea
        v-model="text"
        rows="2"
        maxlength="2000"
        :aria-label="t('notes.write')"
        :placeholder="t('notes.write')"
      />
      <Button type="submit" size="small" variant="outlined" :disabled="busy || !text.trim()" :label="t('notes.add')" />
    </form>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border-left: 3px solid var(--mint);
  padding: 2px 12px;
  margin-bottom: 8px;
}
.said {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
.small {
  font-size: 0.9rem;
}
form {
  display: flex;
  gap: 10px;
  align-items: start;
}
textarea {
  flex: 1;
}
</style>
