<script setup lang="ts">
import Button from 'primevue/button'
import { computed, reactive, ref } from 'vue'
import { t } from '@/shared/words'
import PickOne from '@/ui/PickOne.vue'
import Tick from '@/ui/Tick.vue'
import type { ByHand, ColumnIs, Word } from './pasted'

/** One line to be read as somebody says: what each word is, where another person begins, or that it is one person. */
const props = defineProps<{ words: Word[]; begins: number[]; hand?: ByHand }>()
const emit = defineEmits<{ read: [hand: ByHand, columns: Record<string, ColumnIs>]; forget: []; close: [] }>()
const words = reactive<Record<string, ColumnIs | ''>>({ ...props.hand?.words })
const cuts = ref<number[]>([...props.begins])
const one = ref(!!props.hand?.one)
const whole = ref(false)
const cells = computed(() => new Set(props.words.map(({ cell }) => cell)).size)
const options = [
  { value: '' as const, label: t('pasted.hand.as-read') },
  ...(['given', 'family', 'remark'] as const).map((value) => ({ value, label: t(`pasted.hand.${value}`) })),
]
const begin = (piece: number, yes: boolean) =>
  (cuts.value = yes ? [...cuts.value, piece] : cuts.value.filter((each) => each !== piece))

function read() {
  const said = Object.fromEntries(Object.entries(words).filter(([, is]) => is)) as Record<string, ColumnIs>
  const columns = Object.fromEntries(
    props.words.flatMap(({ piece, cell }) => (said[piece] ? [[String(cell), said[piece]]] : [])),
  )
  // Where people begin is said only by whoever says it otherwise than it was read.
  const otherwise = cuts.value.length !== props.begins.length || cuts.value.some((each) => !props.begins.includes(each))
  const own = otherwise ? cuts.value : (props.hand?.cuts ?? [])
  const single = one.value || (otherwise && !own.length)
  emit('read', { one: single, cuts: single ? [] : own, words: said, meant: true }, whole.value ? columns : {})
}
</script>

<template>
  <form class="hand" @submit.prevent="read">
    <fieldset>
      <legend>{{ t('pasted.hand.title') }}</legend>
      <ul>
        <li v-for="({ text, piece }, index) in props.words" :key="piece">
          <strong>{{ text }}</strong>
          <PickOne
            :model-value="words[piece] ?? ''"
            :label="t('pasted.hand.is', { word: text })"
            :options="options"
            size="small"
            @update:model-value="words[piece] = $event ?? ''"
          />
          <Tick
            v-if="index && !one"
            :model-value="cuts.includes(piece)"
            @update:model-value="begin(piece, $event === true)"
            >{{ t('pasted.hand.begins') }}</Tick
          >
        </li>
      </ul>
      <p v-if="begins.length || one">
        <Tick v-model="one">{{ t('pasted.hand.one') }}</Tick>
      </p>
      <p v-if="cells > 1">
        <Tick v-model="whole">{{ t('pasted.hand.column') }}</Tick>
      </p>
    </fieldset>
    <p class="acts">
      <Button type="submit" size="small" :label="t('pasted.hand.read')" />
      <button v-if="hand" type="button" class="word" @click="$emit('forget')">{{ t('pasted.hand.forget') }}</button>
      <button type="button" class="word" @click="$emit('close')">{{ t('parts.cancel') }}</button>
    </p>
  </form>
</template>

<style scoped>
.hand {
  background: var(--mint-pale);
  border-radius: 4px;
  padding: 8px 12px;
  margin: 4px 0;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
}
legend {
  padding: 0;
  font-weight: 600;
  font-size: 0.92rem;
}
ul {
  list-style: none;
  margin: 4px 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
}
li {
  display: grid;
  gap: 2px;
  align-content: start;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  margin-top: 6px;
}
</style>
