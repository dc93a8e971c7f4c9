import { reactive } from 'vue'
import { api, Problem, take, type Sheet } from './api'
import { queries } from './queries'
import { t } from './words'

/** What was just done, and how to take it back. */
export const lastDone = reactive<{
  sentence: string
  more: string
  site: string
  entry: number | null
  sheet: string | null
  back: (() => Promise<string>) | null
  review: Sheet | null
  wrong: boolean
  busy: boolean
}>({
  sentence: '',
  more: '',
  site: '',
  entry: null,
  sheet: null,
  back: null,
  review: null,
  wrong: false,
  busy: false,
})

/**
 * Says what was done at the foot of the page; with an entry of a site's logbook, a sheet, or a way back of its own it
 * can be undone from there.
 */
export function done(
  sentence: string,
  undo?: { site?: string; entry?: number | null; sheet?: string | null; back?: () => Promise<string> },
  more = '',
) {
  Object.assign(lastDone, {
    sentence,
    more,
    site: undo?.site ?? '',
    entry: undo?.entry ?? null,
    sheet: undo?.sheet ?? null,
    back: undo?.back ?? null,
    review: null,
    wrong: false,
  })
}

/** Says that something did not work, and what to do. */
export function wentWrong(error: unknown, sentence?: string) {
  const detail = sentence ?? (error instanceof Problem ? error.message : t('trouble.unexpected'))
  Object.assign(lastDone, {
    sentence: detail,
    more: '',
    site: '',
    entry: null,
    sheet: null,
    back: null,
    review: null,
    wrong: true,
  })
}

export function clearDone() {
  Object.assign(lastDone, { sentence: '', more: '', entry: null, sheet: null, back: null, review: null, wrong: false })
}

/** Fetches anew what may show a site's people or facts. */
export async function refreshSite() {
  await Promise.all(
    [
      'roster',
      'card',
      'intake',
      'site',
      'sites',
      'logbook',
      'labels',
      'why',
      'rehearsal',
      'progress',
      'sheets',
      'settled-lines',
      'doors',
      'waiting',
      'arrivals',
      'invitations',
      'waits',
      'open-doors',
    ].map((key) => queries.invalidateQueries({ queryKey: [key] })),
  )
}

export async function undo(site: string, entry: number, sentence: string) {
  if (lastDone.busy) return
  lastDone.busy = true
  try {
    const undone = await take(
      api.POST('/sites/{site}/logbook/{sequence}/undo', { params: { path: { site, sequence: entry } } }),
    )
    done(t(undone.entry === null ? 'undo.nothing' : 'undo.undone', { what: sentence }), { site, entry: undone.entry })
    await refreshSite()
  } catch (error) {
    wentWrong(error)
  } finally {
    lastDone.busy = false
  }
}

/** Takes a whole sheet back. It is reviewed first: what can be undone, and what was changed since and is left alone. */
export async function undoSheet(removing: number | null = null) {
  const { site, sheet, sentence, review } = lastDone
  if (lastDone.busy || !sheet) return
  lastDone.busy = true
  try {
    const answer = await take(
      api.POST('/sites/{site}/sheets/{sheet}/undo', {
        params: { path: { site, sheet } },
        body: { apply: review !== null, removing },
      }),
    )
    if (review === null) lastDone.review = answer
    else {
      done(t('undo.undone', { what: sentence }), { site, sheet: answer.sheet })
      await refreshSite()
    }
  } catch (error) {
    wentWrong(error)
  } finally {
    lastDone.busy = false
  }
}

/** Takes back what has a way back of its own; it answers what else there is to say. */
async function goBack(back: () => Promise<string>, sentence: string) {
  if (lastDone.busy) return
  lastDone.busy = true
  try {
    const more = await back()
    done(t('undo.undone', { what: sentence }), undefined, more)
    await refreshSite()
  } catch (error) {
    wentWrong(error)
  } finally {
    lastDone.busy = false
  }
}

export function undoLast() {
  if (lastDone.back !== null) void goBack(lastDone.back, lastDone.sentence)
  else if (lastDone.sheet !== null) void undoSheet()
  else if (lastDone.entry !== null) void undo(lastDone.site, lastDone.entry, lastDone.sentence)
}
