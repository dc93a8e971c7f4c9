<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { useId } from 'vue'
import { readTime } from '@/shared/days'
import { t } from '@/shared/words'
import { useTyped } from './typed'

/** A time of the day as HH:MM, typed as people write it: 9, 9:30, 930, 2 pm. */
defineOptions({ inheritAttrs: false })
const time = defineModel<string>({ default: '' })
defineProps<{ label: string }>()
const own = useId()
const { text, wrong, settle } = useTyped(time, readTime, (each) => each)
</script>

<template>
  <span>
    <label :for="own">{{ label }}</label>
    {{ ' '
    }}<InputText
      v-bind="$attrs"
      :id="own"
      v-model="text"
      class="nums"
      size="small"
      maxlength="8"
      autocomplete="off"
      :invalid="wrong"
      :style="{ width: '5.5em' }"
      @blur="settle"
    />
    <span v-if="wrong" class="clay" role="alert">{{ t('time.wrong') }}</span>
  </span>
</template>
