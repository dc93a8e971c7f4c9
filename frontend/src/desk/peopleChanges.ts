import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { isClash, useClashes } from '@/roster/clashes'
import { api, take, type ContentsRequest } from '@/shared/api'
import { useRested } from '@/shared/rested'

/** Some people and sites, and what is done to all of the ones in all of the others, as it is worked on and kept. */
export interface PeopleWork {
  people: string[]
  sites: { id: string; title: string }[]
  verb: 'let-in' | 'remove' | 'change-role'
  role: string
  fromDay: string
  untilDay: string
  sure: boolean
  tell: boolean
  words: string
  /** Into which section, where it is one site. */
  section?: string
  clashing?: string[]
  clashWhy?: string
}

/** What it would do, computed again whenever it is worked on. */
export function usePeopleReview(work: Ref<PeopleWork>) {
  const { t, n } = useI18n()
  const clashes = useClashes(work)
  const each = computed<NonNullable<ContentsRequest['each']>>(() => ({
    people: work.value.people,
    sites: work.value.sites.map((site) => site.id),
    verb: work.value.verb,
    role: work.value.verb === 'remove' ? null : work.value.role || null,
    fromDay: work.value.verb === 'let-in' ? work.value.fromDay || null : null,
    untilDay: work.value.verb === 'let-in' ? work.value.untilDay || null : null,
    sure: work.value.sure,
    ...(work.value.verb === 'let-in' && work.value.sites.length === 1 && work.value.section
      ? { section: work.value.section }
      : {}),
    ...(clashes.said.value.size ? { clashing: [...clashes.said.value], note: clashes.why.value.trim() } : {}),
  }))
  const complete = computed(
    () =>
      work.value.sites.length > 0 &&
      work.value.people.length > 0 &&
      (work.value.verb !== 'change-role' || !!work.value.role),
  )
  const { key, value, isNow } = useRested(() => each.value, 250)
  const {
    data: review,
    error,
    isFetching,
  } = useQuery({
    queryKey: ['preview', 'people', key],
    enabled: computed(() => complete.value && isNow.value),
    queryFn: () => take(api.POST('/change-reviews', { body: { each: value.value } })),
    placeholderData: keepPreviousData,
  })
  const current = computed(() => (complete.value && isNow.value && !isFetching.value ? review.value : undefined))
  const ready = computed(() => current.value?.verdicts.ready ?? 0)
  const sum = computed(() => {
    const of = (...verdicts: string[]) =>
      verdicts.reduce((sum, verdict) => sum + (review.value?.verdicts[verdict] ?? 0), 0)
    return (['ready', 'nothing', 'choice', 'cannot'] as const)
      .map((word) => {
        const count = {
          ready: of('ready'),
          nothing: of('nothing-to-do'),
          choice: of('needs-choice'),
          cannot: of('refused', 'waits-for-seat'),
        }[word]
        return count ? t(`people.changeList.sum.${word}`, { n: n(count) }, count) : ''
      })
      .filter(Boolean)
      .join(', ')
  })

  const clashing = computed(() => {
    const people = new Map((review.value?.lines ?? []).filter(isClash).map(({ person }) => [person.id, person]))
    return [...people.values()]
  })

  return { clashes, clashing, each, complete, review, current, error, ready, sum }
}
