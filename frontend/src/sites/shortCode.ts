/** What may stand in a short code, at most so long. */
const MOST = 24

/**
 * A short code made of a title, to begin with: the first letters of its words, numbers and numerals whole. "Harmony &
 * Ear Training II" is HET-II, "Choir" is CHOIR; a title in other letters has none.
 */
export function shortCodeOf(title: string): string {
  const words = title
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toUpperCase()
    .match(/[A-Z0-9]+/g)
  if (!words) return ''
  const numeral = (word: string) => /^(\d+|[IVX]+)$/.test(word) && words.length > 1
  const names = words.filter((word) => !numeral(word))
  const first = names.length === 1 ? names[0]!.slice(0, 12) : names.map((word) => word[0]).join('')
  return [first, ...words.filter(numeral)].filter(Boolean).join('-').slice(0, MOST).replace(/-$/, '')
}
