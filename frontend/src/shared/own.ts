import { languageOf } from './languages'

interface Settings {
  language: string | null
  timeZone: string | null
}
const KEY = 'mint-door.own'

/** What whoever is signed in here has settled; the pages begin with it, so that nothing is written in two ways. */
function kept(): Settings {
  try {
    const { language = null, timeZone = null } = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Settings>
    return { language, timeZone }
  } catch {
    return { language: null, timeZone: null }
  }
}
const begun = kept()

/**
 * The language of whoever settled none, and how they write days and numbers: the first of their browser's that there
 * are sentences in. Days of another language would stand beside English sentences.
 */
export const browserLocale: string =
  (typeof navigator === 'undefined' ? [] : navigator.languages).find((each) => /-/.test(each) && languageOf(each)) ??
  'en-GB'
export const browserZone = Intl.DateTimeFormat().resolvedOptions().timeZone

export const ownLocale: string = begun.language ?? browserLocale

/** The language the sentences are in. */
export const language: string = languageOf(ownLocale) ?? 'en'

/** What a language is called. Example: `en-GB` → "British English". */
export const languageName = (tag: string) => new Intl.DisplayNames(ownLocale, { type: 'language' }).of(tag) ?? tag

/** The time zone of whoever looks, for instants that belong to no site. */
export const ownZone: string = begun.timeZone ?? browserZone

/**
 * Whether the pages have to be loaded anew, because whoever is signed in has settled something else than they began
 * with. It is kept for the next time.
 */
export function settledOtherwise(settings: Partial<Settings>): boolean {
  const { language = null, timeZone = null } = settings
  if (language === begun.language && timeZone === begun.timeZone) return false
  try {
    localStorage.setItem(KEY, JSON.stringify({ language, timeZone }))
  } catch {
    // Where nothing can be kept, loading anew would not help.
    return false
  }
  return true
}
