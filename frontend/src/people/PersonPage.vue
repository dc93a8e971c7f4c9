<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { api, take } from '@/app/api'
import { useBusy } from '@/app/busy'
import { useHouse } from '@/app/house'
import { day, fullName, outlookSentence } from '@/app/sentences'
import { done, refreshSite } from '@/app/undo'
import ReasonLine from '@/ui/ReasonLine.vue'
import Trouble from '@/ui/Trouble.vue'

/** Somebody, whatever site: who they are, how they sign in, where they are and why, and what one may do about their account. */
const route = useRoute()
const router = useRouter()
const { t } = useI18n()
const { roleName } = useHouse()
const id = computed(() => String(route.params.person))
const { data: page, error, refetch } = useQuery({ queryKey: ['person', id], queryFn: () => take(api.GET('/people/{person}', { params: { path: { person: id.value } } })) })
const path = computed(() => ({ params: { path: { person: id.value } } }))
const name = computed(() => (page.value ? fullName(page.value.person) : ''))
const closing = ref<{ id: string; title: string }[] | null>(null)
const { busy, run } = useBusy()

const askClosing = () => run(async () => (closing.value = (await take(api.PUT('/people/{person}/account', { ...path.value, body: { open: false, apply: false } }))).leaderless))
async function set(open: boolean) {
  await take(api.PUT('/people/{person}/account', { ...path.value, body: { open, apply: true } }))
  closing.value = null
  await Promise.all([refetch(), refreshSite()])
}
const change = (open: boolean) => run(async () => {
  await set(open)
  done(t(open ? 'person.opened' : 'person.closed', { name: name.value }), { back: async () => { await set(!open); return '' } })
})
const end = () => run(async () => {
  const { ended } = await take(api.DELETE('/people/{person}/sessions', path.value))
  done(t('person.ended', { n: ended }, ended))
  await refetch()
})
const card = () => router.push({ name: 'cards', state: { people: [id.value] } })
</script>

<template>
  <div class="page">
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="page">
      <p><RouterLink to="/people">{{ $t('person.all') }}</RouterLink></p>
      <header>
        <h1>{{ name }}</h1>
        <p>{{ $t('kind.' + page.person.kind) }}<template v-if="page.person.level">, {{ $t('level', { n: page.person.level }) }}</template> · {{ page.person.division.name }} <span class="num">{{ page.person.number }}</span>
          <span v-if="page.person.preferred" class="soft"> · {{ page.person.given }} {{ page.person.family }}</span><span v-if="page.person.former" class="soft"> · {{ $t('card.formerly', { name: page.person.former }) }}</span></p>
        <p v-if="page.person.email" class="num">{{ page.person.email }}</p>
        <p v-if="page.labels.length" class="soft">{{ page.labels.join(', ') }}</p>
      </header>
      <section>
        <h2>{{ $t('person.account') }}</h2>
        <p v-if="!page.account">{{ $t('person.noAccount') }}</p>
        <template v-else>
          <p>{{ $t('person.login') }} <span class="num">{{ page.account.login }}</span> · <span :class="page.account.open ? '' : 'clay'">{{ page.account.open ? $t('person.isOpen') : $t('person.isClosed', { day: day(page.account.closedFrom, 'UTC') }) }}</span> · {{ $t(page.account.mustChange ? 'person.mustChange' : page.account.hasPassword ? 'person.hasPassword' : 'person.noPassword') }} · {{ $t('person.sessions', { n: page.account.sessions }, page.account.sessions) }}</p>
          <p v-if="page.refusal" class="soft">{{ $t('person.refusal.' + page.refusal) }}</p>
          <p v-else class="acts">
            <Button size="small" :label="$t('person.card')" @click="card" />
            <Button v-if="page.account.open && page.mayClose" size="small" variant="outlined" :disabled="busy" :label="$t('person.close')" @click="askClosing" />
            <Button v-else-if="page.mayClose" size="small" variant="outlined" :disabled="busy" :label="$t('person.open')" @click="change(true)" />
            <button v-if="page.account.sessions" class="word" :disabled="busy" @click="end">{{ $t('person.end') }}</button>
          </p>
          <div v-if="closing" class="callout bad">
            <p class="follows">{{ $t('person.willClose', { name }) }}</p>
            <p v-for="site in closing" :key="site.id">{{ $t('person.leaderless', { title: site.title }) }}</p>
            <p class="acts"><Button size="small" severity="danger" :disabled="busy" :label="$t('person.closeNow')" @click="change(false)" /><button class="word" @click="closing = null">{{ $t('sheets.notNow') }}</button></p>
          </div>
        </template>
      </section>
      <section>
        <h2>{{ $t('person.sites', { n: page.sites.length }, page.sites.length) }}</h2>
        <p class="acts"><RouterLink :to="{ name: 'people', query: { person: id } }">{{ $t('people.oneElsewhere') }}</RouterLink><RouterLink :to="{ name: 'person-logbook', params: { person: id } }">{{ $t('person.logbook') }}</RouterLink></p>
        <article v-for="each in page.sites" :key="each.site.id">
          <h3><RouterLink :to="{ name: 'roster', params: { site: each.site.id }, query: { person: id } }">{{ each.site.title }}</RouterLink> <span class="soft">{{ each.site.term.name }}</span></h3>
          <ReasonLine :reason="each.reason" :zone="each.site.timeZone" who="staff" />
          <p class="soft">{{ outlookSentence(each.stretches, each.site.timeZone, roleName) }}</p>
        </article>
        <p v-if="page.elsewhere" class="soft">{{ $t('person.elsewhere', { n: page.elsewhere }, page.elsewhere) }}</p>
      </section>
    </template>
    <p v-else class="skeleton" />
  </div>
</template>

<style scoped>
.page { display: grid; gap: 16px; align-content: start; max-width: 900px; }
section { display: grid; gap: 8px; }
article { border-top: 1px solid var(--line); padding: 8px 0; display: grid; gap: 4px; }
.callout { display: grid; gap: 6px; }
</style>
