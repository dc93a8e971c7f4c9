<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, take } from '@/shared/api'
import { useForm } from '@/shared/busy'
import { t } from '@/shared/words'

/** Asks for a link to set a new password. What is answered does not tell whether there is such an account. */
const login = ref(String(useRoute().query.login ?? ''))
const asked = ref(false)
const { busy, wrong, run } = useForm()
const go = () =>
  run(async () => {
    await take(api.POST('/forgotten-password', { body: { login: login.value } }))
    asked.value = true
  })
</script>

<template>
  <div class="page short">
    <h1>{{ t('forgotten.title') }}</h1>
    <template v-if="asked">
      <p class="callout" role="status">{{ t('forgotten.asked') }}</p>
      <p class="soft">{{ t('forgotten.noMail') }}</p>
    </template>
    <template v-else>
      <p>{{ t('forgotten.more') }}</p>
      <form @submit.prevent="go">
        <div class="field">
          <label for="login">{{ t('signIn.login') }}</label><InputText
            id="login"
            v-model="login"
            autocomplete="username"
            autocapitalize="none"
            spellcheck="false"
            required
            maxlength="190"
            autofocus
            fluid
          />
        </div>
        <p v-if="wrong" class="callout bad" role="alert">{{ wrong }}</p>
        <Button type="submit" :disabled="busy || !login.trim()" :label="t('forgotten.button')" />
      </form>
      <p class="soft">{{ t('forgotten.noMail') }}</p>
    </template>
    <p>
      <RouterLink to="/sign-in">{{ t('forgotten.back') }}</RouterLink>
    </p>
  </div>
</template>
