import { ownLocale } from './own'

const list = new Intl.ListFormat(ownLocale, { type: 'conjunction' })

/** Words as people write a list: "a, b and c". */
export const listed = (words: string[]) => list.format(words)
