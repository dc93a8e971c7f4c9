<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import Menu from 'primevue/menu'
import type { MenuItem } from 'primevue/menuitem'
import { computed, ref, useId } from 'vue'
import { useRouter } from 'vue-router'
import { choice } from '@/shared/colours'
import { me } from '@/shared/me'
import { t } from '@/shared/words'

/** What is one's own: account, colours, keys, and the way out; on a phone the rooms as well. */
const props = defineProps<{ rooms: { to: string; words: string }[] }>()
const emit = defineEmits<{ signOut: []; keys: [] }>()
const router = useRouter()
const menu = ref<InstanceType<typeof Menu>>()
const open = ref(false)
const id = useId()
const narrow = useMediaQuery('(max-width: 640px)')
const rooms = computed<MenuItem[]>(() =>
  narrow.value
    ? [
        ...props.rooms.map(({ to, words }) => ({ label: words, command: () => void router.push(to) })),
        { separator: true },
      ]
    : [],
)
const items = computed<MenuItem[]>(() => [
  ...rooms.value,
  { label: t('app.week'), command: () => void router.push({ name: 'week' }) },
  { label: t('app.own'), command: () => void router.push({ name: 'password' }) },
  { label: t('app.language'), command: () => void router.push({ name: 'password', hash: '#settings' }) },
  { label: t('app.glossary'), command: () => void router.push({ name: 'glossary' }) },
  { label: t('app.keys'), command: () => emit('keys') },
  {
    label: t('app.colours'),
    items: (['light', 'dark', ''] as const).map((each) => ({
      label: t(`app.colour.${each || 'system'}`),
      chosen: choice.value === each,
      command: () => (choice.value = each),
    })),
  },
  { separator: true },
  { label: t('app.signOut'), command: () => emit('signOut') },
])
</script>

<template>
  <button
    class="word who"
    aria-haspopup="menu"
    :aria-expanded="open"
    :aria-controls="open ? id : undefined"
    @click="menu?.toggle($event)"
  >
    <span class="name">{{ me?.name }}</span>
    <svg viewBox="0 0 10 6" width="10" height="6" aria-hidden="true"><path d="M0 0h10L5 6z" fill="currentColor" /></svg>
  </button>
  <Menu :id="id" ref="menu" :model="items" popup class="own-menu no-print" @show="open = true" @hide="open = false">
    <template #item="{ item, props: parts }">
      <a v-bind="parts.action" :aria-current="item.chosen || undefined"
        >{{ item.label }}<span v-if="item.chosen" class="soft">{{ t('app.colour.now') }}</span></a
      >
    </template>
  </Menu>
</template>

<style>
.who {
  margin-left: auto;
  flex-shrink: 0;
  display: flex;
  gap: 6px;
  align-items: center;
  max-width: 240px;
  color: var(--ink);
  text-decoration: none;
}
.who .name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
@media (max-width: 640px) {
  .who {
    max-width: 30vw;
    padding: 8px 0;
  }
}
.own-menu a {
  display: flex;
  gap: 16px;
  justify-content: space-between;
}
</style>
