<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type Reason } from '@/shared/api'
import { platformNow } from '@/shared/clock'
import { lookAt, type Looked } from '@/shared/lookedAt'
import { usePlatform } from '@/shared/platform'
import { causeSentence, fullName, givers } from '@/shared/sentences'
import { inSentence, t, tIn } from '@/shared/words'
import ReasonLine from '@/ui/ReasonLine.vue'
import Trouble from '@/ui/Trouble.vue'
import HelpWord from '@/ui/HelpWord.vue'
import { useChanges } from '@/roster/changes'
import FindSite from '@/sites/FindSite.vue'
import FindPerson from '@/people/FindPerson.vue'

/** AccessCheck somebody can enter a site or cannot, for whoever helps: who, where, the answer, and what one may fix. */
const route = useRoute()
const router = useRouter()
const { roleName } = usePlatform()
const text = (name: string) => (typeof route.query[name] === 'string' ? (route.query[name] as string) : '')
const person = computed(() => text('person'))
const site = computed(() => text('site'))
const set = (change: Looked) => lookAt(router, change)

const {
  data: why,
  error,
  refetch,
} = useQuery({
  queryKey: ['why', site, person],
  enabled: computed(() => !!site.value && !!person.value),
  queryFn: () =>
    take(
      api.GET('/sites/{site}/access-check/{person}', { params: { path: { site: site.value, person: person.value } } }),
    ),
})
const zone = computed(() => why.value?.site.timeZone ?? 'UTC')
const { change, busy } = useChanges(() => why.value!.site)
type Cause = Reason['causes'][number]
const steps = computed(() => (why.value && why.value.reason.entry === 'no' ? why.value.reason.causes : []))
const say = (cause: Cause) => causeSentence(cause, why.value!.reason.entry, 'staff', zone.value, roleName)
/** Only the first step can be made; what stands behind it shows its button once it is the first. */
const VERBS = {
  resume: 'resume',
  lift: 'unblock',
  'bring-back': 'bring-back',
  'let-in': 'let-in',
  'move-start': 'change-dates',
} as const
const TO_SITE: Record<string, string> = {
  'open-site': 'roster',
  'open-site-again': 'roster',
  'more-seats': 'settings',
  'change-section': 'sections',
}
const first = computed(() => steps.value.find((cause) => cause.change in VERBS))
const mendable = (cause: Cause) =>
  cause.mine &&
  (cause === first.value || cause.change in TO_SITE) &&
  (cause.change !== 'let-in' || !!why.value?.suggested)

async function fix(cause: Cause) {
  const verb = VERBS[cause.change as keyof typeof VERBS]
  if (!verb) return router.push({ name: TO_SITE[cause.change], params: { site: site.value } })
  const today = new Intl.DateTimeFormat('en-CA', { timeZone: zone.value }).format(platformNow())
  await change(why.value!.person, {
    verb,
    version: why.value!.version,
    ...(verb === 'let-in' ? { role: why.value!.suggested } : {}),
    ...(verb === 'change-dates' ? { fromDay: today } : {}),
  })
}
</script>

<template>
  <div class="page">
    <h1>
      <HelpWord term="access-check">{{ t('accessCheck.title') }}</HelpWord>
    </h1>
    <p class="soft">{{ t('accessCheck.more') }}</p>
    <div class="asked">
      <FindPerson :person="person" :name="why ? fullName(why.person) : ''" @pick="set({ person: $event })" />
      <FindSite :site="site" :title="why?.site.title ?? ''" @pick="set({ site: $event })" />
    </div>
    <Trouble v-if="error" :error="error" @again="refetch()" />
    <template v-else-if="why && person && site">
      <section class="answer">
        <h2>{{ fullName(why.person) }} · {{ why.site.title }}</h2>
        <ReasonLine :reason="{ ...why.reason, causes: [why.reason.causes[0]!] }" :zone="zone" who="staff" />
        <template v-if="steps.length">
          <h3 v-if="steps.length > 1">{{ t('accessCheck.steps', { n: steps.length }, steps.length) }}</h3>
          <ol :class="{ only: steps.length === 1 }">
            <li v-for="cause in steps" :key="cause.code">
              <span v-if="steps.length > 1">{{ say(cause) }}</span>
              <Button
                v-if="mendable(cause)"
                size="small"
                :disabled="busy"
                :label="tIn('accessCheck.fixes', cause.change, { role: inSentence(roleName(why.suggested)) })"
                @click="fix(cause)"
              />
              <span v-else-if="steps.length > 1" class="soft"
                >{{ t(`change.${cause.change}`) }}
                <template v-if="!cause.mine">{{
                  t('change.who', { who: givers(cause.givers, roleName) })
                }}</template></span
              >
            </li>
          </ol>
        </template>
        <p>
          <RouterLink :to="{ name: 'roster', params: { site }, query: why.standing ? { person } : {} }">{{
            t('accessCheck.open')
          }}</RouterLink>
        </p>
      </section>
    </template>
    <p v-else class="soft">{{ t('accessCheck.choose') }}</p>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 14px;
  max-width: 900px;
}
.asked {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 18px;
  align-items: start;
}
.answer {
  border: 2px solid var(--spruce);
  border-bottom: 0;
  border-radius: 6px 6px 0 0;
  background: var(--sheet);
  padding: 14px 16px;
  display: grid;
  gap: 10px;
}
ol {
  margin: 0;
  padding-left: 24px;
  display: grid;
  gap: 8px;
}
ol.only {
  list-style: none;
  padding: 0;
}
li > * {
  margin-right: 12px;
}
@media (max-width: 640px) {
  .asked {
    grid-template-columns: 1fr;
  }
}
</style>
