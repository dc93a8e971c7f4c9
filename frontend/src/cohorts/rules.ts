import type { Cohort, CohortRule } from '@/shared/api'
import { t } from '@/shared/words'

/** One part of a rule as it is written in the form: what people are, or several parts that are joined. */
export interface Part {
  key: number
  kind: PartKind
  /** Whether it is what they are not. */
  not: boolean
  names: string[]
  lowest: number | null
  highest: number | null
  site: Place | null
  section: string
  role: string
  cohort: string
  parts: Part[]
}
export interface Place {
  id: string
  title: string
}
export const ATOMS = ['kinds', 'divisions', 'levels', 'labels', 'in', 'cohort'] as const
export type PartKind = (typeof ATOMS)[number] | 'all' | 'any'

let keys = 0
export const emptyPart = (kind: PartKind): Part => ({
  key: ++keys,
  kind,
  not: false,
  names: [],
  lowest: null,
  highest: null,
  site: null,
  section: '',
  role: '',
  cohort: '',
  parts: [],
})

export const joins = (part: Part) => part.kind === 'all' || part.kind === 'any'

/** A rule as the form has it. */
export function partOf(rule: CohortRule, names: Cohort['names']): Part {
  if (rule.kind === 'not') {
    const inner = rule.parts?.[0]
    return inner ? { ...partOf(inner, names), not: true } : emptyPart('all')
  }
  return {
    ...emptyPart(rule.kind),
    names: [...(rule.names ?? [])],
    lowest: rule.lowest ?? null,
    highest: rule.highest ?? null,
    site: rule.site ? { id: rule.site, title: names.find(({ id }) => id === rule.site)?.name ?? '…' } : null,
    section: rule.section ?? '',
    role: rule.role ?? '',
    cohort: rule.cohort ?? '',
    parts: (rule.parts ?? []).map((part) => partOf(part, names)),
  }
}

/** The rule that a form comes to; nothing while a part of it says nothing. */
export function ruleOf(part: Part): CohortRule | undefined {
  const rule = part.kind === 'all' || part.kind === 'any' ? joined(part) : atom(part)
  return rule && part.not ? { kind: 'not', parts: [rule] } : rule
}

function joined(part: Part): CohortRule | undefined {
  const parts = part.parts.map(ruleOf)
  if (!parts.length || parts.some((each) => !each)) return undefined
  return parts.length === 1 ? parts[0] : { kind: part.kind, parts: parts as CohortRule[] }
}

function atom(part: Part): CohortRule | undefined {
  const { kind, names, lowest, highest, site, section, role, cohort } = part
  if (kind === 'levels') {
    const to = highest ?? lowest
    return lowest === null || to === null || to < lowest ? undefined : { kind, lowest, highest: to }
  }
  if (kind === 'in') return site ? { kind, site: site.id, section: section || null, role: role || null } : undefined
  if (kind === 'cohort') return cohort ? { kind, cohort } : undefined
  return names.length ? { kind, names } : undefined
}

/** What is needed to say a rule. */
export interface Reading {
  kind: (code: string) => string
  division: (code: string) => string
  level: (level: number) => string
  role: (code: string) => string
  /** Of a site, section or cohort; nothing for one that may not be known. */
  name: (id: string) => string | undefined
}

const orList = (names: string[]) => names.reduce((before, after) => t('cohorts.said.or', { before, after }))

/** Who belongs, as a sentence. */
export const sentenceOf = (rule: CohortRule, reading: Reading): string =>
  t('cohorts.said.whole', { said: said(rule, reading, false) })

function said(rule: CohortRule, reading: Reading, inner: boolean): string {
  const names = rule.names ?? []
  const known = (id?: string | null) => (id ? (reading.name(id) ?? t('cohorts.said.unknown')) : '')
  switch (rule.kind) {
    case 'kinds':
      return t('cohorts.said.kinds', { names: orList(names.map(reading.kind)) })
    case 'divisions':
      return t('cohorts.said.divisions', { names: orList(names.map(reading.division)) })
    case 'labels':
      return t('cohorts.said.labels', { names: orList(names.map((name) => `“${name}”`)) })
    case 'levels': {
      const [from, to] = [rule.lowest ?? 0, rule.highest ?? 0]
      return from === to
        ? t('cohorts.said.level', { level: reading.level(from) })
        : t('cohorts.said.levels', { lowest: from, highest: to })
    }
    case 'in': {
      const site = rule.section
        ? t('cohorts.said.section', { site: known(rule.site), section: known(rule.section) })
        : known(rule.site)
      return rule.role
        ? t('cohorts.said.inAs', { site, role: reading.role(rule.role) })
        : t('cohorts.said.in', { site })
    }
    case 'cohort':
      return t('cohorts.said.cohort', { name: known(rule.cohort) })
    case 'not':
      return t('cohorts.said.not', { said: rule.parts?.[0] ? said(rule.parts[0], reading, true) : '' })
    default:
      return saidTogether(rule, reading, inner)
  }
}

function saidTogether(rule: CohortRule, reading: Reading, inner: boolean): string {
  const parts = rule.parts ?? []
  const isNot = (part: CohortRule) => part.kind === 'not'
  // What they are comes first, what they are not behind it.
  const ordered = rule.kind === 'all' ? [...parts.filter((part) => !isNot(part)), ...parts.filter(isNot)] : parts
  const texts = ordered.map((part) => said(part, reading, true))
  const whole = texts.reduce((before, after, place) => {
    if (rule.kind === 'any') return t('cohorts.said.or', { before, after })
    if (isNot(ordered[place]!) && !isNot(ordered[0]!)) return t('cohorts.said.but', { before, after })
    const next = ordered[place + 1]
    return t(next && !isNot(next) ? 'cohorts.said.comma' : 'cohorts.said.and', { before, after })
  })
  return inner && texts.length > 1 ? t('cohorts.said.inner', { said: whole }) : whole
}
