<script setup lang="ts">
import { useRoute, useRouter } from 'vue-router'
import SignInForm from './SignInForm.vue'

const route = useRoute()
const router = useRouter()

function done() {
  const to = route.query.to
  // Only addresses of this application.
  void router.push(typeof to === 'string' && /^\/(?![/\\])/.test(to) ? to : '/')
}
</script>

<template>
  <div class="porch">
    <div class="card">
      <p class="name"><img src="/mark.svg" alt="" width="40" height="40" />{{ $t('app.name') }}</p>
      <h1>{{ $t('signIn.title') }}</h1>
      <SignInForm @done="done" />
      <p class="soft">{{ $t('signIn.help') }}</p>
    </div>
  </div>
</template>

<style scoped>
.porch { min-height: 100%; display: grid; place-items: center; padding: 16px; background: linear-gradient(90deg, var(--mint-pale) 0 34%, var(--paper) 34%); }
.card { width: min(380px, 100%); display: grid; gap: 16px; background: var(--sheet); border: 1px solid var(--line); border-top: 6px solid var(--spruce); border-radius: 6px; padding: 26px; }
.name { display: flex; gap: 10px; align-items: center; font-family: var(--title); font-weight: 700; font-size: 1.3rem; }
</style>
