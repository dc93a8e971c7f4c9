<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import DoorGlyph from '@/ui/DoorGlyph.vue'
import FindBox from '@/ui/FindBox.vue'
import InTurn from '@/ui/InTurn.vue'
import { api, take, type SiteSummary } from '@/shared/api'
import { dark, switchColours } from '@/shared/colours'
import { useKeys } from '@/shared/keys'
import { me } from '@/shared/me'
import { t } from '@/shared/words'

const emit = defineEmits<{ signOut: []; keys: [] }>()
const route = useRoute()
const router = useRouter()
const box = ref<HTMLElement>()

/** A site, or something one may do. */
interface Found {
  label: string
  go: () => unknown
  site?: SiteSummary
}
const scopes = computed(() =>
  me.value?.divisions.length || me.value?.platformAdministrator ? (['all'] as const) : (['run', 'in'] as const),
)

const doings = computed(() => {
  const all: [string, () => unknown][] = [
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
  if (me.value?.readsNumbers) all.push([t('find.do.numbers'), () => router.push({ name: 'numbers' })])
  if (scopes.value[0] === 'all') {
    all.push([t('find.do.all'), () => router.push('/sites/all')])
    all.push([t('find.do.approvals'), () => router.push({ name: 'approvals' })])
    all.push([t('find.do.security'), () => router.push({ name: 'security-log' })])
  }
  all.push([t('find.do.glossary'), () => router.push({ name: 'glossary' })])
  all.push([t('find.do.account'), () => router.push({ name: 'password' })])
  if (route.params.site && route.name !== 'landing')
    all.unshift(
      [t('find.do.doors'), () => router.push({ name: 'doors', params: { site: route.params.site } })],
      [t('find.do.watch'), () => router.push({ name: 'arrivals', params: { site: route.params.site } })],
    )
  if (route.name === 'roster')
    all.unshift([t('find.do.letIn'), () => document.querySelector<HTMLInputElement>('#let-in')?.focus()])
  return all.map(([label, go]): Found => ({ label, go }))
})

const sitesCalled = async (q: string) => {
  const pages = await Promise.all(
    scopes.value.map((scope) => take(api.GET('/sites', { params: { query: { scope, q, limit: 6 } } }))),
  )
  return pages.flatMap((page) => page.items).slice(0, 8)
}
const siteFound = (site: SiteSummary): Found => ({
  label: site.title,
  site,
  go: () => router.push({ name: site.mine ? 'landing' : 'roster', params: { site: site.id } }),
})
async function find(typed: string): Promise<Found[]> {
  const text = typed.toLowerCase()
  const fitting = doings.value.filter(({ label }) => label.toLowerCase().includes(text))
  // What one may do is known here, also while the server does not answer.
  const sites = text.length > 1 ? await sitesCalled(typed).catch(() => []) : []
  return [...sites.map(siteFound), ...fitting]
}

useKeys({ '/': () => box.value?.querySelector('input')?.focus() })

async function go(found: Found) {
  await found.go()
  // The field takes the focus back when something is picked from it; where one goes now, keys mean other things.
  setTimeout(leave)
}
const leave = () => box.value?.querySelector('input')?.blur()
</script>

<template>
  <div ref="box" class="finder" role="search" @keydown.esc="leave">
    <InTurn>
      <FindBox
        v-slot="{ found }"
        unseen
        small
        :from="0"
        :label="t('find.label')"
        :placeholder="t('find.placeholder')"
        :none="t('find.nothing')"
        keys="/"
        :find="find"
        :called="(found) => found.label"
        @pick="go"
      >
        <DoorGlyph v-if="found.site" :state="found.site.state" /> {{ found.label }}
        <span v-if="found.site" class="num soft">{{ found.site.code }}</span>
      </FindBox>
    </InTurn>
  </div>
</template>

<style scoped>
.finder {
  flex: 1 1 290px;
  max-width: 360px;
}
</style>
