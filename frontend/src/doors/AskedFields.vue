<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { defineAsyncComponent, useId } from 'vue'
import type { JoinLook } from '@/shared/api'
import { t } from '@/shared/words'

// Loaded where there are choices only.
const PickOne = defineAsyncComponent(() => import('@/ui/PickOne.vue'))
/** What whoever asks for a place is asked: the questions of the kind of site, or why they ask. */
defineProps<{
  questions: JoinLook['questions']
  question: string
  wrong?: (field: string) => string
}>()
const why = defineModel<string>('why', { required: true })
const answers = defineModel<string[]>('answers', { required: true })
const id = useId()
const answer = (index: number, text: string | undefined) => {
  const said = [...answers.value]
  while (said.length <= index) said.push('')
  said[index] = text ?? ''
  answers.value = said
}
</script>

<template>
  <div v-for="(each, index) in questions" :key="index" class="field">
    <PickOne
      v-if="each.choices.length"
      stacked
      fluid
      :label="each.text"
      :placeholder="t('join.choose')"
      :options="each.choices.map((choice) => ({ value: choice, label: choice }))"
      :model-value="answers[index]"
      @update:model-value="answer(index, $event)"
    />
    <template v-else
      ><label :for="id + index">{{ each.text }}</label
      ><InputText
        :id="id + index"
        maxlength="300"
        :model-value="answers[index] ?? ''"
        fluid
        @update:model-value="answer(index, $event)"
    /></template>
    <span v-if="wrong?.('answers/' + index)" class="wrong" role="alert">{{ wrong('answers/' + index) }}</span>
  </div>
  <div v-if="!questions.length" class="field">
    <label :for="id">{{ t('join.why') }}</label><InputText
      :id="id"
      v-model="why"
      maxlength="300"
      :aria-describedby="id + 'hint'"
      fluid
    /><span :id="id + 'hint'" class="hint">{{ question || t('join.whyHint') }}</span>
  </div>
</template>
