import type { Site, Visibility } from '@/shared/api'
import { day } from '@/shared/sentences'
import { inSentence, t } from '@/shared/words'
import type { RoleName } from '@/shared/sentences'

type Part = Omit<Visibility, 'parts'> & { parts?: Part[] }

/** What names of sections and roles are needed to read a sentence. */
export interface Reading {
  site: Pick<Site, 'sections'>
  /** Of a group, by its id; nothing for one that is gone. */
  groupName?: (id: string) => string | undefined
  roleName: RoleName
}

const noon = (date: string) => day(date + 'T12:00:00Z', 'UTC')

/** Who sees something, as a sentence. */
export function sentenceOf(visibility: Part, reading: Reading, inner = false): string {
  const names = visibility.names ?? []
  switch (visibility.kind) {
    case 'everybody':
      return t('items.sentence.everybody')
    case 'sections': {
      const known = names.map((id) => reading.site.sections.find((section) => section.id === id)?.name)
      const said = known.map((name) => name ?? t('items.sentence.gone')).join(', ')
      return t('items.sentence.sections', { names: said }, names.length)
    }
    case 'groups': {
      const said = names.map((id) => reading.groupName?.(id) ?? t('items.sentence.gone')).join(', ')
      return t('items.sentence.groups', { names: said }, names.length)
    }
    case 'roles': {
      const said = names.map((code) => inSentence(reading.roleName(code))).join(', ')
      return t('items.sentence.roles', { names: said }, names.length)
    }
    case 'labels':
      return t('items.sentence.labels', { names: names.join(', ') }, names.length)
    case 'dates': {
      const [from, until] = [
        visibility.from ? noon(visibility.from) : '',
        visibility.until ? noon(visibility.until) : '',
      ]
      return t(`items.sentence.${from && until ? 'between' : from ? 'from' : 'until'}`, { from, until })
    }
    default: {
      const said = (visibility.parts ?? []).map((part) => sentenceOf(part, reading, true))
      const joined = said.reduce((before, after) =>
        t(`items.sentence.${visibility.kind === 'all' ? 'and' : 'or'}`, { before, after }),
      )
      return inner && said.length > 1 ? t('items.sentence.inner', { part: joined }) : joined
    }
  }
}

/** One condition of a sentence as it is written in the form. */
export interface Condition {
  kind: 'sections' | 'groups' | 'roles' | 'labels' | 'dates'
  names: string[]
  from: string
  until: string
}
export interface Draft {
  join: 'all' | 'any'
  conditions: Condition[]
}
const CONDITIONS = ['sections', 'groups', 'roles', 'labels', 'dates'] as const
export type ConditionKind = (typeof CONDITIONS)[number]
const isCondition = (kind: string): kind is ConditionKind => (CONDITIONS as readonly string[]).includes(kind)

const condition = (part: Part): Condition => ({
  kind: part.kind as ConditionKind,
  names: [...(part.names ?? [])],
  from: part.from ?? '',
  until: part.until ?? '',
})

/** A sentence as the form has it; nothing for one whose parts stand deeper in one another than the form goes. */
export function draftOf(visibility: Part): Draft | undefined {
  if (visibility.kind === 'everybody') return { join: 'all', conditions: [] }
  if (isCondition(visibility.kind)) return { join: 'all', conditions: [condition(visibility)] }
  const parts = visibility.parts ?? []
  return parts.every(({ kind }) => isCondition(kind))
    ? { join: visibility.kind as 'all' | 'any', conditions: parts.map(condition) }
    : undefined
}

/** The sentence that a form comes to; nothing while a part of it says nothing. */
export function sentenceFrom(draft: Draft): Visibility | undefined {
  const parts = draft.conditions.map((each) =>
    each.kind === 'dates'
      ? { kind: each.kind, from: each.from || null, until: each.until || null }
      : { kind: each.kind, names: each.names },
  )
  const empty = draft.conditions.some((each) =>
    each.kind === 'dates' ? !each.from && !each.until : each.names.length === 0,
  )
  if (empty) return undefined
  if (!parts.length) return { kind: 'everybody' }
  return parts.length === 1 ? parts[0]! : { kind: draft.join, parts }
}

export const emptyCondition = (kind: ConditionKind): Condition => ({ kind, names: [], from: '', until: '' })
