<script setup lang="ts">
import { ref } from 'vue'
import { api, Problem, take, type PersonCard, type Site } from '@/shared/api'
import { fullName } from '@/shared/sentences'
import { done, refreshSite, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import LabelInput from './LabelInput.vue'
import HelpWord from '@/ui/HelpWord.vue'

/** The labels of one person, put on and taken off in their place. */
const props = defineProps<{ site: Site; card: PersonCard }>()
const typed = ref('')
const wrong = ref('')
const busy = ref(false)

async function put(label: string, on: boolean) {
  if (busy.value || !label.trim()) return
  busy.value = true
  wrong.value = ''
  try {
    const changeList = await take(
      api.POST('/sites/{site}/labels', {
        params: { path: { site: props.site.id } },
        body: { label, people: [props.card.person.id], on, apply: true },
      }),
    )
    const entry = changeList.lines[0]?.entry ?? null
    done(
      t(entry === null ? 'did.nothing' : `label.did.${on ? 'onOne' : 'offOne'}`, {
        name: fullName(props.card.person),
        label: label.trim(),
      }),
      { site: props.site.id, entry },
    )
    typed.value = ''
    await refreshSite()
  } catch (error) {
    wrong.value = (error instanceof Problem && error.field('label')) || ''
    if (!wrong.value) wentWrong(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section>
    <h3>
      <HelpWord term="label">{{ t('label.title') }}</HelpWord>
    </h3>
    <ul v-if="card.labels.length">
      <li v-for="label in card.labels" :key="label">
        {{ label }}
        <button class="word" :aria-label="t('label.off', { name: label })" :disabled="busy" @click="put(label, false)">
          {{ t('label.off', { name: '' }) }}
        </button>
      </li>
    </ul>
    <p v-else class="soft">{{ t('label.any') }}</p>
    <form @submit.prevent="put(typed, true)">
      <LabelInput v-model="typed" :site="site" :label="t('label.add')" />
      <button class="word" :disabled="busy || !typed.trim()">{{ t('label.put') }}</button>
    </form>
    <p v-if="wrong" class="clay" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 4px 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
li {
  border-bottom: 2px dotted var(--soft);
}
form {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-top: 4px;
}
input {
  flex: 1;
  min-width: 0;
}
</style>
