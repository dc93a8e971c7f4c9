import { createI18n } from 'vue-i18n'
import en from './words/en.first.json'

export const words = createI18n({
  legacy: false,
  locale: 'en',
  fallbackLocale: 'en',
  messages: { en: { ...en } },
  missingWarn: false,
  fallbackWarn: false,
})

let rest: Promise<void> | undefined

/**
 * The sentences of all other pages, once. Who only signs in or joins does not load them.
 *
 * @throws when they cannot be loaded; the next call tries again
 */
export function allWords(): Promise<void> {
  rest ??= import('./words/en.json').then(
    // No room is in both, so that nothing has to be merged in depth, which takes long.
    (loaded) => words.global.setLocaleMessage('en', { ...en, ...loaded.default } as typeof en),
    (error: unknown) => {
      rest = undefined
      throw error
    },
  )
  return rest
}

/** A sentence of the catalogue, outside components. */
export const t = words.global.t as (key: string, values?: Record<string, unknown>, plural?: number) => string
