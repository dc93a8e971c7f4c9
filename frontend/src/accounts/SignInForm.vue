<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { useForm } from '@/shared/busy'
import { signIn } from '@/shared/me'
import { t } from '@/shared/words'

const props = defineProps<{ known?: string }>()
const emit = defineEmits<{ done: [] }>()
const login = ref(props.known ?? '')
const password = ref('')
const { busy, wrong, run } = useForm()
const go = () =>
  run(async () => {
    try {
      await signIn(login.value, password.value)
    } catch (thrown) {
      password.value = ''
      throw thrown
    }
    emit('done')
  })
</script>

<template>
  <form class="sign-in" @submit.prevent="go">
    <div class="field">
      <label for="login">{{ t('signIn.login') }}</label>
      <InputText
        id="login"
        v-model="login"
        autocomplete="username"
        autocapitalize="none"
        spellcheck="false"
        required
        maxlength="200"
        :autofocus="!known"
        fluid
      />
    </div>
    <div class="field">
      <label for="password">{{ t('signIn.password') }}</label>
      <InputText
        id="password"
        v-model="password"
        type="password"
        autocomplete="current-password"
        required
        maxlength="200"
        :autofocus="!!known"
        fluid
      />
    </div>
    <p v-if="wrong" class="callout bad" role="alert">{{ wrong }}</p>
    <Button type="submit" :label="t(busy ? 'signIn.busy' : 'signIn.button')" :disabled="busy" fluid />
  </form>
</template>

<style scoped>
.sign-in {
  display: grid;
  gap: 14px;
}
</style>
