<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { api, Problem, take, type OpenDivision } from '@/shared/api'
import { platformName } from '@/shared/appearance'
import { useBusy } from '@/shared/busy'
import { listed } from '@/shared/lists'
import { t } from '@/shared/words'
import PickOne from '@/ui/PickOne.vue'
import PlatformMark from '@/ui/PlatformMark.vue'

/** Somebody asks for an account of their own. What is answered does not tell whether they are known. */
const { data, error } = useQuery({ queryKey: ['register'], queryFn: () => take(api.GET('/register')) })
const divisions = computed(() => data.value?.items ?? [])
const form = reactive({ division: '', given: '', family: '', email: '', number: '', level: '', code: '' })
const at = computed<OpenDivision | undefined>(() => divisions.value.find(({ code }) => code === form.division))
watch(divisions, (all) => all.length === 1 && (form.division = all[0]!.code), { immediate: true })
const asks = (what: OpenDivision['asks'][number]) => at.value?.asks.includes(what)
const levels = computed(() => {
  const names = at.value?.levels
  if (!names) return Array.from({ length: 40 }, (_, index) => ({ value: String(index + 1), label: String(index + 1) }))
  return names.names.map((label, index) => ({ value: String(names.first + index), label }))
})
const asked = ref(false)
const problem = shallowRef<Problem | null>(null)
const FIELDS = ['division', 'given', 'family', 'email', 'number', 'level', 'code'] as const
const wrong = (field: (typeof FIELDS)[number]) => problem.value?.field(field)
const general = computed(() => (problem.value && !FIELDS.some(wrong) ? problem.value.message : ''))
const { busy, run } = useBusy((thrown) => {
  if (thrown instanceof Problem) problem.value = thrown
  else throw thrown
})
const go = () =>
  run(async () => {
    problem.value = null
    await take(api.POST('/register', { body: { ...form, level: form.level ? Number(form.level) : null } }))
    asked.value = true
  })
</script>

<template>
  <div class="page short">
    <p class="whose"><PlatformMark :size="28" />{{ platformName }}</p>
    <h1>{{ t('register.title') }}</h1>
    <p v-if="error" class="callout bad" role="alert">{{ error.message }}</p>
    <p v-else-if="data && !divisions.length" class="callout">{{ t('register.nowhere') }}</p>
    <template v-else-if="asked">
      <p class="callout" role="status">{{ t('register.asked', { email: form.email }) }}</p>
      <p class="soft">{{ t('register.askedMore') }}</p>
    </template>
    <form v-else-if="data" novalidate @submit.prevent="go">
      <div v-if="divisions.length > 1" class="field">
        <PickOne
          v-model="form.division"
          stacked
          fluid
          :label="t('register.division')"
          :placeholder="t('register.choose')"
          :options="divisions.map(({ code, name }) => ({ value: code, label: name }))"
        /><span v-if="wrong('division')" class="wrong" role="alert">{{ wrong('division') }}</span>
      </div>
      <template v-if="at">
        <p v-if="at.welcome" class="welcome">{{ at.welcome }}</p>
        <div class="field">
          <label for="given">{{ t('register.given') }}</label><InputText
            id="given"
            v-model="form.given"
            autocomplete="given-name"
            maxlength="80"
            fluid
          />
          <span v-if="wrong('given')" class="wrong" role="alert">{{ wrong('given') }}</span>
        </div>
        <div class="field">
          <label for="family">{{ t('register.family') }}</label><InputText
            id="family"
            v-model="form.family"
            autocomplete="family-name"
            maxlength="80"
            fluid
          />
          <span v-if="wrong('family')" class="wrong" role="alert">{{ wrong('family') }}</span>
        </div>
        <div class="field">
          <label for="email">{{ t('register.email') }}</label><InputText
            id="email"
            v-model="form.email"
            type="email"
            autocomplete="email"
            maxlength="190"
            fluid
            aria-describedby="email-hint"
          />
          <span v-if="at.for === 'domains'" id="email-hint" class="hint">{{
            t('register.domains', { domains: listed(at.domains) })
          }}</span>
          <span v-if="wrong('email')" class="wrong" role="alert">{{ wrong('email') }}</span>
        </div>
        <div v-if="asks('number')" class="field">
          <label for="number">{{ t('register.number') }}</label><InputText
            id="number"
            v-model="form.number"
            maxlength="40"
            fluid
          />
          <span v-if="wrong('number')" class="wrong" role="alert">{{ wrong('number') }}</span>
        </div>
        <div v-if="asks('level')" class="field">
          <PickOne
            v-model="form.level"
            stacked
            fluid
            :label="t('register.level')"
            :placeholder="t('register.choose')"
            :options="levels"
          /><span v-if="wrong('level')" class="wrong" role="alert">{{ wrong('level') }}</span>
        </div>
        <div v-if="at.for === 'code'" class="field">
          <label for="code">{{ t('register.code') }}</label><InputText
            id="code"
            v-model="form.code"
            autocomplete="off"
            autocapitalize="none"
            maxlength="120"
            fluid
            aria-describedby="code-hint"
          />
          <span id="code-hint" class="hint">{{ t('register.codeHint') }}</span>
          <span v-if="wrong('code')" class="wrong" role="alert">{{ wrong('code') }}</span>
        </div>
        <p v-if="at.approved" class="soft">{{ t('register.approved') }}</p>
        <p v-if="general" class="callout bad" role="alert">{{ general }}</p>
        <Button type="submit" :disabled="busy" :label="t('register.button')" />
      </template>
    </form>
    <p>
      <RouterLink to="/sign-in">{{ t('register.back') }}</RouterLink>
    </p>
  </div>
</template>

<style scoped>
.whose {
  display: flex;
  gap: 10px;
  align-items: center;
  font-family: var(--title);
  font-weight: 700;
}
.welcome {
  white-space: pre-line;
}
</style>
