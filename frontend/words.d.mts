/** What `src/shared/words/keys.d.ts` should say. */
export function types(): string
