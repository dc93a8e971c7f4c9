<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useI18n } from 'vue-i18n'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import { api, take, type SiteSummary } from '@/shared/api'
import { dark, switchColours } from '@/shared/colours'
import { useKeys } from '@/shared/keys'
import { me } from '@/shared/me'

const emit = defineEmits<{ signOut: []; keys: [] }>()
const { t } = useI18n()
const route = useRoute()
const router = useRouter()
const typed = ref('')
const box = ref<HTMLElement>()
const open = ref(false)
const words = refDebounced(typed, 150)

const scopes = computed(() =>
  me.value?.divisions.length || me.value?.platformAdministrator ? (['all'] as const) : (['run', 'in'] as const),
)
const { data: found } = useQuery({
  queryKey: ['sites', 'finder', words, scopes],
  enabled: computed(() => open.value && words.value.trim().length > 1),
  queryFn: async () => {
    const pages = await Promise.all(
      scopes.value.map((scope) => take(api.GET('/sites', { params: { query: { scope, q: words.value, limit: 6 } } }))),
    )
    return pages.flatMap((page) => page.items).slice(0, 8)
  },
})

const doings = computed(() => {
  const all: [string, () => void][] = [
    [t('find.do.run'), () => router.push('/sites/run')],
    [t('find.do.in'), () => router.push('/sites/in')],
    [t('find.do.join'), () => router.push('/join')],
    [t('find.do.toJoin'), () => router.push('/sites/open')],
    [t(dark.value ? 'find.do.light' : 'find.do.dark'), switchColours],
    [t('find.do.keys'), () => emit('keys')],
    [t('find.do.signOut'), () => emit('signOut')],
  ]
  if (me.value?.mayMakeSites) {
    all.unshift([t('find.do.newSite'), () => router.push({ name: 'new-site' })])
    all.push(
      [t('find.do.people'), () => router.push({ name: 'people' })],
      [t('find.do.accounts'), () => router.push({ name: 'make-accounts' })],
      [t('find.do.messages'), () => router.push({ name: 'messages' })],
      [t('find.do.changeLists'), () => router.push({ name: 'changes' })],
      [t('find.do.makeSites'), () => router.push({ name: 'make-sites' })],
    )
    all.push(
      [t('find.do.why'), () => router.push({ name: 'access-check' })],
      [t('find.do.firstDayChecks'), () => router.push({ name: 'first-day-checks' })],
      [t('find.do.rules'), () => router.push({ name: 'rules' })],
      [t('find.do.renew'), () => router.push({ name: 'renew-keys' })],
    )
  }
  if (scopes.value[0] === 'all') {
    all.push([t('find.do.all'), () => router.push('/sites/all')])
    all.push([t('find.do.approvals'), () => router.push({ name: 'approvals' })])
    all.push([t('find.do.security'), () => router.push({ name: 'security-log' })])
  }
  all.push([t('find.do.account'), () => router.push({ name: 'password' })])
  if (route.params.site && route.name !== 'landing')
    all.unshift(
      [t('find.do.doors'), () => router.push({ name: 'doors', params: { site: route.params.site } })],
      [t('find.do.watch'), () => router.push({ name: 'arrivals', params: { site: route.params.site } })],
    )
  if (route.name === 'roster')
    all.unshift([t('find.do.letIn'), () => document.querySelector<HTMLInputElement>('#let-in')?.focus()])
  const text = typed.value.trim().toLowerCase()
  return all.filter(([words]) => words.toLowerCase().includes(text))
})
const sites = computed(() => (typed.value.trim().length > 1 ? (found.value ?? []) : []))

useKeys({ '/': () => box.value?.querySelector('input')?.focus() })

function go(site: SiteSummary) {
  close()
  void router.push(
    site.mine ? { name: 'landing', params: { site: site.id } } : { name: 'roster', params: { site: site.id } },
  )
}

function act(doing: () => void) {
  close()
  doing()
}

function close() {
  open.value = false
  typed.value = ''
  box.value?.querySelector('input')?.blur()
}

function move(by: number) {
  const stops = [...(box.value?.querySelectorAll<HTMLElement>('input, .found button') ?? [])]
  stops[stops.indexOf(document.activeElement as HTMLElement) + by]?.focus()
}

function leftTheBox(event: FocusEvent) {
  if (!box.value?.contains(event.relatedTarget as Node)) open.value = false
}
</script>

<template>
  <div
    ref="box"
    class="finder"
    role="search"
    @keydown.down.prevent="move(1)"
    @keydown.up.prevent="move(-1)"
    @keydown.esc="close"
    @focusout="leftTheBox"
  >
    <InputText
      v-model="typed"
      size="small"
      fluid
      :placeholder="$t('find.placeholder')"
      :aria-label="$t('find.label')"
      aria-keyshortcuts="/"
      @focus="open = true"
      @keydown.enter="move(1)"
    />
    <div v-if="open" class="found">
      <button v-for="site in sites" :key="site.id" @click="go(site)">
        <DoorGlyph :state="site.state" /> {{ site.title }} <span class="num soft">{{ site.code }}</span>
      </button>
      <button v-for="[label, doing] in doings" :key="label" @click="act(doing)">{{ label }}</button>
      <p v-if="!sites.length && !doings.length" class="soft">{{ $t('find.nothing') }}</p>
    </div>
  </div>
</template>

<style scoped>
.finder {
  position: relative;
  flex: 0 1 360px;
}
.found {
  position: absolute;
  z-index: 20;
  top: calc(100% + 4px);
  left: 0;
  right: 0;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 4px;
  box-shadow: 0 6px 20px rgb(0 0 0 / 12%);
}
.found button {
  display: flex;
  gap: 8px;
  align-items: center;
  width: 100%;
  text-align: left;
  border: 0;
  background: none;
  padding: 6px 8px;
  cursor: pointer;
  border-radius: 4px;
}
.found button:hover,
.found button:focus {
  background: var(--mint-pale);
}
.found p {
  padding: 6px 8px;
}
</style>
