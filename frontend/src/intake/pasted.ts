import type { PastedLine } from '@/shared/api'
import { kindName } from '@/shared/kinds'

/** A line longer than this is no list of names. */
const LONGEST_LINE = 5_000

/**
 * Whether a pasted text is a list rather than one person: several lines, or several numbers, addresses or names in one.
 */
export const isList = (text: string) =>
  /\S\s*[\r\n]+\s*\S/.test(text) || (text.length < LONGEST_LINE && severalInALine(text))

const severalInALine = (text: string) =>
  /<[^<>\s]+@[^<>\s]+>.*<[^<>\s]+@/.test(text) ||
  /^\s*[^\d,;]+\s[^\d,;]+([,;]\s*[^\d,;]+\s[^\d,;]+){2,}$/.test(text) ||
  /^\s*\S*\d{4,}\S*(\s*[,;]\s*\S*\d{4,}\S*)+\s*$/.test(text) ||
  /\p{L}{2,}\S*\s*(;|\s[&+]\s|\s(and|und|et|y)\s)\s*\p{L}+\s+\p{L}{2,}/u.test(text)

/** More is not sent: the server would not take it, and says so in the same words. */
export const MOST_CHARACTERS = 400_000

/** What somebody said of one line, by what stands on it: lines keep it when others are corrected. */
export interface Said {
  person?: string
  found?: PastedCandidate['person']
  role?: string
  fromDay?: string
  untilDay?: string
  section?: string
  sure?: boolean
  out?: boolean
  keep?: boolean
}

export type ColumnIs = 'given' | 'family' | 'remark'

/** How somebody said that a line is to be read. */
export interface ByHand {
  one: boolean
  cuts: number[]
  words: Record<string, ColumnIs>
  meant: boolean
}

/** A word of a line, with its place among the pieces of the whole line. */
export interface Word {
  text: string
  piece: number
  cell: number
}

/** The words of a whole line, from all the people it was read as. */
export function wordsOf(items: PastedLine[], number: number): Word[] {
  const words = new Map<number, Word>()
  for (const { marks } of items.filter((item) => item.number === number))
    for (const { text, piece, cell } of marks) if (piece !== null) words.set(piece, { text, piece, cell })
  return [...words.values()].sort((a, b) => a.piece - b.piece)
}

/** The pieces of a whole line with which another of the people begins whom it was read as. */
export const beginsOf = (items: PastedLine[], number: number): number[] =>
  items
    .filter((item) => item.number === number)
    .flatMap(({ marks }) => marks.find(({ piece }) => piece !== null)?.piece ?? [])
    .sort((a, b) => a - b)
    .slice(1)

/** A pasted list as it is worked on and kept. */
export interface PastedWork {
  text: string
  role: string
  fromDay: string
  untilDay: string
  section: string
  said: Record<string, Said>
  /** How lines are to be read that were read otherwise, by their text. */
  hands?: Record<string, ByHand>
  /** What the list's columns hold, by cell. */
  columns?: Record<string, ColumnIs>
  tell: boolean
  words: string
  /** Of whom being in two places at once is meant, and why. */
  clashing?: string[]
  clashWhy?: string
}

export const emptyWork = (text = ''): PastedWork => ({
  text,
  role: '',
  fromDay: '',
  untilDay: '',
  section: '',
  said: {},
  tell: false,
  words: '',
})

export type PastedItem = PastedLine & { key: string }
export type PastedCandidate = PastedLine['candidates'][number]

/** Lines with what they are told apart by; the same line a second time is another. */
export function keyed(items: PastedLine[]): PastedItem[] {
  const times = new Map<string, number>()
  return items.map((item) => {
    const gist = item.gist || item.text
    const n = (times.get(gist) ?? 0) + 1
    times.set(gist, n)
    return { ...item, key: n > 1 ? `${gist} (${n})` : gist }
  })
}

/** Whom a line is for: the one it means, or the one somebody chose. */
export function whoOf(item: PastedItem, said?: Said): PastedCandidate | undefined {
  if (!said?.person) return item.outcome === 'match' ? item.candidates[0] : undefined
  return (
    item.candidates.find((each) => each.person.id === said.person) ??
    (said.found?.id === said.person ? overrides(said.found) : undefined)
  )
}

/** What tells somebody apart from others of the same name. */
export const aboutPerson = (
  person: PastedCandidate['person'],
  levelName: (level: number, division: string) => string,
) =>
  [
    kindName(person) + (person.level ? ', ' + levelName(person.level, person.division.code) : ''),
    person.division.name,
    person.number,
  ]
    .filter(Boolean)
    .join(' · ')

/** Somebody who was looked for and chosen, whatever the line says. */
export const overrides = (person: PastedCandidate['person']): PastedCandidate =>
  ({
    person,
    visibility: 'full',
    standing: null,
    suggested: null,
    evidence: 'by-hand',
    remembered: false,
    wanted: true,
  }) as unknown as PastedCandidate
