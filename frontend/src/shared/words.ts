import { createI18n } from 'vue-i18n'
import en from './words.en'

export const words = createI18n({
  legacy: false,
  locale: 'en',
  fallbackLocale: 'en',
  messages: { en },
  missingWarn: false,
  fallbackWarn: false,
})

/** A sentence of the catalogue, outside components. */
export const t = words.global.t as (key: string, values?: Record<string, unknown>, plural?: number) => string
