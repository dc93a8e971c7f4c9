import { reactive } from 'vue'
import { api, Problem, take, type AppliedChanges } from './api'
import { refresh } from './queries'
import { t } from './words'

/** What was just done, and how to take it back. */
export const lastDone = reactive<{
  sentence: string
  more: string
  site: string
  entry: number | null
  changeList: string | null
  back: (() => Promise<string>) | null
  review: AppliedChanges | null
  wrong: boolean
  busy: boolean
}>({
  sentence: '',
  more: '',
  site: '',
  entry: null,
  changeList: null,
  back: null,
  review: null,
  wrong: false,
  busy: false,
})

/**
 * Says what was done at the foot of the page; with an entry of a site's history, a change list, or a way back of its
 * own it can be undone from there.
 */
export function done(
  sentence: string,
  undo?: { site?: string; entry?: number | null; changeList?: string | null; back?: () => Promise<string> },
  more = '',
) {
  Object.assign(lastDone, {
    sentence,
    more,
    site: undo?.site ?? '',
    entry: undo?.entry ?? null,
    changeList: undo?.changeList ?? null,
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
    changeList: null,
    back: null,
    review: null,
    wrong: true,
  })
}

export function clearDone() {
  Object.assign(lastDone, {
    sentence: '',
    more: '',
    entry: null,
    changeList: null,
    back: null,
    review: null,
    wrong: false,
  })
}

/** Fetches anew what may show a site's people or facts. */
export async function refreshSite() {
  await refresh(
    'today',
    'roster',
    'card',
    'intake',
    'site',
    'sites',
    'history',
    'labels',
    'why',
    'first-day-check',
    'progress',
    'changeLists',
    'settled-lines',
    'doors',
    'waiting',
    'arrivals',
    'invitations',
    'waits',
    'open-doors',
    'sections',
    'hours',
    'week',
    'clashes',
    'rooms',
    'plan',
    'splits',
    'own-groups',
    'wishes',
    'cohorts',
    'cohort-links',
  )
}

export async function undo(site: string, entry: number, sentence: string) {
  if (lastDone.busy) return
  lastDone.busy = true
  try {
    const undone = await take(
      api.POST('/sites/{site}/history/{sequence}/undo', { params: { path: { site, sequence: entry } } }),
    )
    done(t(undone.entry === null ? 'undo.nothing' : 'undo.undone', { what: sentence }), { site, entry: undone.entry })
    await refreshSite()
  } catch (error) {
    wentWrong(error)
  } finally {
    lastDone.busy = false
  }
}

/**
 * Takes a whole change list back. It is reviewed first: what can be undone, and what was changed since and is left
 * alone.
 */
export async function undoChangeList(removing: number | null = null) {
  const { site, changeList, sentence, review } = lastDone
  if (lastDone.busy || !changeList) return
  lastDone.busy = true
  try {
    const answer = await take(
      api.POST('/sites/{site}/change-lists/{changeList}/undo', {
        params: { path: { site, changeList } },
        body: { apply: review !== null, removing },
      }),
    )
    if (review === null) lastDone.review = answer
    else {
      done(t('undo.undone', { what: sentence }), { site, changeList: answer.changeList })
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
  else if (lastDone.changeList !== null) void undoChangeList()
  else if (lastDone.entry !== null) void undo(lastDone.site, lastDone.entry, lastDone.sentence)
}
