<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import UndoStrip from '@/ui/UndoStrip.vue'
import { connection } from '@/shared/connection'
import FindOrDo from './FindOrDo.vue'
import PersonMenu from './PersonMenu.vue'
import { useKeys } from '@/shared/keys'
import { me, signOut } from '@/shared/me'
import { undoLast } from '@/shared/undo'
import NoticeStrip from '@/messages/NoticeStrip.vue'

const SignInAgain = defineAsyncComponent(() => import('@/accounts/SignInAgain.vue'))
const { t } = useI18n()
const route = useRoute()
const router = useRouter()
const keysShown = ref(false)
/** With what their addresses begin with. */
const rooms = computed(() => [
  { to: '/', on: '', words: t('today.title') },
  { to: '/sites', on: '/sites', words: t('app.sites') },
  ...(me.value?.mayMakeSites
    ? [
        { to: '/people', on: '/people', words: t('app.people') },
        { to: '/changes', on: '/changes', words: t('app.changeLists') },
        { to: '/messages', on: '/messages', words: t('app.messages') },
        { to: '/access-check', on: '/access-check', words: t('app.accessCheck') },
        { to: '/rules', on: '/rules', words: t('app.rules') },
      ]
    : []),
])
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
      ><img src="/mark.svg" alt="" width="24" height="24" /><span>{{ $t('app.name') }}</span></RouterLink
    >
    <nav :aria-label="$t('app.rooms')">
      <RouterLink
        v-for="{ to, words, on } in rooms"
        :key="to"
        :to="to"
        :class="{ on: on ? route.path.startsWith(on) : route.path === to }"
        >{{ words }}</RouterLink
      >
    </nav>
    <FindOrDo @sign-out="leave" @keys="keysShown = true" />
    <PersonMenu :rooms="rooms" @keys="keysShown = !keysShown" @sign-out="leave" />
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
    display: none;
  }
  .bar {
    gap: 10px;
    padding: 6px 10px;
  }
  .mark span {
    position: absolute;
    clip-path: inset(50%);
  }
  .bar .finder {
    flex: 1;
  }
}
</style>
