<script setup lang="ts">
import { defineAsyncComponent, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import UndoStrip from '@/ui/UndoStrip.vue'
import { switchColours, dark } from '@/shared/colours'
import { connection } from '@/shared/connection'
import FindOrDo from './FindOrDo.vue'
import { useKeys } from '@/shared/keys'
import { me, signOut } from '@/shared/me'
import { undoLast } from '@/shared/undo'
import NoticeStrip from '@/messages/NoticeStrip.vue'

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
  <a class="unseen" href="#page">{{ $t('app.skip') }}</a>
  <header v-if="me && !route.meta.open" class="bar no-print">
    <RouterLink to="/" class="mark"
      ><img src="/mark.svg" alt="" width="24" height="24" />{{ $t('app.name') }}</RouterLink
    >
    <nav aria-label="Rooms">
      <RouterLink to="/" :class="{ on: route.path.startsWith('/sites') }">{{ $t('app.sites') }}</RouterLink>
      <template v-if="me.mayMakeSites">
        <RouterLink to="/people" :class="{ on: route.path.startsWith('/people') }">{{ $t('app.people') }}</RouterLink>
        <RouterLink to="/changes" active-class="on">{{ $t('app.changeLists') }}</RouterLink>
        <RouterLink to="/messages" active-class="on">{{ $t('app.messages') }}</RouterLink>
        <RouterLink to="/access-check" active-class="on">{{ $t('app.accessCheck') }}</RouterLink>
        <RouterLink to="/rules" active-class="on">{{ $t('app.rules') }}</RouterLink>
      </template>
    </nav>
    <FindOrDo @sign-out="leave" @keys="keysShown = true" />
    <RouterLink class="who" to="/password" :title="$t('ownPassword.title')">{{ me.name }}</RouterLink>
    <button class="word hush" @click="switchColours">{{ $t(dark ? 'app.light' : 'app.dark') }}</button>
    <button class="word hush" aria-keyshortcuts="?" @click="keysShown = !keysShown">{{ $t('app.keys') }}</button>
    <button class="word" @click="leave">{{ $t('app.signOut') }}</button>
  </header>
  <p v-if="connection.silent" class="callout bad silent" role="status">{{ $t('trouble.' + connection.why) }}</p>
  <SignInAgain v-if="connection.signedOut" />
  <section v-if="keysShown" class="keys" :aria-label="$t('keys.title')">
    <dl>
      <div v-for="key in keyList" :key="key">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ $t(`keys.list.${key}`) }}</dd>
      </div>
    </dl>
    <button class="word" @click="keysShown = false">{{ $t('keys.close') }}</button>
  </section>
  <NoticeStrip v-if="me && !me.mustChange && !route.meta.open" />
  <main id="page" tabindex="-1"><RouterView /></main>
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
.bar {
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 6px 20px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
  min-height: 48px;
}
.bar nav {
  display: flex;
  gap: 14px;
}
.bar nav a,
.bar .word {
  white-space: nowrap;
}
.bar nav a {
  text-decoration: none;
  color: var(--ink);
  padding: 4px 2px;
  border-bottom: 2px solid transparent;
  font-weight: 600;
}
.bar nav a.on {
  border-color: var(--spruce);
}
.mark {
  display: flex;
  gap: 8px;
  align-items: center;
  font-family: var(--title);
  font-weight: 700;
  font-size: 1.1rem;
  color: var(--ink);
  text-decoration: none;
  white-space: nowrap;
}
.who {
  margin-left: auto;
  flex-shrink: 0;
  max-width: 220px;
  color: var(--ink);
  text-decoration: none;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
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
@media (max-width: 640px) {
  .bar nav {
    flex-wrap: wrap;
    gap: 0 14px;
  }
  .bar {
    flex-wrap: wrap;
    gap: 6px 14px;
    padding: 8px 14px;
  }
  .hush {
    display: none;
  }
  .who {
    flex-shrink: 1;
  }
  .bar .finder {
    order: 9;
    width: 100%;
  }
}
</style>
