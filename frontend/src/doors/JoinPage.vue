<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useI18n } from 'vue-i18n'
import { api, freshKey, Problem, take, type Joined, type JoinLook } from '@/app/api'
import { useBusy } from '@/app/busy'
import { findOutWhoIAm, me, signIn, signOut } from '@/app/me'
import { day, lastDay } from '@/app/sentences'
import NewPassword from '@/people/NewPassword.vue'
import SignInForm from '@/people/SignInForm.vue'
import DoorGlyph from '@/ui/DoorGlyph.vue'

/** Key or invitation → who are you → what you are about to join → in. Made for a phone. */
const { t } = useI18n()
const route = useRoute()
const router = useRouter()
const invited = route.name === 'invitation'
const visitor = (sessionStorage.getItem('visitor') ??
  (sessionStorage.setItem('visitor', freshKey()), sessionStorage.getItem('visitor'))) as string
const key = ref(invited ? '' : route.hash.slice(1))
const token = invited ? route.hash.slice(1) : ''
const look = ref<JoinLook | null>(null)
const joined = ref<(Joined & { login?: string }) | null>(null)
const mode = ref<'' | 'sign-in' | 'make'>('')
const form = reactive({ section: '', why: '', given: '', family: '', level: '', password: '' })
const errors = ref<Problem | null>(null)
const refusal = ref<{ sentence: string; next: string } | null>(
  invited && !token ? { sentence: t('join.invitation.none'), next: 'none' } : null,
)
const wrong = (field: string) => errors.value?.field(field) ?? ''
const way = () => (invited ? { invitation: token } : { key: key.value })
const { busy, run } = useBusy((thrown) => {
  if (!(thrown instanceof Problem)) refusal.value = { sentence: t('trouble.unexpected'), next: 'none' }
  else if (thrown.document.errors?.length) errors.value = thrown
  else if (thrown.kind === 'password-wanted') void router.push({ name: 'password', query: { to: route.fullPath } })
  else refusal.value = { sentence: thrown.message, next: String((thrown.document as { next?: string }).next ?? 'none') }
})

const see = () =>
  run(async () => {
    errors.value = refusal.value = null
    if (me.value === undefined) await findOutWhoIAm()
    look.value = await take(api.POST('/join/look', { body: { ...way(), visitor } }))
    // A key that works stays in the address, so that a reload comes back here; servers are never sent it.
    if (!invited && route.hash.slice(1) !== key.value) await router.replace({ hash: '#' + key.value })
    if (look.value.levels)
      form.level ||= look.value.levels.lowest === look.value.levels.highest ? String(look.value.levels.lowest) : ''
  })
if (key.value || token) void see()
watch(
  () => route.hash,
  (hash) => {
    const other = hash.slice(1)
    if (!invited && other && other !== key.value) {
      key.value = other
      joined.value = look.value = null
      void see()
    }
  },
)

const zone = computed(() => look.value?.site.timeZone ?? 'UTC')
const you = computed(() => look.value?.you ?? null)
const admission = computed(() => look.value?.admission ?? null)
const invitation = computed(() => look.value?.invitation ?? null)
const closed = computed(() =>
  look.value && ['shut', 'not-yet', 'over'].includes(look.value.state) ? look.value.state : '',
)
const asks = computed(() => look.value?.asks && !invited)
const over = computed(() => invitation.value?.over ?? null)
const canMake = computed(() =>
  over.value === 'answered' ? false : invited ? invitation.value?.account !== 'sign-in' : !!look.value?.accounts,
)
const step = computed(() =>
  joined.value ? 'done' : !look.value ? 'key' : closed.value && !you.value ? 'closed' : !you.value ? 'who' : 'join',
)
const doneKey = freshKey()

const join = (asMe = false) =>
  run(async () => {
    errors.value = refusal.value = null
    joined.value = await take(
      api.POST('/join', {
        body: { ...way(), section: form.section || null, why: form.why, asMe },
        headers: { 'Idempotency-Key': freshKey() },
      }),
    )
  })
const make = () =>
  run(async () => {
    errors.value = refusal.value = null
    const made = await take(
      api.POST('/join/account', {
        body: {
          ...way(),
          given: form.given,
          family: form.family,
          level: form.level ? Number(form.level) : null,
          password: form.password,
          section: form.section || null,
          why: form.why,
          visitor,
        },
        headers: { 'Idempotency-Key': doneKey + fingerprint() },
      }),
    )
    await signIn(made.login, form.password)
    form.password = ''
    joined.value = made
  })
/** Typed anew it is another request; clicked twice it is the same. */
function fingerprint(): string {
  let sum = 0
  for (const letter of JSON.stringify(form)) sum = (sum * 31 + letter.charCodeAt(0)) >>> 0
  return sum.toString(16)
}
async function leave() {
  await signOut()
  mode.value = 'sign-in'
  await see()
}
function another() {
  look.value = joined.value = null
  key.value = ''
  void router.replace({ hash: '' })
}
</script>

<template>
  <div class="porch">
    <div class="card">
      <p class="name"><img src="/mark.svg" alt="" width="32" height="32" />{{ $t('app.name') }}</p>

      <form v-if="step === 'key' && !invited" @submit.prevent="see">
        <h1>{{ $t('join.title') }}</h1>
        <div class="field">
          <label for="key">{{ $t('join.key') }}</label>
          <!-- A key is longer than a phone is wide: it wraps, so that all of it can be compared. -->
          <textarea
            id="key"
            v-model="key"
            rows="1"
            autocomplete="off"
            autocapitalize="none"
            autocorrect="off"
            spellcheck="false"
            enterkeyhint="go"
            required
            maxlength="400"
            aria-describedby="key-hint"
            :aria-invalid="!!wrong('key')"
            autofocus
            class="plain key"
            @keydown.enter.prevent="($event.target as HTMLTextAreaElement).form?.requestSubmit()"
          />
          <span id="key-hint" class="hint">{{ $t('join.hint') }}</span>
          <span v-if="wrong('key')" class="wrong" role="alert">{{ wrong('key') }}</span>
        </div>
        <Button type="submit" :disabled="busy" :label="$t('join.go')" fluid />
        <p class="soft small">
          <RouterLink to="/sites/open">{{ $t('openDoors.title') }}</RouterLink>
        </p>
      </form>

      <template v-else-if="look">
        <section class="what">
          <p class="soft">{{ $t(invited ? 'join.invitation.title' : 'join.stand') }}</p>
          <div class="door">
            <DoorGlyph :state="closed ? 'closed' : asks ? 'draft' : 'open'" />
            <h1>{{ look.site.title }}</h1>
          </div>
          <p>
            <strong>{{ $t('join.as', { role: look.role.name.toLowerCase() }) }}</strong>
            {{ ' ' }}<span class="soft">· {{ look.site.division }} · {{ look.site.term }}</span>
          </p>
          <p v-if="look.role.caution" class="brass">{{ look.role.caution }}</p>
          <p v-if="look.about">{{ look.about }}</p>
          <p v-if="look.untilAt && !closed" class="soft">
            {{ $t('join.until', { day: lastDay(look.untilAt, zone) }) }}
          </p>
          <blockquote v-if="invitation?.words">
            <span class="soft">{{ $t('join.invitation.words') }}</span><br />{{ invitation.words }}
          </blockquote>
        </section>

        <p v-if="refusal" class="callout bad" role="alert">{{ refusal.sentence }}</p>

        <section v-if="step === 'done' && joined" class="done" role="status">
          <h2>{{ $t('join.done.' + joined.passage, { n: joined.place }) }}</h2>
          <p v-if="joined.login" class="callout">{{ $t('join.login', { login: joined.login }) }}</p>
          <p v-if="joined.opensAt && joined.passage === 'in'">
            {{ $t('join.opens', { day: day(joined.opensAt, zone) }) }}
          </p>
          <RouterLink
            class="go"
            :to="
              joined.passage === 'in' || joined.passage === 'already'
                ? { name: 'landing', params: { site: joined.site.id } }
                : '/sites/in'
            "
            >{{ $t(joined.passage === 'in' || joined.passage === 'already' ? 'join.enter' : 'join.mine') }}</RouterLink
          >
        </section>

        <section v-else-if="over === 'withdrawn' || over === 'lapsed'">
          <p class="callout">{{ $t('doors.invite.state.' + over) }}. {{ $t('join.next.ask-lead') }}</p>
        </section>

        <section v-else-if="step === 'closed'">
          <p class="callout">
            {{ $t('join.closed.' + closed, { day: day(look.fromAt, zone) }) }}
            {{ $t('join.next.' + (closed === 'not-yet' ? 'come-back' : 'ask-lead')) }}
          </p>
        </section>

        <section v-else-if="step === 'who'">
          <p v-if="over === 'answered'" class="callout">{{ $t('join.invitation.answered') }}</p>
          <p v-else-if="invitation" class="soft">
            {{
              invitation.name
                ? $t('join.invitation.forYou', { name: invitation.name })
                : $t('join.invitation.to', { address: invitation.address })
            }}
          </p>
          <div v-if="canMake && !(invited && mode === '')" class="choice" role="group" :aria-label="$t('join.who')">
            <button :aria-pressed="mode !== 'make'" @click="mode = 'sign-in'">{{ $t('join.haveOne') }}</button>
            <button :aria-pressed="mode === 'make'" @click="mode = 'make'">{{ $t('join.makeOne') }}</button>
          </div>
          <h2 v-else>{{ $t('join.who') }}</h2>
          <form v-if="canMake && (mode === 'make' || (invited && mode === ''))" @submit.prevent="make">
            <template v-if="!invited || invitation?.account === 'none'">
              <div class="field">
                <label for="given">{{ $t('join.given') }}</label><InputText
                  id="given"
                  v-model="form.given"
                  autocomplete="given-name"
                  required
                  maxlength="80"
                  :aria-invalid="!!wrong('given')"
                  fluid
                /><span v-if="wrong('given')" class="wrong" role="alert">{{ wrong('given') }}</span>
              </div>
              <div class="field">
                <label for="family">{{ $t('join.family') }}</label><InputText
                  id="family"
                  v-model="form.family"
                  autocomplete="family-name"
                  required
                  maxlength="80"
                  :aria-invalid="!!wrong('family')"
                  fluid
                /><span v-if="wrong('family')" class="wrong" role="alert">{{ wrong('family') }}</span>
              </div>
              <div v-if="look.levels && look.levels.lowest !== look.levels.highest" class="field">
                <label for="level">{{ $t('join.level') }}</label><select
                  id="level"
                  v-model="form.level"
                  class="plain"
                  required
                >
                  <option value="">{{ $t('join.choose') }}</option>
                  <option
                    v-for="n in look.levels.highest - look.levels.lowest + 1"
                    :key="n"
                    :value="String(look.levels.lowest + n - 1)"
                  >
                    {{ look.levels.lowest + n - 1 }}
                  </option></select
                ><span v-if="wrong('level')" class="wrong" role="alert">{{ wrong('level') }}</span>
              </div>
            </template>
            <div v-if="look.sections.length" class="field">
              <label for="section">{{ $t('join.section') }}</label><select
                id="section"
                v-model="form.section"
                class="plain"
                required
              >
                <option value="">{{ $t('join.choose') }}</option>
                <option v-for="section in look.sections" :key="section.id" :value="section.id">
                  {{ section.name }}: {{ section.meets }}
                </option>
              </select>
            </div>
            <div v-if="asks" class="field">
              <label for="why">{{ $t('join.why') }}</label><InputText
                id="why"
                v-model="form.why"
                maxlength="300"
                fluid
              />
            </div>
            <NewPassword
              id="new-password"
              v-model="form.password"
              :label="$t('join.password')"
              :wrong="wrong('password')"
              :own="[form.given, form.family]"
            />
            <Button
              type="submit"
              :disabled="busy"
              :label="
                $t(invited && invitation?.account === 'password' ? 'join.first' : asks ? 'join.makeAsk' : 'join.make')
              "
              fluid
            />
            <p v-if="invited">
              <button type="button" class="word" @click="mode = 'sign-in'">{{ $t('join.haveOne') }}</button>
            </p>
          </form>
          <template v-else>
            <SignInForm :known="invitation?.login ?? ''" @done="see" />
            <p v-if="!canMake && !invited" class="soft small">{{ $t('join.noAccount') }}</p>
          </template>
        </section>

        <section v-else-if="you">
          <p class="you">
            {{ $t('join.you', { name: you.name }) }}
            <button class="word" :disabled="busy" @click="leave">{{ $t('join.notYou') }}</button>
          </p>
          <template v-if="invitation && !invitation.yours && !over">
            <p class="callout">
              {{
                invitation.name
                  ? $t('join.invitation.forYou', { name: invitation.name })
                  : $t('join.invitation.to', { address: invitation.address })
              }}
            </p>
            <Button
              v-if="!invitation.name"
              :disabled="busy"
              :label="$t('join.invitation.asMe', { name: you.name })"
              fluid
              @click="join(true)"
            />
            <Button
              severity="secondary"
              variant="outlined"
              :disabled="busy"
              :label="$t('join.invitation.otherAccount')"
              fluid
              @click="leave"
            />
          </template>
          <template v-else-if="admission?.passage === 'no'"
            ><p class="callout" role="alert">
              {{ admission.sentence
              }}<template v-if="admission.code === 'not-yet'">
                {{ $t('join.closed.not-yet', { day: day(look.fromAt, zone) }) }}</template
              >
            </p>
            <p class="soft">
              {{
                $t(admission.next === 'ask-lead' && look.leads.length ? 'join.helps' : 'join.next.' + admission.next, {
                  leads: look.leads.join(', '),
                })
              }}
            </p></template
          >
          <template v-else-if="over === 'answered' && admission?.passage !== 'already'"
            ><p class="callout" role="alert">{{ $t('join.invitation.answered') }}</p></template
          >
          <template v-else-if="admission?.passage === 'already'"
            ><p>{{ $t('join.already') }}</p>
            <RouterLink class="go" :to="{ name: 'landing', params: { site: look.site.id } }">{{
              $t('join.enter')
            }}</RouterLink></template
          >
          <template v-else-if="admission?.waits"
            ><p>
              {{
                admission.passage === 'line'
                  ? $t('join.alreadyWaiting', { n: admission.place })
                  : $t('join.alreadyAsked')
              }}
            </p>
            <RouterLink class="go" to="/sites/in">{{ $t('join.mine') }}</RouterLink></template
          >
          <form v-else-if="admission" @submit.prevent="join(false)">
            <p v-if="admission.passage === 'line'">{{ $t('join.full', { n: admission.place }) }}</p>
            <div v-if="look.sections.length" class="field">
              <label for="section">{{ $t('join.section') }}</label><select
                id="section"
                v-model="form.section"
                class="plain"
                required
              >
                <option value="">{{ $t('join.choose') }}</option>
                <option v-for="section in look.sections" :key="section.id" :value="section.id">
                  {{ section.name }}: {{ section.meets }}
                </option></select
              ><span v-if="wrong('section')" class="wrong" role="alert">{{ wrong('section') }}</span>
            </div>
            <div v-if="admission.passage === 'approval'" class="field">
              <label for="why">{{ $t('join.why') }}</label><InputText
                id="why"
                v-model="form.why"
                maxlength="300"
                aria-describedby="why-hint"
                fluid
              /><span id="why-hint" class="hint">{{ $t('join.whyHint') }}</span>
            </div>
            <Button
              type="submit"
              :disabled="busy"
              :label="
                $t(
                  admission.passage === 'line'
                    ? 'join.wait'
                    : admission.passage === 'approval'
                      ? 'join.ask'
                      : 'join.join',
                )
              "
              fluid
            />
          </form>
          <Button v-else :disabled="busy" :label="$t('join.join')" fluid @click="join(false)" />
        </section>
        <p v-if="!invited && step !== 'done'" class="small">
          <button class="word" @click="another">{{ $t('join.other') }}</button>
        </p>
      </template>
      <p v-else-if="refusal" class="callout bad" role="alert">{{ refusal.sentence }}</p>
      <p v-else class="skeleton" />
    </div>
  </div>
</template>

<style scoped>
.porch {
  min-height: 100%;
  display: grid;
  justify-items: center;
  align-content: start;
  padding: 18px 14px 40px;
  background: linear-gradient(var(--mint-pale), var(--paper) 70%);
}
.card {
  width: min(440px, 100%);
  display: grid;
  gap: 16px;
  background: var(--sheet);
  border: 8px solid var(--spruce);
  border-bottom: 0;
  border-radius: 8px 8px 0 0;
  padding: 20px;
  box-shadow: 0 3px 0 var(--spruce);
}
.name {
  display: flex;
  gap: 10px;
  align-items: center;
  font-family: var(--title);
  font-weight: 700;
  font-size: 1.1rem;
}
form,
section {
  display: grid;
  gap: 14px;
}
.what {
  gap: 5px;
}
.door {
  display: flex;
  gap: 12px;
  align-items: center;
}
.key {
  font-family: var(--mono);
  width: 100%;
  padding: 8px 10px;
  resize: none;
  field-sizing: content;
  overflow-wrap: anywhere;
}
.small {
  font-size: 0.92rem;
}
.choice {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0;
  border-bottom: 2px solid var(--line);
}
.choice button {
  background: none;
  border: 0;
  border-bottom: 4px solid transparent;
  padding: 8px 4px;
  cursor: pointer;
  font-weight: 600;
  color: var(--soft);
}
.choice button[aria-pressed='true'] {
  border-color: var(--spruce);
  color: var(--ink);
}
.you {
  font-weight: 600;
}
.go {
  display: block;
  text-align: center;
  background: var(--spruce);
  color: var(--on-spruce);
  font-weight: 600;
  padding: 10px 20px;
  border-radius: 4px;
  text-decoration: none;
}
.done h2 {
  font-size: 1.5rem;
}
blockquote {
  margin: 4px 0 0;
  padding: 6px 12px;
  border-left: 4px solid var(--mint);
  white-space: pre-line;
}
select {
  width: 100%;
  padding: 8px;
}
</style>
