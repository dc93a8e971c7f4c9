import { ownLocale } from '@/shared/own'
import type { components } from '@/shared/schema'
import { isSaid, t, tIn } from '@/shared/words'

type Schemas = components['schemas']
export type SitePlan = Schemas['SitePlan']
export type Plan = Schemas['Plan']
export type Outcome = Schemas['PlanOutcome']
export type PlanSection = Schemas['PlanSection']
export type Planned = Schemas['Planned']
export type OwnWishes = Schemas['OwnWishes']
export type OwnPlace = Schemas['OwnPlace']

/** Names of sections by their ids, those that are gone left out. */
export type Names = (ids: readonly string[]) => string[]

/** Example: "Morning, Noon or Evening". */
const either = (names: string[]) => new Intl.ListFormat(ownLocale, { type: 'disjunction' }).format(names)
export const listed = (names: string[]) => new Intl.ListFormat(ownLocale, { type: 'conjunction' }).format(names)

/** Example: "first wish". */
export const nthWish = (n: number) =>
  isSaid('plans.nth', String(n)) ? tIn('plans.nth', String(n)) : t('plans.nth.other', { n })

/** Why somebody is where a plan puts them, in a few words. */
export function whyOf(
  each: Pick<Planned, 'because' | 'wish' | 'full' | 'cannot' | 'kept'>,
  names: Names,
  own = false,
): string {
  const said = { wish: nthWish(each.wish ?? 0) }
  // Where there is no place, what would make one says the same.
  const full = each.because === 'nowhere' ? [] : names(each.full)
  const cannot = names(each.cannot)
  const kept = names(each.kept)
  return [
    own ? tIn('plans.own.because', each.because, said) : tIn('plans.because', each.because, said),
    full.length ? t('plans.full', { names: listed(full) }, full.length) : '',
    cannot.length ? t('plans.cannot', { names: listed(cannot) }) : '',
    kept.length ? t('plans.kept', { names: listed(kept) }) : '',
  ]
    .filter(Boolean)
    .join(' ')
}

/** Of what would do by itself, so many are named. */
const MOST = 3

/** The smallest change that would place somebody who is nowhere. */
export function wouldPlace({ onePlace, anHour }: Pick<Planned, 'onePlace' | 'anHour'>, names: Names): string {
  const places = names(onePlace).slice(0, MOST)
  const hours = names(anHour).slice(0, MOST)
  if (places.length) return t('plans.onePlace', { names: either(places) })
  return hours.length ? t('plans.anHour', { names: either(hours) }) : ''
}

const percent = new Intl.NumberFormat(ownLocale, { style: 'percent' })

/**
 * How many got which wish, in one sentence, of those who said what they wish.
 * Example: "86 % get their first wish, 11 % their second; nobody is worse off than with their third."
 */
export function sharesOf(outcome: Outcome): { wish: number; people: number; share: string }[] {
  const whole =
    outcome.wishes.reduce((sum, { people }) => sum + people, 0) + outcome.because.unnamed + outcome.because.nowhere
  return outcome.wishes.map(({ wish, people }) => ({
    wish,
    people,
    share: percent.format(people / Math.max(1, whole)),
  }))
}

/** By how much another plan could be better at most, where it was searched for. Example: "4.2%". */
export const betterOf = (share: number) =>
  new Intl.NumberFormat(ownLocale, { style: 'percent', maximumFractionDigits: 1 }).format(
    Math.ceil(share * 1_000) / 1_000,
  )

/** What a plan is asked, as it is asked for again. */
export const askedOf = (plan: Plan, sections: PlanSection[]) => ({
  sections: sections.filter(({ used }) => used).map(({ id, places, least }) => ({ id, places, least })),
  moves: plan.moves,
  stays: plan.stays.map(({ id }) => id),
  together: plan.together.map((group) => group.map(({ id }) => id)),
  apart: plan.apart.map((group) => group.map(({ id }) => id)),
  balances: plan.balances,
  wishesFrom: plan.wishesFrom,
  wishesUntil: plan.wishesUntil,
})
