import { ownLocale } from './own'

const list = new Intl.ListFormat(ownLocale, { type: 'conjunction' })

/** Words as people write a list: "a, b and c". */
export const listed = (words: string[]) => list.format(words)

/** Facts on one line, without those that are not there: "Upper School · Autumn". */
export const dotted = (...facts: (string | null | undefined)[]) => facts.filter(Boolean).join(' · ')
