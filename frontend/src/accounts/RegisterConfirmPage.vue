<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take } from '@/shared/api'
import { platformName } from '@/shared/appearance'
import { useForm } from '@/shared/busy'
import { signIn } from '@/shared/me'
import { t } from '@/shared/words'
import PlatformMark from '@/ui/PlatformMark.vue'
import NewPassword from './NewPassword.vue'

/** Whoever comes by the link of their message shows that the address is theirs. */
const router = useRouter()
const token = useRoute().hash.slice(1)
const { data, error } = useQuery({
  queryKey: ['registration-link', token],
  retry: false,
  refetchOnWindowFocus: false,
  queryFn: () => take(api.POST('/register/look', { body: { token } })),
})
const password = ref('')
const waits = ref(false)
const { busy, wrong, run } = useForm()
const go = () =>
  run(async () => {
    const { login } = await take(api.POST('/register/confirm', { body: { token, password: password.value } }))
    if (login === null) {
      waits.value = true
      return
    }
    await signIn(login, password.value)
    await router.push('/')
  })
</script>

<template>
  <div class="page short">
    <p class="whose"><PlatformMark :size="28" />{{ platformName }}</p>
    <h1>{{ t('register.confirm.title') }}</h1>
    <template v-if="error">
      <p class="callout bad" role="alert">{{ error.message }}</p>
      <p>
        <RouterLink to="/register">{{ t('register.again') }}</RouterLink>
      </p>
    </template>
    <p v-else-if="waits" class="callout" role="status">{{ t('register.confirm.waits') }}</p>
    <form v-else-if="data" @submit.prevent="go">
      <p>{{ t('register.confirm.hello', { given: data.given, division: data.division }) }}</p>
      <NewPassword v-if="!data.waits" id="password" v-model="password" :label="t('register.confirm.password')" />
      <p v-else class="soft">{{ t('register.approved') }}</p>
      <p v-if="wrong" class="callout bad" role="alert">{{ wrong }}</p>
      <Button
        type="submit"
        :disabled="busy"
        :label="t(data.waits ? 'register.confirm.mine' : 'register.confirm.button')"
      />
    </form>
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
</style>
