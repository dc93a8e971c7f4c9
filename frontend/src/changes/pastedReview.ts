import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { api, take, type LineRequest, type Site } from '@/shared/api'
import { useRested } from '@/shared/rested'
import { isClash, useClashes } from '@/roster/clashes'
import { keyed, MOST_CHARACTERS, whoOf, type PastedItem, type PastedWork, type Said } from '@/intake/pasted'

/**
 * A pasted text as it is read, and what letting its people in would do: asked again whenever the text, the choices for
 * all of it, or what was said of a line changes. Nothing is asked before `opened`.
 */
export function usePastedReview(site: Site, work: Ref<PastedWork>, opened: Ref<boolean>) {
  const { t, n } = useI18n()
  const clashes = useClashes(work)
  const tooLong = computed(() => work.value.text.length > MOST_CHARACTERS)
  const asked = refDebounced(
    computed(() => ({
      text: work.value.text,
      role: work.value.role || null,
      columns: work.value.columns ?? {},
      hands: Object.entries(work.value.hands ?? {}).map(([text, hand]) => ({ text, ...hand })),
    })),
    350,
  )
  const { data: read, error } = useQuery({
    queryKey: ['intake', 'pasted', site.id, asked],
    enabled: computed(() => opened.value && !tooLong.value && asked.value.text.trim() !== ''),
    queryFn: () => take(api.POST('/sites/{site}/intake', { params: { path: { site: site.id } }, body: asked.value })),
    placeholderData: keepPreviousData,
  })
  const items = computed(() => keyed(read.value?.items ?? []))
  const said = (item: PastedItem): Said => work.value.said[item.key] ?? {}
  const say = (item: PastedItem, more: Said) =>
    (work.value.said = { ...work.value.said, [item.key]: { ...said(item), ...more } })
  const who = (item: PastedItem) => (item.outcome === 'repeat' ? undefined : whoOf(item, said(item)))
  /** Lines kept for an invitation, on their way to one. */
  const invitees = computed(() => items.value.filter((item) => said(item).keep).map((item) => item.text))
  const open = (item: PastedItem) => !said(item).out && !said(item).keep

  const requests = computed(() =>
    items.value
      .filter((item) => open(item) && who(item))
      .map((item) => {
        const own = said(item)
        const section = own.section || (item.sections.length === 1 ? item.sections[0]! : work.value.section) || null
        const there = who(item)!.standing
        // Who is here already is put where the list says.
        const here = !!there && ['current', 'paused', 'upcoming', 'waiting'].includes(there.state)
        if (here && section && !there.sections.includes(section)) {
          const line = clashes.asMeant<LineRequest>({ person: who(item)!.person.id, verb: 'put-in-section', section })
          return { key: item.key, request: { site: site.id, text: item.text.slice(0, 200), line } }
        }
        const line = clashes.asMeant<LineRequest>({
          person: who(item)!.person.id,
          verb: 'let-in',
          named: item.text.slice(0, 300),
          role: own.role || work.value.role || null,
          fromDay: own.fromDay || work.value.fromDay || null,
          untilDay: own.untilDay || work.value.untilDay || null,
          section,
          sure: !!own.sure,
        })
        return { key: item.key, request: { site: site.id, text: item.text.slice(0, 200), line } }
      }),
  )
  const { key, value, isNow } = useRested(() => requests.value, 200)
  const {
    data: review,
    error: wrong,
    isFetching,
  } = useQuery({
    queryKey: ['preview', 'pasted', site.id, key],
    enabled: computed(() => value.value.length > 0),
    queryFn: async () => {
      const asked = value.value
      const answer = await take(api.POST('/change-reviews', { body: { lines: asked.map((each) => each.request) } }))
      return { ...answer, byKey: new Map(answer.lines.map((line) => [asked[line.key]!.key, line])) }
    },
    placeholderData: keepPreviousData,
  })
  const current = computed(() => (requests.value.length && isNow.value && !isFetching.value ? review.value : undefined))
  const lineOf = (item: PastedItem) => (who(item) && open(item) ? review.value?.byKey.get(item.key) : undefined)

  /** Verdicts after which somebody has to decide. */
  const UNSETTLED = ['needs-choice', 'refused', 'waits-for-seat']
  /** A line that was settled here stays where it was asked about, so that nothing jumps under the hand. */
  const wants = (item: PastedItem) =>
    ['choose', 'unknown'].includes(item.outcome) || UNSETTLED.includes(lineOf(item)?.verdict ?? '')

  /** What wants a decision comes first, then what will happen; what is so already, and what is nobody, is folded. */
  const part = (item: PastedItem): 'asks' | 'will' | 'so' | 'aside' | 'nobody' => {
    if (item.outcome === 'no-person') return 'nobody'
    if (!open(item)) return 'aside'
    if (item.outcome === 'repeat' || lineOf(item)?.verdict === 'nothing-to-do') return 'so'
    return wants(item) ? 'asks' : 'will'
  }
  const parts = computed(() => {
    const all = {
      asks: [] as PastedItem[],
      will: [] as PastedItem[],
      so: [] as PastedItem[],
      aside: [] as PastedItem[],
      nobody: [] as PastedItem[],
    }
    for (const item of items.value) all[part(item)].push(item)
    return all
  })
  const ready = computed(() => current.value?.verdicts.ready ?? 0)
  const count = (test: (item: PastedItem) => boolean) => items.value.filter((item) => open(item) && test(item)).length
  const sum = computed(() => {
    const toSettle = count(
      (item) => (item.outcome === 'choose' && !who(item)) || lineOf(item)?.verdict === 'needs-choice',
    )
    const unknown = count((item) => item.outcome === 'unknown' && !who(item))
    const already = count((item) => lineOf(item)?.verdict === 'nothing-to-do')
    const cannot = count((item) => ['refused', 'waits-for-seat'].includes(lineOf(item)?.verdict ?? ''))
    const after = current.value?.sites[0]
    return (
      [
        t('pasted.ready', { n: ready.value }, ready.value),
        toSettle && t('pasted.toSettle', { n: toSettle }, toSettle),
        already && t('pasted.already', { n: already }, already),
        unknown && t('pasted.unknown', { n: unknown }, unknown),
        cannot && t('pasted.cannot', { n: cannot }, cannot),
      ]
        .filter(Boolean)
        .join(', ') +
      (after
        ? '; ' +
          (after.seats === null
            ? t('pasted.heldAfter', { n: n(after.after) }, after.after)
            : t('pasted.seatsAfter', { after: n(after.after), seats: n(after.seats) }))
        : '') +
      '.'
    )
  })

  const clashing = computed(() => (review.value?.lines ?? []).filter(isClash).map(({ person }) => person))

  return {
    clashes,
    clashing,
    tooLong,
    read,
    error,
    items,
    said,
    say,
    who,
    invitees,
    open,
    requests,
    wrong,
    current,
    lineOf,
    parts,
    ready,
    sum,
  }
}
