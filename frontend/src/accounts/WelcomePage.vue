<script setup lang="ts">
import Button from 'primevue/button'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take } from '@/shared/api'
import { useForm } from '@/shared/busy'
import { signIn } from '@/shared/me'
import { t } from '@/shared/words'
import NewPassword from './NewPassword.vue'

const router = useRouter()
const token = useRoute().hash.slice(1)
const password = ref('')
const { busy, wrong, run } = useForm(token ? '' : t('welcome.noToken'))
const go = () =>
  run(async () => {
    const { login } = await take(api.POST('/first-password', { body: { token, password: password.value } }))
    await signIn(login, password.value)
    await router.push('/')
  })
</script>

<template>
  <div class="page short">
    <h1>{{ t('welcome.title') }}</h1>
    <p>{{ t('welcome.more') }}</p>
    <form @submit.prevent="go">
      <NewPassword id="password" v-model="password" :label="t('welcome.password')" />
      <p v-if="wrong" class="callout bad" role="alert">{{ wrong }}</p>
      <Button type="submit" :label="t('welcome.button')" :disabled="busy || !token" />
    </form>
  </div>
</template>
