<script setup lang="ts">
import { useRoute, useRouter } from 'vue-router'
import SignInForm from './SignInForm.vue'
import { platformName, registers } from '@/shared/appearance'
import PlatformMark from '@/ui/PlatformMark.vue'
import { t } from '@/shared/words'

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
      <p class="name"><PlatformMark :size="40" />{{ platformName }}</p>
      <h1>{{ t('signIn.title') }}</h1>
      <SignInForm @done="done" />
      <p v-if="registers">
        <RouterLink to="/register">{{ t('signIn.register') }}</RouterLink>
      </p>
      <p class="soft">
        <RouterLink to="/forgotten">{{ t('signIn.forgotten') }}</RouterLink> {{ t('signIn.help') }}
      </p>
    </div>
  </div>
</template>

<style scoped>
.porch {
  min-height: 100%;
  display: grid;
  align-items: end;
  justify-items: center;
  padding: 16px 16px 0;
  background: linear-gradient(var(--mint-pale) 0 86%, var(--spruce) 86% calc(86% + 3px), var(--paper) calc(86% + 3px));
}
/* The card is a doorway: it stands on the floor line. */
.card {
  width: min(400px, 100%);
  min-height: min(72%, 640px);
  margin-bottom: calc(14vh - 3px);
  display: grid;
  gap: 16px;
  align-content: center;
  background: var(--sheet);
  border: 10px solid var(--spruce);
  border-bottom: 0;
  border-radius: 8px 8px 0 0;
  padding: 26px;
}
.name {
  display: flex;
  gap: 10px;
  align-items: center;
  font-family: var(--title);
  font-weight: 700;
  font-size: 1.3rem;
}
</style>
