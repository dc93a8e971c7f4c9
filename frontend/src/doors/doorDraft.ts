import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, inject, provide, ref, type InjectionKey } from 'vue'
import { useI18n } from 'vue-i18n'
import { api, Problem, take, type Door, type Site } from '@/shared/api'
import { useBusy } from '@/shared/busy'
import { done, refreshSite, wentWrong } from '@/shared/undo'
import type { Draft } from './doors'

interface Beginning {
  first: Draft
  site: Site
  /** The door that is changed, or none for a new one. */
  door?: Door
  made: (door: string) => void
}
type DoorDraft = ReturnType<typeof beginDraft>
const DRAFT: InjectionKey<DoorDraft> = Symbol('door draft')

/** A door while its sentence is written: what it says, what is wrong with it, how far it reaches. */
export function provideDraft(beginning: Beginning): DoorDraft {
  const draft = beginDraft(beginning)
  provide(DRAFT, draft)
  return draft
}

/** The same, in a part of the sentence. */
export function useDraft(): DoorDraft {
  const draft = inject(DRAFT)
  if (!draft) throw new Error('No door is written here.')
  return draft
}

function beginDraft({ first, site, door, made }: Beginning) {
  const { t, n } = useI18n()
  const draft = ref<Draft>(JSON.parse(JSON.stringify(first)))
  const chosenKey = ref(false)
  const domains = ref(draft.value.domains.join(', '))
  const quiet = ref<'never' | 'days' | 'meetings'>(
    draft.value.quietDays ? 'days' : draft.value.quietMeetings ? 'meetings' : 'never',
  )
  const errors = ref<Problem | null>(null)
  const wrong = (field: string) =>
    errors.value?.document.errors?.find((each) => each.pointer === '/' + field)?.detail ?? ''
  const whole = (value: unknown) => (value === '' || value === null || value === undefined ? null : Number(value))
  const { data: hours } = useQuery({
    queryKey: ['hours', site.id],
    queryFn: () => take(api.GET('/sites/{site}/hours', { params: { path: { site: site.id } } })),
  })
  /** Whether the site says when it meets: then real meetings are counted. */
  const saysWhen = computed(() => !!hours.value?.hours.length)
  const joins = computed(() => draft.value.kind !== 'preview')
  const open = computed(() => draft.value.kind === 'key' || draft.value.kind === 'request')

  const request = computed(() => ({
    ...draft.value,
    key: draft.value.kind === 'key' && chosenKey.value ? draft.value.key : null,
    domains: domains.value
      .toLowerCase()
      .split(/[\s,;]+/)
      .map((each) => each.replace(/^@/, ''))
      .filter(Boolean),
    section: draft.value.place === 'fixed' ? draft.value.section : null,
    fromDay: draft.value.fromDay || null,
    untilDay: draft.value.untilDay || null,
    stayDay: draft.value.stay === 'day' ? draft.value.stayDay || null : null,
    seats: whole(draft.value.seats),
    lowest: whole(draft.value.lowest),
    highest: whole(draft.value.highest),
    remindDays: whole(draft.value.remindDays),
    offerHours: whole(draft.value.offerHours) ?? 14,
    answerDays: whole(draft.value.answerDays) ?? 14,
    quietDays: quiet.value === 'days' ? (whole(draft.value.quietDays) ?? 21) : null,
    quietMeetings: quiet.value === 'meetings' ? (whole(draft.value.quietMeetings) ?? 3) : null,
    meets: quiet.value === 'meetings' ? draft.value.meets : [],
  }))
  // Neither a name nor a key changes how far a door reaches.
  const asked = refDebounced(
    computed(() => ({ ...request.value, name: '', key: null, about: '' })),
    300,
  )
  const { data: reach, error: unreachable } = useQuery({
    queryKey: ['door-reach', site.id, asked],
    enabled: open.value,
    retry: false,
    placeholderData: keepPreviousData,
    queryFn: () =>
      take(api.POST('/sites/{site}/door-reach', { params: { path: { site: site.id } }, body: asked.value })),
  })
  const reachSentence = computed(() => {
    const now = reach.value
    if (!now || unreachable.value) return ''
    const part = (key: 'could' | 'blocked' | 'here', many: number) => t(`doors.reach.${key}`, { n: n(many) }, many)
    return (
      [
        part('could', now.could),
        now.seats ? t('doors.reach.seats', { n: n(now.seats) }, now.seats) : '',
        part('blocked', now.blocked),
        part('here', now.here),
      ]
        .filter(Boolean)
        .join(', ') + '.'
    )
  })

  const { busy, run } = useBusy((thrown) => {
    if (thrown instanceof Problem && thrown.document.errors?.length) errors.value = thrown
    else wentWrong(thrown)
  })
  const save = () =>
    run(async () => {
      errors.value = null
      const path = { site: site.id }
      const saved = door
        ? await take(
            api.PUT('/sites/{site}/doors/{door}', {
              params: { path: { ...path, door: door.id }, header: { 'If-Match': `"${door.version}"` } },
              body: request.value,
            }),
          )
        : await take(api.POST('/sites/{site}/doors', { params: { path }, body: request.value }))
      done(t(`doors.did.${door ? 'changed' : 'made'}`, { name: saved.name }))
      await refreshSite()
      made(saved.id)
    })
  function toggle<T>(of: T[], each: T): T[] {
    return of.includes(each) ? of.filter((other) => other !== each) : [...of, each]
  }
  return {
    draft,
    saysWhen,
    chosenKey,
    domains,
    quiet,
    wrong,
    joins,
    open,
    unreachable,
    reachSentence,
    busy,
    save,
    toggle,
  }
}
