<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, take, type PersonPage } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { queries } from '@/shared/queries'
import { ownZone as zone } from '@/shared/own'
import { day, dayAndTime, fullName } from '@/shared/sentences'
import { done, refreshSite } from '@/shared/undo'
import { t, tIn } from '@/shared/words'

/** How somebody signs in, and what one may do about it. */
const props = defineProps<{ page: PersonPage }>()
const emit = defineEmits<{ changed: [] }>()
const router = useRouter()
const id = computed(() => props.page.person.id)
const path = computed(() => ({ params: { path: { person: id.value } } }))
const name = computed(() => fullName(props.page.person))
const refused = computed(() =>
  tIn('person.refusal', props.page.refusal ?? 'gone', {
    at: props.page.careFrom ? dayAndTime(props.page.careFrom, zone) : '',
    division: props.page.person.division.name,
  }),
)
const closing = ref<{ id: string; title: string }[] | null>(null)
const { busy, run } = useBusy()

const askClosing = () =>
  run(
    async () =>
      (closing.value = (
        await take(api.PUT('/people/{person}/account', { ...path.value, body: { open: false, apply: false } }))
      ).leaderless),
  )
async function set(open: boolean) {
  await take(api.PUT('/people/{person}/account', { ...path.value, body: { open, apply: true } }))
  closing.value = null
  emit('changed')
  await refreshSite()
}
const change = (open: boolean) =>
  run(async () => {
    await set(open)
    done(t(open ? 'person.opened' : 'person.closed', { name: name.value }), {
      back: async () => {
        await set(!open)
        return ''
      },
    })
  })
const end = () =>
  run(async () => {
    const { ended } = await take(api.DELETE('/people/{person}/sessions', path.value))
    done(t('person.ended', { n: ended }, ended))
    emit('changed')
  })
const link = () =>
  run(async () => {
    const { left } = await take(api.POST('/people/{person}/password-link', path.value))
    const more = left === null ? '' : t('person.linksLeft', { n: left }, left)
    done(t('person.linkSent', { to: props.page.person.email }), undefined, more)
    await queries.invalidateQueries({ queryKey: ['messages'] })
  })
const want = (wanted: boolean) =>
  run(async () => {
    await take(
      wanted
        ? api.PUT('/people/{person}/password-wanted', path.value)
        : api.DELETE('/people/{person}/password-wanted', path.value),
    )
    done(t(wanted ? 'person.wanted' : 'person.wantedNone', { name: name.value }), {
      back: async () => {
        await want(!wanted)
        return ''
      },
    })
    emit('changed')
  })
const card = () => router.push({ name: 'cards', state: { people: [id.value] } })
</script>

<template>
  <section>
    <h2>{{ t('person.account') }}</h2>
    <p v-if="!page.account && !page.looksAfter" class="soft">{{ refused }}</p>
    <p v-else-if="!page.account">{{ t('person.noAccount') }}</p>
    <template v-else>
      <p>
        {{ t('person.login') }} <span class="num">{{ page.account.login }}</span><template v-if="page.person.email"
          >{{ ' ' + t('person.orAddress') }} <span class="num">{{ page.person.email }}</span></template
        >
        ·
        <span :class="page.account.open ? '' : 'clay'">{{
          page.account.open ? t('person.isOpen') : t('person.isClosed', { day: day(page.account.closedFrom, zone) })
        }}</span>
        ·
        {{
          t(
            page.account.mustChange
              ? 'person.mustChange'
              : page.account.hasPassword
                ? 'person.hasPassword'
                : 'person.noPassword',
          )
        }}
      </p>
      <p class="soft">
        {{ page.account.madeAt ? t('person.made', { day: day(page.account.madeAt, zone) }) + ' · ' : ''
        }}{{ page.account.usedAt ? t('person.used', { day: day(page.account.usedAt, zone) }) : t('person.neverUsed')
        }}<template v-if="page.account.sessions">
          · {{ t('person.sessions', { n: page.account.sessions }, page.account.sessions) }}</template
        >
      </p>
      <p v-if="page.refusal" class="soft">{{ refused }}</p>
      <p v-else class="acts">
        <Button v-if="page.person.email" size="small" :disabled="busy" :label="t('person.sendLink')" @click="link" />
        <Button
          size="small"
          :variant="page.person.email ? 'outlined' : undefined"
          :label="t('person.card')"
          @click="card"
        />
        <Button
          v-if="page.account.open && page.mayClose"
          size="small"
          variant="outlined"
          :disabled="busy"
          :label="t('person.close')"
          @click="askClosing"
        />
        <Button
          v-else-if="page.mayClose"
          size="small"
          variant="outlined"
          :disabled="busy"
          :label="t('person.open')"
          @click="change(true)"
        />
        <button v-if="page.account.hasPassword" class="word" :disabled="busy" @click="want(!page.account.mustChange)">
          {{ t(page.account.mustChange ? 'person.wantNone' : 'person.want') }}
        </button>
        <button v-if="page.account.sessions" class="word" :disabled="busy" @click="end">{{ t('person.end') }}</button>
      </p>
      <div v-if="closing" class="callout bad">
        <p class="follows">{{ t('person.willClose', { name }) }}</p>
        <p v-for="site in closing" :key="site.id">{{ t('person.leaderless', { title: site.title }) }}</p>
        <p class="acts">
          <Button
            size="small"
            severity="danger"
            :disabled="busy"
            :label="t('person.closeNow')"
            @click="change(false)"
          /><button class="word" @click="closing = null">{{ t('parts.cancel') }}</button>
        </p>
      </div>
    </template>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}
.callout {
  display: grid;
  gap: 6px;
}
</style>
