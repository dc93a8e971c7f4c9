<script setup lang="ts">
import { useRouter } from 'vue-router'
import type { AskingVerb } from '@/roster/asked'
import { inSentence, t, tIn } from '@/shared/words'

/** What can be done to all of those chosen in the roster. */
defineProps<{ chosen: string[]; verbs: AskingVerb[]; of: number; mayWrite: boolean }>()
const verb = defineModel<AskingVerb | ''>('verb', { required: true })
const emit = defineEmits<{ all: []; none: []; write: [] }>()
const router = useRouter()
</script>

<template>
  <p class="picked no-print" role="status">
    <strong class="nums">{{ t('changeList.chosen', { n: $n(chosen.length) }, chosen.length) }}:</strong>
    <button v-for="each in verbs" :key="each" class="word" :aria-pressed="verb === each" @click="verb = each">
      {{ tIn('changeList.words', each) }}
    </button>
    <button v-if="mayWrite && chosen.length <= 500" class="word" @click="emit('write')">
      {{ t('messages.write.them') }}
    </button>
    <button class="word" @click="router.push({ name: 'people', state: { people: chosen } })">
      {{ t('people.elsewhere') }}
    </button>
    <button v-if="chosen.length <= 300" class="word" @click="router.push({ name: 'cards', state: { people: chosen } })">
      {{ inSentence(t('changeList.cards')) }}
    </button>
    <button v-if="chosen.length < of" class="word" @click="emit('all')">
      {{ t('changeList.all', { n: $n(of) }) }}
    </button>
    <button class="word" @click="emit('none')">{{ t('changeList.none') }}</button>
  </p>
</template>
