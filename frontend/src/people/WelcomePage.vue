<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useI18n } from 'vue-i18n'
import { api, take } from '@/app/api'
import { useForm } from '@/app/busy'
import { signIn } from '@/app/me'

const { t } = useI18n()
const router = useRouter()
const token = useRoute().hash.slice(1)
const password = ref('')
const { busy, wrong, run } = useForm(token ? '' : t('welcome.noToken'))
const go = () => run(async () => {
  const { login } = await take(api.POST('/first-password', { body: { token, password: password.value } }))
  await signIn(login, password.value)
  await router.push('/')
})
</script>

<template>
  <div class="page short">
    <h1>{{ $t('welcome.title') }}</h1>
    <p>{{ $t('welcome.more') }}</p>
    <form @submit.prevent="go">
      <div class="field">
        <label for="password">{{ $t('welcome.password') }}</label>
        <InputText id="password" v-model="password" type="password" autocomplete="new-password" required minlength="10" maxlength="200" aria-describedby="hint" fluid />
        <span id="hint" class="hint">{{ $t('welcome.hint') }}</span>
      </div>
      <p v-if="wrong" class="callout bad" role="alert">{{ wrong }}</p>
      <Button type="submit" :label="$t('welcome.button')" :disabled="busy || !token" />
    </form>
  </div>
</template>
