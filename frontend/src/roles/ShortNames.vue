<script setup lang="ts">
import Textarea from 'primevue/textarea'
import { computed, ref, watch } from 'vue'
import type { Rules } from '@/shared/api'
import { t } from '@/shared/words'

/** Which given names are shortened to what: a line each, to be read, and changed by those who may. */
const props = defineProps<{
  rules: Rules
  mayChange: boolean
  wrongAt: (where: string) => string[]
  edit: () => Rules
}>()
const written = (rows: string[][]) => rows.map(([name, ...short]) => `${name}: ${short.join(', ')}`).join('\n')
const read = (text: string) =>
  text
    .split('\n')
    .map((line) =>
      line
        .split(/[:,]/)
        .map((name) => name.trim())
        .filter(Boolean),
    )
    .filter((row) => row.length)
const text = ref(written(props.rules.nicknames))
/** What is put back or dropped shows; what is being typed stays as it is typed. */
watch(
  () => props.rules.nicknames,
  (rows) => JSON.stringify(read(text.value)) === JSON.stringify(rows) || (text.value = written(rows)),
)
const wrong = computed(() => [...props.wrongAt('nicknames')])
</script>

<template>
  <p class="soft">{{ t('rules.names.more') }}</p>
  <div v-if="mayChange" class="field">
    <label for="short-names">{{ t('rules.names.label') }}</label>
    <Textarea
      id="short-names"
      v-model="text"
      rows="16"
      spellcheck="false"
      :aria-invalid="wrong.length > 0"
      @input="edit().nicknames = read(text)"
    />
    <span v-for="sentence in wrong" :key="sentence" class="wrong" role="alert">{{ sentence }}</span>
  </div>
  <dl v-else>
    <template v-for="[name, ...short] in rules.nicknames" :key="name"
      ><dt>{{ name }}</dt>
      <dd>{{ short.join(', ') }}</dd></template
    >
  </dl>
</template>

<style scoped>
textarea {
  max-width: 560px;
  width: 100%;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 2px 18px;
  margin: 0;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
</style>
