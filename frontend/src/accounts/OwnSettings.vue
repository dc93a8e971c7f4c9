<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, Problem, take } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { platformNow } from '@/shared/clock'
import { me } from '@/shared/me'
import { browserLocale, browserZone, languageName, settledOtherwise } from '@/shared/own'
import { languageOptions, zoneOptions } from '@/shared/tags'
import { wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import PickOne from '@/ui/PickOne.vue'

/** How one wants days and numbers written, and by which clock. */
const route = useRoute()
const section = ref<HTMLElement>()
watch(
  () => route.hash,
  (hash) => hash === '#settings' && section.value?.scrollIntoView({ block: 'center' }),
  { immediate: true, flush: 'post' },
)
const language = ref(me.value?.language ?? '')
const timeZone = ref(me.value?.timeZone ?? '')
const languages = computed(() => [
  { value: '', label: t('ownSettings.asBrowser', { what: languageName(browserLocale) }) },
  ...languageOptions(),
])
const zones = computed(() => [
  { value: '', label: t('ownSettings.asBrowser', { what: browserZone }) },
  ...zoneOptions(),
])
/** What it comes to. */
const example = computed(() =>
  new Intl.DateTimeFormat(language.value || browserLocale, {
    dateStyle: 'full',
    timeStyle: 'short',
    timeZone: timeZone.value || browserZone,
  }).format(platformNow()),
)
const number = computed(() => new Intl.NumberFormat(language.value || browserLocale).format(12_345.5))

const wrong = ref('')
const { busy, run } = useBusy((thrown) => {
  if (thrown instanceof Problem) wrong.value = thrown.message
  else wentWrong(thrown)
})
const save = () =>
  run(async () => {
    wrong.value = ''
    const body = { language: language.value || null, timeZone: timeZone.value || null }
    me.value = await take(api.PUT('/me/settings', { body }))
    if (settledOtherwise(me.value)) location.reload()
  })
</script>

<template>
  <section id="settings" ref="section" class="settings" :aria-label="t('ownSettings.title')">
    <h2>{{ t('ownSettings.title') }}</h2>
    <PickOne
      v-model="language"
      stacked
      fluid
      :label="t('ownSettings.language')"
      :options="languages"
      :disabled="busy"
      @change="save"
    />
    <PickOne
      v-model="timeZone"
      stacked
      fluid
      :label="t('ownSettings.zone')"
      :options="zones"
      :disabled="busy"
      @change="save"
    />
    <p class="soft">{{ t('ownSettings.example', { day: example, number }) }}</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.settings {
  display: grid;
  gap: 10px;
  max-width: 420px;
}
</style>
