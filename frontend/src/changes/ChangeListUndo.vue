<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import type { ChangeReview } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { t } from '@/shared/words'
import { sayLine } from './changeLists'

/** What taking a change list back would do, before it is done; of many people their number is typed. */
const props = defineProps<{ review: ChangeReview; busy: boolean }>()
const emit = defineEmits<{ undo: [removing: number | null]; close: [] }>()
const { roleName } = usePlatform()
const typed = ref('')
const left = computed(() => props.review.lines.filter((line) => line.verdict !== 'ready'))
</script>

<template>
  <section class="callout bad" :aria-label="t('changeLists.undo')">
    <p class="follows">
      {{ t('undo.will', { n: review.verdicts.ready ?? 0 }, review.verdicts.ready ?? 0) }}
      {{ left.length ? t('undo.left', { n: left.length }, left.length) : '' }}
    </p>
    <ul v-if="left.length">
      <li v-for="line in left.slice(0, 50)" :key="line.key">
        {{ line.person.name }}, {{ line.site.title }}:
        {{
          sayLine(
            { ...line, position: 0, text: '', note: '', verb: 'undo', role: null, line: null, message: null },
            roleName,
          )
        }}
      </li>
    </ul>
    <p v-if="review.removal">
      <label
        >{{ t('changeList.many', review.removal) }}
        <InputText v-model="typed" size="small" class="figures" inputmode="numeric"
      /></label>
    </p>
    <p class="acts">
      <Button
        size="small"
        severity="danger"
        :disabled="
          busy || !(review.verdicts.ready ?? 0) || (!!review.removal && Number(typed) !== review.removal.people)
        "
        :label="t('changeLists.undoNow', { n: review.verdicts.ready ?? 0 }, review.verdicts.ready ?? 0)"
        @click="emit('undo', review.removal ? Number(typed) : null)"
      /><button class="word" @click="emit('close')">{{ t('parts.cancel') }}</button>
    </p>
  </section>
</template>

<style scoped>
ul {
  margin: 4px 0;
  padding-left: 18px;
}
</style>
