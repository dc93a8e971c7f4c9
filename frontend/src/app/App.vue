<script setup lang="ts">
import { defineAsyncComponent, h, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import UndoStrip from '@/ui/UndoStrip.vue'
import { connection } from '@/shared/connection'
import { useKeys } from '@/shared/keys'
import { me, signOut } from '@/shared/me'
import { guiding } from '@/shared/guiding'
import { undoLast } from '@/shared/undo'
import { t, tIn, wordsOf } from '@/shared/words'

const inside = () => import('./inside')
const AppBar = defineAsyncComponent({
  loader: () => inside().then(({ AppBar }) => AppBar),
  // Its place is kept, so that nothing moves when it comes.
  loadingComponent: { render: () => h('div', { style: { minHeight: '48px' } }) },
  delay: 0,
})
const NoticeStrip = defineAsyncComponent(() => inside().then(({ NoticeStrip }) => NoticeStrip))
const FirstStepsStrip = defineAsyncComponent(async () => {
  const [strip] = await Promise.all([import('./FirstStepsStrip.vue'), wordsOf(['steps'])])
  return strip
})
const SignInAgain = defineAsyncComponent(() => import('@/accounts/SignInAgain.vue'))
const route = useRoute()
const router = useRouter()
const keysShown = ref(false)
const keyList = ['/', 'i', '↑ ↓', 'Enter', 'Space', 'Esc', 'u', '?']

useKeys({ '?': () => (keysShown.value = !keysShown.value), u: undoLast, Escape: () => (keysShown.value = false) })

async function leave() {
  await signOut()
  await router.push({ name: 'sign-in' })
}
</script>

<template>
  <a class="unseen" href="#page">{{ t('app.skip') }}</a>
  <AppBar v-if="me && !route.meta.open" @sign-out="leave" @keys="keysShown = !keysShown" />
  <p v-if="connection.silent" class="callout bad silent" role="status">{{ t(`trouble.${connection.why}`) }}</p>
  <SignInAgain v-if="connection.signedOut" />
  <section v-if="keysShown" class="keys" :aria-label="t('keys.title')">
    <dl>
      <div v-for="key in keyList" :key="key">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ tIn('keys.list', key) }}</dd>
      </div>
    </dl>
    <button class="word" @click="keysShown = false">{{ t('keys.close') }}</button>
  </section>
  <FirstStepsStrip
    v-if="
      me?.platformAdministrator && guiding && !route.meta.open && !['first-steps', 'today'].includes(String(route.name))
    "
  />
  <NoticeStrip v-if="me && !me.mustChange && !route.meta.open" />
  <!-- Not before it is known whether there is a bar above it: nothing moves once it is there. -->
  <main v-if="route.matched.length" id="page" tabindex="-1"><RouterView /></main>
  <UndoStrip />
</template>

<style>
#app {
  display: flex;
  flex-direction: column;
}
#page {
  flex: 1;
  min-height: 0;
  overflow: auto;
  outline: none;
}
.silent {
  margin: 0;
  text-align: center;
}
.keys {
  display: flex;
  gap: 24px;
  justify-content: space-between;
  padding: 8px 20px;
  border-bottom: 1px solid var(--line);
  background: var(--mint-pale);
}
.keys dl {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 0;
}
.keys dl div {
  display: flex;
  gap: 6px;
  align-items: baseline;
}
.keys dd {
  margin: 0;
}
kbd {
  font-family: var(--mono);
  font-size: 0.82em;
  border: 1px solid var(--soft);
  border-radius: 3px;
  padding: 1px 6px;
  background: var(--sheet);
}
</style>
