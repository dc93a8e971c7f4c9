import { useSessionStorage } from '@vueuse/core'
import { computed, inject, provide, reactive, ref, watch, type InjectionKey } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, freshKey, Problem, take, type Joined, type JoinLook } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { findOutWhoIAm, me, signIn, signOut } from '@/shared/me'
import { dayAndTime } from '@/shared/sentences'
import { t } from '@/shared/words'

type Joining = ReturnType<typeof beginJoining>
const JOINING: InjectionKey<Joining> = Symbol('joining')

/** Coming in through a door, step by step, for the page and the parts of it that ask one thing each. */
export function provideJoining(): Joining {
  const joining = beginJoining()
  provide(JOINING, joining)
  return joining
}

/** The same, in a part of the page. */
export function useJoining(): Joining {
  const joining = inject(JOINING)
  if (!joining) throw new Error('Nobody is joining here.')
  return joining
}

function beginJoining() {
  const route = useRoute()
  const router = useRouter()
  const invited = route.name === 'invitation'
  const visitor = useSessionStorage('visitor', freshKey).value
  const key = ref(invited ? '' : route.hash.slice(1))
  const token = invited ? route.hash.slice(1) : ''
  const look = ref<JoinLook | null>(null)
  const joined = ref<(Joined & { login?: string }) | null>(null)
  const mode = ref<'' | 'sign-in' | 'make'>('')
  const form = reactive({
    section: '',
    why: '',
    /** That one comes although one is wanted elsewhere. */
    clash: false,
    answers: [] as string[],
    given: '',
    family: '',
    level: '',
    password: '',
  })
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
    else
      refusal.value = { sentence: thrown.message, next: String((thrown.document as { next?: string }).next ?? 'none') }
  })

  /** That one comes although one is wanted elsewhere, where it is asked. */
  const mean = () => (form.clash ? { clash: true } : {})
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
  /** What one has at the same time as what one is about to join. */
  const clash = computed(() =>
    form.section ? look.value?.sections.find(({ id }) => id === form.section)?.clash : look.value?.clash,
  )
  const sections = computed(() =>
    (look.value?.sections ?? []).map(({ id, name, meets, next, clash }) => ({
      value: id,
      label: [
        name,
        meets || (next ? t('join.meetsNext', { at: dayAndTime(next, zone.value) }) : ''),
        clash ? t('join.clashes', { site: clash.site }) : '',
      ]
        .filter(Boolean)
        .join(' · '),
    })),
  )
  const levels = computed(() => {
    const run = look.value?.levels
    const many = run ? run.highest - run.lowest + 1 : 0
    return Array.from({ length: many }, (_, index) => ({
      value: String(run!.lowest + index),
      label: run!.names[index] ?? String(run!.lowest + index),
    }))
  })
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
          body: {
            ...way(),
            section: form.section || null,
            why: form.why,
            answers: form.answers,
            ...mean(),
            asMe,
          },
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
            answers: form.answers,
            ...mean(),
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
  return {
    invited,
    key,
    look,
    joined,
    mode,
    form,
    refusal,
    wrong,
    busy,
    see,
    sections,
    clash,
    levels,
    zone,
    you,
    admission,
    invitation,
    closed,
    asks,
    over,
    canMake,
    step,
    join,
    make,
    leave,
    another,
  }
}
