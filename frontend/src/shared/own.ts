/**
 * The language in which the browser's user writes English: how days and numbers look. Another language than English
 * would stand beside English sentences, so that the British way stands in for it.
 */
export const ownLocale: string =
  (typeof navigator === 'undefined' ? [] : navigator.languages).find((each) => /^en-/i.test(each)) ?? 'en-GB'

/** The time zone of whoever looks, for instants that belong to no site. */
export const ownZone = Intl.DateTimeFormat().resolvedOptions().timeZone
