import { useTimeoutFn } from '@vueuse/core'
import { onScopeDispose, ref, watch, type Ref } from 'vue'
import { api, Problem, take } from '@/shared/api'
import { queries } from '@/shared/queries'
import { wentWrong } from '@/shared/undo'

export type WorkKind = 'pasted' | 'people' | 'sites' | 'accounts' | 'term-change'

/**
 * Keeps what is worked on as a change list on the server, so that it is found again under Changes: begun with the
 * first thing that is worth keeping, saved a moment after each change, one save after the other. Example: `const kept =
 * useKept({ kind: 'pasted', site, title, work, worth: () => text.value !== '' })`.
 */
export function useKept<W extends object>(about: {
  kind: WorkKind
  site: string | null
  title: () => string
  work: Ref<W>
  worth: () => boolean
  id?: string
  over?: (id: string) => void
}) {
  const id = ref(about.id ?? '')
  const state = ref<'' | 'saving' | 'kept' | 'stale'>('')
  const opened = ref(!about.id)
  let version = 0
  let chain: Promise<void> = Promise.resolve()
  let last = ''

  const body = () => ({
    kind: about.kind,
    site: about.site,
    title: about.title().slice(0, 160),
    work: JSON.parse(JSON.stringify(about.work.value)) as Record<string, unknown>,
  })

  async function save() {
    const now = body()
    const text = JSON.stringify(now)
    if (text === last || state.value === 'stale' || !about.worth()) return
    last = text
    state.value = 'saving'
    try {
      if (id.value)
        version = (
          await take(
            api.PUT('/change-lists/{changeList}', {
              params: { path: { changeList: id.value }, header: { 'If-Match': `"${version}"` } },
              body: now,
            }),
          )
        ).version
      else {
        const begun = await take(api.POST('/change-lists', { body: now }))
        version = begun.version
        id.value = begun.id
      }
      state.value = 'kept'
      void queries.invalidateQueries({ queryKey: ['changeLists'] })
    } catch (thrown) {
      last = ''
      state.value = thrown instanceof Problem && thrown.kind === 'stale' ? 'stale' : ''
      wentWrong(thrown)
    }
  }

  const timer = useTimeoutFn(() => (chain = chain.then(save)), 700, { immediate: false })
  const later = () => timer.start()
  /** Saves what is not saved yet, and answers the change list's id. */
  async function now(): Promise<string> {
    timer.stop()
    chain = chain.then(save)
    await chain
    return id.value
  }

  async function open() {
    const changeList = await take(api.GET('/change-lists/{changeList}', { params: { path: { changeList: id.value } } }))
    // One that was applied in the meantime is looked at, not worked on.
    if (changeList.state !== 'draft' && changeList.state !== 'dropped') return about.over?.(changeList.id)
    version = changeList.version
    if (changeList.work) about.work.value = { ...about.work.value, ...(changeList.work as Partial<W>) }
    last = JSON.stringify(body())
    opened.value = true
  }

  if (about.id) open().catch(wentWrong)
  watch(about.work, () => opened.value && later(), { deep: true })
  if (opened.value) later()
  onScopeDispose(() => {
    if (opened.value) void now()
  })
  return { id, state, opened, now }
}
