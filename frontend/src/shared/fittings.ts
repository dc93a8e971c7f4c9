import { defaultOptions, type PrimeVueLocaleOptions } from 'primevue/config'
import { ownLocale } from './own'
import { t } from './words'

const named = (options: Intl.DateTimeFormatOptions, dates: number[]) =>
  dates.map((date) => new Intl.DateTimeFormat(ownLocale, { ...options, timeZone: 'UTC' }).format(date))
const MONTHS = Array.from({ length: 12 }, (_, month) => Date.UTC(2026, month, 1))
// The first of February 2026 is a Sunday.
const DAYS = Array.from({ length: 7 }, (_, day) => Date.UTC(2026, 1, 1 + day))

/** Weeks begin on Monday, but where people write so that they begin on another day. */
function firstDay(): number {
  const locale = new Intl.Locale(ownLocale) as Intl.Locale & {
    weekInfo?: { firstDay: number }
    getWeekInfo?: () => { firstDay: number }
  }
  return (locale.getWeekInfo?.() ?? locale.weekInfo ?? { firstDay: 1 }).firstDay % 7
}

/** What the library's parts say by themselves, in our words, with names of days and months as people write them. */
export function fittings(): PrimeVueLocaleOptions {
  return {
    ...defaultOptions.locale!,
    firstDayOfWeek: firstDay(),
    monthNames: named({ month: 'long' }, MONTHS),
    monthNamesShort: named({ month: 'short' }, MONTHS),
    dayNames: named({ weekday: 'long' }, DAYS),
    dayNamesShort: named({ weekday: 'short' }, DAYS),
    dayNamesMin: named({ weekday: 'short' }, DAYS).map((name) => name.slice(0, 2)),
    today: t('day.today'),
    choose: t('parts.choose'),
    searchMessage: t('parts.found', { n: '{0}' }),
    selectionMessage: t('parts.chosen', { n: '{0}' }),
    emptySelectionMessage: t('parts.nothingChosen'),
    emptySearchMessage: t('parts.nothing'),
    emptyFilterMessage: t('parts.nothing'),
    emptyMessage: t('parts.noChoice'),
  }
}
