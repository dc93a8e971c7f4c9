import { createI18n, type Composer } from 'vue-i18n'
import open from './words/en/open.json'
import { loadable } from './languages'
import { language, ownLocale } from './own'
import type { Sentences } from './words/keys'

export type Key = keyof Sentences
/** The catalogues, one for each room; `open` is what opens without signing in, `common` what every other page needs. */
export type WordsRoom = (typeof ROOMS)[number]
const ROOMS = [
  'access',
  'accounts',
  'changes',
  'choosing',
  'cohorts',
  'common',
  'doors',
  'forecast',
  'glossary',
  'groups',
  'history',
  'intake',
  'items',
  'messages',
  'numbers',
  'open',
  'people',
  'plans',
  'platform',
  'register',
  'roster',
  'rules',
  'sections',
  'sites',
  'steps',
  'terms',
  'today',
  'details',
  'weeks',
] as const

const NUMBERS = ['zero', 'one', 'two', 'few', 'many', 'other'] as const
const plurals = new Map<string, { rules: Intl.PluralRules; numbers: Intl.LDMLPluralRule[] }>()
/** The numbers a language has, worked out once: every counted sentence asks. */
function pluralsOf(locale: string) {
  const known = plurals.get(locale)
  if (known) return known
  const rules = new Intl.PluralRules(locale)
  const has = rules.resolvedOptions().pluralCategories
  const made = { rules, numbers: NUMBERS.filter((each) => has.includes(each)) }
  plurals.set(locale, made)
  return made
}

/**
 * Which form of a sentence stands for a number: the first for none, where there is one form more than the language has
 * numbers, then those of the language, in the order of CLDR.
 *
 * Example: `0 lines | 1 line | {n} lines`.
 */
export function pluralForm(locale: string, count: number, forms: number): number {
  const { rules, numbers } = pluralsOf(locale)
  const none = forms > numbers.length ? 1 : 0
  if (none && count === 0) return 0
  return Math.min(none + numbers.indexOf(rules.select(count)), forms - 1)
}

export const words = createI18n({
  legacy: false,
  locale: ownLocale,
  fallbackLocale: 'en',
  // Under the very tag that is asked for, since looking on in the next language takes long, sentence by sentence.
  messages: { en: open, ...(language === 'en' ? { [ownLocale]: open } : {}) } as { en: typeof open },
  pluralRules: { [ownLocale]: (count, forms) => pluralForm(ownLocale, count, forms) },
  missingWarn: false,
  fallbackWarn: false,
})

const said = new Set<WordsRoom>()

/**
 * The sentences of rooms, each once. Who only signs in or joins loads no others than those that open there.
 *
 * @throws when they cannot be loaded; the next call tries again
 */
export async function wordsOf(rooms: readonly WordsRoom[]): Promise<void> {
  const missing = rooms.filter((room) => !said.has(room))
  const loaded = await Promise.all(missing.map((room) => loadable(language, room)?.()))
  if (missing.every((room) => said.has(room))) return
  const global = words.global as unknown as Composer
  // Set once for all of them. No two rooms have a part in common, so that nothing has to be merged in depth.
  global.setLocaleMessage(ownLocale, Object.assign({}, global.getLocaleMessage(ownLocale), ...loaded))
  for (const room of missing) said.add(room)
}

/** Every sentence there is. */
export const allWords = () => wordsOf(ROOMS)

/** What is not known is said as nothing. */
type Value = string | number | null | undefined
type Values<K extends Key> = Record<Sentences[K][0], Value>
type Given<K extends Key> = Sentences[K][1] extends true
  ? [values: Values<K>, count: number]
  : [Sentences[K][0]] extends [never]
    ? [values?: Record<string, unknown>, count?: number]
    : [values: Values<K>, count?: number]

/** A word of ours that the glossary explains. */
export type Term = Key extends infer K ? (K extends `glossary.terms.${infer T}.word` ? T : never) : never

/** A group of the catalogue whose sentences stand for codes. Example: `log.verbs`. */
type Group<K extends string = Key> = K extends `${infer Head}.${infer Tail}` ? Head | `${Head}.${Group<Tail>}` : never

/** A sentence of the catalogue, with the values it asks for; where it is counted, with the number. */
export const t = words.global.t as <K extends Key>(key: K, ...given: Given<K>) => string

/** Whether there is a sentence in a group for a code that the server says. */
export const isSaid = (group: Group, code: string): boolean => words.global.te(`${group}.${code}`)

/** The sentence of a group for a code that the server says. Example: `tIn('log.verbs', entry.code)`. */
export const tIn = (group: Group, code: string, values: Record<string, unknown> = {}, count = 1): string =>
  words.global.t(`${group}.${code}`, values, count)

/**
 * A word of ours, or the name of a role, as it is written inside a sentence: with a small letter, unless the language
 * writes its nouns with a capital.
 */
export function inSentence(word: string): string {
  // An abbreviation stays one.
  if (t('app.nouns') === 'capital' || /^\p{Lu}{2}/u.test(word)) return word
  return word.charAt(0).toLocaleLowerCase(ownLocale) + word.slice(1)
}
