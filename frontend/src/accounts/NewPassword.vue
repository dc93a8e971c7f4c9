<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import InputText from 'primevue/inputtext'
import ProgressBar from 'primevue/progressbar'
import { computed, ref, watch } from 'vue'
import { t, tIn } from '@/shared/words'

/** A password somebody chooses, and how hard it would be to guess, said while it is typed. The server decides. */
const props = defineProps<{ id: string; label: string; wrong?: string; own?: string[] }>()
const password = defineModel<string>({ required: true })
const SHORTEST = 12
/** From 0, guessed at once, to 4; null while nothing is known. */
const score = ref<number | null>(null)
const slowly = refDebounced(password, 120)

let weigh: ((password: string) => number) | undefined
/** What weighs passwords is large, so that it is fetched once somebody types one. */
async function fetched() {
  if (!weigh) {
    const [{ ZxcvbnFactory }, common, english] = await Promise.all([
      import('@zxcvbn-ts/core'),
      import('@zxcvbn-ts/language-common'),
      import('@zxcvbn-ts/language-en'),
    ])
    const zxcvbn = new ZxcvbnFactory({
      dictionary: { ...common.dictionary, ...english.dictionary, own: props.own ?? [] },
      graphs: common.adjacencyGraphs,
    })
    weigh = (text) => zxcvbn.check(text.slice(0, 100)).score
  }
  return weigh
}
watch(slowly, async (text) => {
  score.value = text ? (await fetched())(text) : null
})
const missing = computed(() => Math.max(0, SHORTEST - [...password.value].length))
const said = computed(() => (missing.value || score.value === null ? 'short' : String(score.value)))
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <InputText
      :id="id"
      v-model="password"
      type="password"
      autocomplete="new-password"
      required
      :minlength="SHORTEST"
      maxlength="200"
      :aria-describedby="id + '-hint ' + id + '-strength'"
      :aria-invalid="!!wrong"
      fluid
    />
    <span :id="id + '-hint'" class="hint">{{ t('welcome.hint') }}</span>
    <template v-if="password">
      <ProgressBar
        :value="missing || score === null ? 6 : 20 + 20 * score"
        :show-value="false"
        :class="'strength s' + said"
        :aria-label="t('strength.label')"
      />
      <span :id="id + '-strength'" class="hint" role="status">
        {{ missing ? t('strength.short', { n: missing }, missing) : tIn('strength', said) }}
      </span>
    </template>
    <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </div>
</template>

<style scoped>
.strength {
  height: 6px;
}
.strength :deep(.p-progressbar-value) {
  transition: none;
}
.strength :deep(.p-progressbar-value) {
  background: var(--brass);
}
.strength.s0 :deep(.p-progressbar-value),
.strength.s1 :deep(.p-progressbar-value) {
  background: var(--clay);
}
.strength.s3 :deep(.p-progressbar-value),
.strength.s4 :deep(.p-progressbar-value) {
  background: var(--spruce);
}
</style>
