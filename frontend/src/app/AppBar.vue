<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { platformName } from '@/shared/appearance'
import { administers, me } from '@/shared/me'
import { t } from '@/shared/words'
import PlatformMark from '@/ui/PlatformMark.vue'
import FindOrDo from './FindOrDo.vue'
import PersonMenu from './PersonMenu.vue'

/** The one bar on top: mark, the rooms as words, the box that finds or does, and what is one's own. */
defineEmits<{ signOut: []; keys: [] }>()
const route = useRoute()
/** Of more rooms than these, longer languages need the place of the platform's own name. */
const MANY = 7
/** With what their addresses begin with. */
const rooms = computed(() => [
  { to: '/', on: '', words: t('app.today') },
  { to: '/sites', on: '/sites', words: t('app.sites') },
  ...(me.value?.mayMakeSites
    ? [
        { to: '/people', on: '/people', words: t('app.people') },
        { to: '/changes', on: '/changes', words: t('app.changeLists') },
        { to: '/messages', on: '/messages', words: t('app.messages') },
        { to: '/access-check', on: '/access-check', words: t('app.accessCheck') },
        { to: '/rules', on: '/rules', words: t('app.rules') },
      ]
    : [{ to: '/week', on: '/week', words: t('app.week') }]),
  // Administrators come to them from their sites: the bar has no room for more.
  ...(me.value?.readsNumbers && !administers.value
    ? [{ to: '/numbers', on: '/numbers', words: t('app.numbers') }]
    : []),
  ...(administers.value ? [{ to: '/platform', on: '/platform', words: t('app.platform') }] : []),
])
</script>

<template>
  <header class="bar no-print" :class="{ many: rooms.length > MANY }">
    <RouterLink to="/" class="mark" :title="platformName"
      ><PlatformMark :size="24" /><span>{{ platformName }}</span></RouterLink
    >
    <nav :aria-label="t('app.rooms')">
      <RouterLink
        v-for="{ to, words, on } in rooms"
        :key="to"
        :to="to"
        :class="{ on: on ? route.path.startsWith(on) : route.path === to }"
        >{{ words }}</RouterLink
      >
    </nav>
    <FindOrDo @sign-out="$emit('signOut')" @keys="$emit('keys')" />
    <PersonMenu :rooms="rooms" @keys="$emit('keys')" @sign-out="$emit('signOut')" />
  </header>
</template>

<style>
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
.bar .word:not(:hover, [aria-expanded='true']) {
  background: none;
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
/* A name that is long gives way before anything else does. */
.bar .mark {
  flex: 0 1000 auto;
  min-width: 24px;
}
.bar .mark > :not(span) {
  flex: none;
}
.bar .mark span {
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 1440px) {
  .many .mark span {
    position: absolute;
    clip-path: inset(50%);
  }
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
