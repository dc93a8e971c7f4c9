<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, Problem, take } from '@/app/api'
import { me } from '@/app/me'
import { done, wentWrong } from '@/app/undo'
import { t } from '@/app/words'

/** One's own password; whoever was handed one chooses it here before anything else. */
const router = useRouter()
const route = useRoute()
const present = ref('')
const password = ref('')
const wrong = ref<{ present?: string; password?: string }>({})
const busy = ref(false)

async function go() {
  busy.value = true
  wrong.value = {}
  try {
    me.value = await take(api.PUT('/me/password', { body: { present: present.value, password: password.value } }))
    done(t('ownPassword.did'))
    // Back to what wanted it; only addresses of this application.
    const to = route.query.to
    await router.push(typeof to === 'string' && /^\/(?![/\\])/.test(to) ? to : '/')
  } catch (thrown) {
    if (thrown instanceof Problem && thrown.kind === 'invalid') wrong.value = { present: thrown.field('present'), password: thrown.field('password') }
    else wentWrong(thrown)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="page short">
    <h1>{{ $t('ownPassword.title') }}</h1>
    <p v-if="me?.mustChange">{{ $t('ownPassword.must') }}</p>
    <form @submit.prevent="go">
      <div class="field"><label for="present">{{ $t('ownPassword.present') }}</label><InputText id="present" v-model="present" type="password" autocomplete="current-password" required maxlength="200" :aria-invalid="!!wrong.present" fluid /><span v-if="wrong.present" class="wrong" role="alert">{{ wrong.present }}</span></div>
      <div class="field"><label for="password">{{ $t('welcome.password') }}</label><InputText id="password" v-model="password" type="password" autocomplete="new-password" required minlength="10" maxlength="200" aria-describedby="hint" :aria-invalid="!!wrong.password" fluid /><span id="hint" class="hint">{{ $t('welcome.hint') }}</span><span v-if="wrong.password" class="wrong" role="alert">{{ wrong.password }}</span></div>
      <Button type="submit" :disabled="busy" :label="$t('ownPassword.button')" />
    </form>
  </div>
</template>
