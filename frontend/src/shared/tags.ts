import { languageName } from './own'

/** How people may have days and numbers written, and letters: tags of BCP 47. */
export const LANGUAGES = ['en-GB', 'en-US', 'en-AU', 'en-CA', 'en-IE', 'en-IN', 'en-NZ', 'en-SE', 'en-ZA']

export const languageOptions = () => LANGUAGES.map((value) => ({ value, label: languageName(value) }))
export const zoneOptions = () =>
  [...new Set(['UTC', ...Intl.supportedValuesOf('timeZone')])].map((value) => ({
    value,
    label: value.replaceAll('_', ' '),
  }))
