<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, Problem, take } from '@/shared/api'
import { me } from '@/shared/me'
import { done, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import OwnDetails from '@/people/OwnDetails.vue'
import NewPassword from './NewPassword.vue'
import OwnSettings from './OwnSettings.vue'
import OwnSessions from './OwnSessions.vue'

/** One's own password; whoever was handed one chooses it here before anything else. */
const router = useRouter()
const route = useRoute()
const own = computed(() =>
  [me.value?.name ?? '', me.value?.login ?? ''].flatMap((each) => [each, ...each.split(/[ .]/)]),
)
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
    if (thrown instanceof Problem && thrown.kind === 'invalid')
      wrong.value = { present: thrown.field('present'), password: thrown.field('password') }
    else wentWrong(thrown)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="page" :class="{ short: me?.mustChange }">
    <h1>{{ t('ownPassword.title') }}</h1>
    <p v-if="me?.mustChange">{{ t('ownPassword.must') }}</p>
    <h2 v-if="!me?.mustChange">{{ t('ownPassword.password') }}</h2>
    <form class="own" @submit.prevent="go">
      <div class="field">
        <label for="present">{{ t('ownPassword.present') }}</label><InputText
          id="present"
          v-model="present"
          type="password"
          autocomplete="current-password"
          required
          maxlength="200"
          :aria-invalid="!!wrong.present"
          fluid
        /><span v-if="wrong.present" class="wrong" role="alert">{{ wrong.present }}</span>
      </div>
      <NewPassword id="password" v-model="password" :label="t('welcome.password')" :wrong="wrong.password" :own="own" />
      <Button type="submit" :disabled="busy" :label="t('ownPassword.button')" />
    </form>
    <OwnDetails v-if="!me?.mustChange" />
    <OwnSettings v-if="!me?.mustChange" />
    <OwnSessions v-if="!me?.mustChange" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 14px;
  align-content: start;
}
.own {
  display: grid;
  gap: 14px;
  max-width: 420px;
  justify-items: start;
}
.own > * {
  width: 100%;
}
.own button {
  width: auto;
}
</style>
