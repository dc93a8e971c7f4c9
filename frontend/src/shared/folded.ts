/** A text as it is looked for: without accents, in small letters. */
export const folded = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()
