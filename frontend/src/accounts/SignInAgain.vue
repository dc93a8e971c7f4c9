<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { signedInAgain } from '@/shared/connection'
import { me } from '@/shared/me'
import { t } from '@/shared/words'
import SignInForm from './SignInForm.vue'

const dialog = ref<HTMLDialogElement>()
const before = me.value?.id

/** What waits goes on only for whoever began it. */
function goOn() {
  if (before === undefined || me.value?.id === before) signedInAgain()
  else location.assign('/')
}

onMounted(() => dialog.value?.showModal())
</script>

<template>
  <dialog ref="dialog" class="again" aria-labelledby="again-title" @cancel.prevent>
    <h2 id="again-title">{{ t('signIn.again') }}</h2>
    <p>{{ t('signIn.againMore') }}</p>
    <SignInForm :known="me?.login ?? ''" @done="goOn" />
  </dialog>
</template>

<style scoped>
.again {
  width: min(400px, 92vw);
  border: 1px solid var(--line);
  border-top: 6px solid var(--brass);
  border-radius: 6px;
  padding: 22px;
  background: var(--sheet);
  color: var(--ink);
}
.again[open] {
  display: grid;
  gap: 12px;
}
</style>
