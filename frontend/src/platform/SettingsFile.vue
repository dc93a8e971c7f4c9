<script setup lang="ts">
import { useFileDialog } from '@vueuse/core'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { api, Problem, take, type SettingsPlan } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { refresh } from '@/shared/queries'
import { done, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import SettingsDifferences from './SettingsDifferences.vue'
import { problemSentence } from './settings'

/** Settings and rules as one file: saved, and brought in again after a look at what it would change. */
const file = ref<{ name: string; text: string } | null>(null)
const plan = ref<SettingsPlan | null>(null)
const wrong = ref('')
const { busy, run } = useBusy((thrown) => {
  if (thrown instanceof Problem && thrown.kind === 'invalid') wrong.value = thrown.message
  else wentWrong(thrown)
})
const { open, onChange } = useFileDialog({ accept: '.yaml,.yml', multiple: false, reset: true })
onChange((chosen) => {
  const one = chosen?.item(0)
  if (one) void look(one)
})

const look = (chosen: File) =>
  run(async () => {
    wrong.value = ''
    plan.value = null
    file.value = { name: chosen.name, text: await chosen.text() }
    plan.value = await take(api.PUT('/settings/file', { body: { text: file.value.text, apply: false } }))
  })
function drop() {
  file.value = plan.value = null
  wrong.value = ''
}
const apply = () =>
  run(async () => {
    const header = { 'If-Match': `"${plan.value!.version}"` }
    await take(api.PUT('/settings/file', { params: { header }, body: { text: file.value!.text, apply: true } }))
    await refresh('settings', 'settings-versions', 'platform', 'platform-log', 'rules', 'sites', 'people')
    done(t('platform.file.did', { name: file.value!.name }))
    drop()
  })

const problems = computed(() => [
  ...(plan.value?.settings?.problems ?? []).map(({ where, code, values }) => ({
    where,
    sentence: problemSentence({ where, code, values }),
  })),
  ...(plan.value?.rules?.problems ?? []).map(({ where }) => ({ where, sentence: t('platform.file.rulesWrong') })),
])
const nothing = computed(() => !plan.value?.settings?.differences.length && !plan.value?.otherRules)
const touched = computed(() => Math.max(0, ...(plan.value?.rules?.affected ?? []).map(({ people }) => people)))
</script>

<template>
  <section class="file">
    <h2>{{ t('platform.file.title') }}</h2>
    <p class="soft">{{ t('platform.file.more') }}</p>
    <p class="acts">
      <a href="/api/v1/settings/file" download="platform.yaml">{{ t('platform.file.save') }}</a>
      <Button size="small" variant="outlined" :disabled="busy" :label="t('platform.file.choose')" @click="open()" />
    </p>
    <p v-if="wrong" class="clay" role="alert">{{ file?.name }}: {{ wrong }}</p>
    <div v-else-if="file && plan" class="callout" role="status">
      <h3>{{ t('platform.file.would', { name: file.name }) }}</h3>
      <template v-if="problems.length">
        <p class="clay">{{ t('draft.wrong') }}</p>
        <ul>
          <li v-for="(problem, index) in problems" :key="index">
            <span class="num">{{ problem.where }}</span> {{ problem.sentence }}
          </li>
        </ul>
      </template>
      <p v-else-if="nothing">{{ t('platform.preview.nothing') }}</p>
      <SettingsDifferences v-if="plan.settings?.differences.length" :preview="plan.settings" />
      <p v-if="plan.otherRules">{{ t('platform.file.otherRules', { n: touched }, touched) }}</p>
      <p class="acts">
        <Button
          size="small"
          :disabled="busy || nothing || problems.length > 0"
          :label="t('platform.file.apply')"
          @click="apply"
        />
        <button class="word" @click="drop">{{ t('parts.cancel') }}</button>
      </p>
    </div>
  </section>
</template>

<style scoped>
.file {
  display: grid;
  gap: 8px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
</style>
