<script setup lang="ts">
import Button from 'primevue/button'
import { computed, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useBusy } from '@/shared/busy'
import { browserLocale, browserZone } from '@/shared/own'
import { guiding } from '@/shared/guiding'
import { t } from '@/shared/words'
import NumberRules from '@/roles/NumberRules.vue'
import ReadyRoles from '@/roles/ReadyRoles.vue'
import { problemSentence as ruleProblem, useRules } from '@/roles/rules'
import DivisionSettings from '@/platform/DivisionSettings.vue'
import GeneralSettings from '@/platform/GeneralSettings.vue'
import LanguageSettings from '@/platform/LanguageSettings.vue'
import MailSettings from '@/platform/MailSettings.vue'
import SettingsDifferences from '@/platform/SettingsDifferences.vue'
import TermSettings from '@/platform/TermSettings.vue'
import { problemSentence, useSettings } from '@/platform/settings'
import Trouble from '@/ui/Trouble.vue'
import { useFirstSteps, type Step } from './firstSteps'

/** From an empty platform to the first class: each step says what it is for, and is done, left out, or come back to. */
const route = useRoute()
const router = useRouter()
const { steps, open, error, refetch, say } = useFirstSteps()
guiding.value = true

const step = computed<Step | undefined>(
  () => steps.value.find((each) => each.step === route.params.step)?.step ?? open.value[0] ?? steps.value[0]?.step,
)
const state = computed(() => steps.value.find((each) => each.step === step.value)?.state)
const done = computed(() => steps.value.length > 0 && open.value.length === 0)
const allSettings = useSettings()
const allRules = useRules()
/** Steps that are written on this page; the others lead to the page where it is done. */
const OF_SETTINGS: readonly Step[] = ['name', 'language', 'divisions', 'terms', 'mail']
const OF_RULES: readonly Step[] = ['numbers', 'roles']
const draft = computed(() => {
  if (step.value && OF_SETTINGS.includes(step.value)) return allSettings
  return step.value && OF_RULES.includes(step.value) ? allRules : null
})
const settings = computed(() => ({
  settings: allSettings.settings.value!,
  mayChange: true,
  wrongAt: allSettings.wrongAt,
  edit: allSettings.edit,
  known: allSettings.known,
}))
const rules = computed(() => ({ rules: allRules.rules.value!, edit: allRules.edit }))
const problems = computed(() => {
  if (draft.value === allSettings) return allSettings.preview.value?.problems.map(problemSentence) ?? []
  return draft.value ? (allRules.preview.value?.problems.map((each) => ruleProblem(each, allRules.roleName)) ?? []) : []
})
const ready = computed(() => !draft.value?.changed.value || (!draft.value.looking.value && !problems.value.length))
const { busy, run } = useBusy()

/** What was written in another step is dropped with it. */
watch(step, () => {
  allSettings.drop()
  allRules.drop()
})
// A place mostly is where its administrator sits.
watch(
  () => step.value === 'language' && state.value === 'open' && !!allSettings.settings.value,
  (asked) => {
    if (!asked) return
    for (const division of allSettings.edit().divisions.filter(({ parent }) => !parent)) {
      division.language = browserLocale
      division.timeZone = browserZone
    }
  },
  { immediate: true, flush: 'post' },
)

// On a phone the steps are a line that is longer than the page.
watch(
  () => [step.value, steps.value.length, !!allSettings.settings.value],
  () => document.querySelector('[aria-current=step]')?.scrollIntoView({ inline: 'center', block: 'nearest' }),
  { flush: 'post' },
)

async function goOn(from: Step) {
  const next = steps.value.find((each) => each.step === from)?.next
  await router.push({ name: 'first-steps', params: { step: next ?? from } })
  document.getElementById('step-title')?.focus()
}

const save = () =>
  run(async () => {
    const here = step.value!
    const all = draft.value
    if (all?.changed.value) {
      // The one division there is from the beginning is the whole of it, and is called so.
      const only = allSettings.settings.value?.divisions
      if (here === 'name' && only?.length === 1 && only[0]!.code === FIRST) {
        allSettings.edit().divisions[0]!.name = allSettings.settings.value!.name
      }
      await all.save()
      if (all.changed.value) return
    }
    await say(here, 'done')
    await goOn(here)
  })
const FIRST = 'main'
const leaveOut = () => run(async () => (await say(step.value!, 'left-out'), await goOn(step.value!)))
const finish = () => {
  guiding.value = false
  void router.push('/')
}
</script>

<template>
  <div class="page">
    <h1>{{ t('firstSteps.title') }}</h1>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <div v-else-if="step && allSettings.settings.value && allRules.rules.value" class="two">
      <nav :aria-label="t('firstSteps.title')">
        <ol>
          <li v-for="each in steps" :key="each.step">
            <RouterLink
              :to="{ name: 'first-steps', params: { step: each.step } }"
              :class="[each.state, { on: each.step === step }]"
              :aria-current="each.step === step ? 'step' : undefined"
              ><span>{{ t(`firstSteps.step.${each.step}.short`) }}</span
              ><span class="soft state">{{ t(`firstSteps.state.${each.state}`) }}</span></RouterLink
            >
          </li>
        </ol>
        <p class="soft">{{ t('firstSteps.open', { n: open.length }, open.length) }}</p>
        <button class="word" @click="finish">{{ t(done ? 'firstSteps.finish' : 'firstSteps.later') }}</button>
      </nav>
      <section aria-labelledby="step-title">
        <h2 id="step-title" tabindex="-1">{{ t(`firstSteps.step.${step}.title`) }}</h2>
        <p class="soft">{{ t(`firstSteps.step.${step}.why`) }}</p>
        <GeneralSettings v-if="step === 'name'" v-bind="settings" :preview="allSettings.preview.value" />
        <LanguageSettings v-else-if="step === 'language'" v-bind="settings" />
        <DivisionSettings v-else-if="step === 'divisions'" v-bind="settings" />
        <TermSettings v-else-if="step === 'terms'" v-bind="settings" />
        <NumberRules v-else-if="step === 'numbers'" v-bind="rules" may-change :wrong-at="allRules.wrongAt" />
        <ReadyRoles v-else-if="step === 'roles'" v-bind="rules" />
        <MailSettings
          v-else-if="step === 'mail'"
          v-bind="settings"
          :password-kept="allSettings.book.value?.mailPassword ?? false"
        />
        <p v-else-if="step === 'people'" class="ways">
          <Button as="RouterLink" :to="{ name: 'make-accounts' }" :label="t('firstSteps.step.people.go')" />
        </p>
        <p v-else class="ways">
          <Button as="RouterLink" :to="{ name: 'new-site' }" :label="t('firstSteps.step.site.go')" />
        </p>
        <SettingsDifferences
          v-if="draft === allSettings && allSettings.changed.value && allSettings.preview.value"
          :preview="allSettings.preview.value"
        />
        <p v-if="draft?.wrong.value" class="clay" role="alert">{{ draft.wrong.value.message }}</p>
        <!-- The other parts say at each place what is wrong there. -->
        <ul v-if="step === 'roles' && draft?.changed.value" class="clay problems">
          <li v-for="problem in problems" :key="problem">{{ problem }}</li>
        </ul>
        <p class="acts">
          <Button
            v-if="draft"
            :disabled="busy || !ready"
            :label="t(draft.changed.value ? 'firstSteps.save' : 'firstSteps.right')"
            @click="save"
          />
          <button v-if="draft?.changed.value" class="word" @click="draft.drop">{{ t('draft.drop') }}</button>
          <button v-else-if="state === 'open'" class="word" :disabled="busy" @click="leaveOut">
            {{ t('firstSteps.leaveOut') }}
          </button>
        </p>
        <p class="soft">{{ t(`firstSteps.step.${step}.later`) }}</p>
      </section>
    </div>
    <span v-else class="skeleton" style="display: block; width: 300px; height: 24px" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 14px;
  align-content: start;
  max-width: 1180px;
}
.two {
  display: grid;
  grid-template-columns: 230px minmax(0, 1fr);
  gap: 36px;
  align-items: start;
}
nav {
  display: grid;
  gap: 10px;
  justify-items: start;
  position: sticky;
  top: 0;
}
ol {
  list-style: none;
  counter-reset: step;
  margin: 0;
  padding: 0;
  width: 100%;
}
ol a {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  padding: 6px 8px;
  border-left: 4px solid var(--line);
  color: var(--ink);
  text-decoration: none;
}
ol a.done {
  border-left-color: var(--spruce);
}
ol a.on {
  background: var(--mint-pale);
  font-weight: 650;
}
.state {
  font-size: 0.88rem;
  font-weight: 400;
}
section {
  display: grid;
  gap: 12px;
  align-content: start;
  min-width: 0;
}
#step-title {
  outline: none;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
  padding-top: 6px;
}
.problems {
  margin: 0;
  padding: 0;
  list-style: none;
}
@media (max-width: 760px) {
  .two {
    grid-template-columns: 1fr;
    gap: 16px;
  }
  nav {
    position: static;
  }
  ol {
    display: flex;
    overflow-x: auto;
  }
  ol a {
    flex-direction: column;
    gap: 0;
    border-left: 0;
    border-bottom: 4px solid var(--line);
    white-space: nowrap;
  }
  ol a.done {
    border-bottom-color: var(--spruce);
  }
}
</style>
