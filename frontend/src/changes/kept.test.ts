import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { queries } from '@/shared/queries'
import { lastDone } from '@/shared/undo'
import { problem, serve } from '@/testing/server'
import { within } from '@/testing/within'
import { useKept } from './kept'

const LIST = '00000000-0000-7000-8000-0000000000aa'
const PUT = `PUT /change-lists/${LIST}`
const GET = `GET /change-lists/${LIST}`
beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }))
afterEach(() => void vi.useRealTimers())

function begin(more: { id?: string; title?: string; over?: (id: string) => void } = {}) {
  const work = ref({ text: '', more: 'kept' })
  const { got, page } = within(() =>
    useKept({
      kind: 'pasted',
      site: 's',
      title: () => more.title ?? 'Harmony',
      work,
      worth: () => work.value.text !== '',
      id: more.id,
      over: more.over,
    }),
  )
  return { ...got, work, page }
}
const later = async (ms = 700) => {
  await flushPromises()
  await vi.advanceTimersByTimeAsync(ms)
  await flushPromises()
}

describe('what is worked on', () => {
  it('is begun with the first thing worth keeping, and saved a moment after each change', async () => {
    const anew = vi.spyOn(queries, 'invalidateQueries')
    const asked = serve({ 'POST /change-lists': { id: LIST, version: 1 }, [PUT]: { version: 2 } })
    const { id, state, opened, work } = begin()
    expect([id.value, state.value, opened.value]).toEqual(['', '', true])
    await later()
    expect(asked).toEqual([])
    work.value.text = 'Ada'
    await later(699)
    expect(asked).toEqual([])
    work.value.text = 'Ada Byron'
    await later(699)
    expect(asked).toEqual([])
    await later(1)
    expect(asked.map(({ call, body }) => [call, body])).toEqual([
      [
        'POST /change-lists',
        { kind: 'pasted', site: 's', title: 'Harmony', work: { text: 'Ada Byron', more: 'kept' } },
      ],
    ])
    expect([id.value, state.value]).toEqual([LIST, 'kept'])
    expect(anew.mock.calls).toEqual([[{ queryKey: ['changeLists'] }]])
    work.value = { ...work.value }
    await later()
    expect(asked).toHaveLength(1)
    work.value.text = 'Ada Byron, Max Born'
    await later()
    expect(asked[1]!.call).toBe(PUT)
    expect(asked[1]!.headers.get('If-Match')).toBe('"1"')
    work.value.text = 'Ada'
    await later()
    expect(asked[2]!.headers.get('If-Match')).toBe('"2"')
    anew.mockRestore()
  })

  it('is said to be on its way', async () => {
    let answer = (_: object) => {}
    serve({ 'POST /change-lists': () => new Promise<object>((resolve) => (answer = resolve)) })
    const { state, work } = begin()
    work.value.text = 'Ada'
    await later()
    expect(state.value).toBe('saving')
    answer({ id: LIST, version: 1 })
    await later()
    expect(state.value).toBe('kept')
  })

  it('is saved one after the other', async () => {
    let answer = (_: object) => {}
    const asked = serve({
      'POST /change-lists': () => new Promise<object>((resolve) => (answer = resolve)),
      [PUT]: { version: 2 },
    })
    const { work, now } = begin()
    work.value.text = 'Ada'
    await later()
    work.value.text = 'Max'
    await later()
    expect(asked).toHaveLength(1)
    answer({ id: LIST, version: 1 })
    await later()
    expect(asked.map(({ call }) => call)).toEqual(['POST /change-lists', PUT])
    work.value.text = 'Emmy'
    expect(await now()).toBe(LIST)
    expect(asked).toHaveLength(3)
    await later()
    expect(asked).toHaveLength(3)
  })

  it('has a title that is not too long', async () => {
    const asked = serve({ 'POST /change-lists': { id: LIST, version: 1 } })
    const { work } = begin({ title: 'x'.repeat(200) })
    work.value.text = 'Ada'
    await later()
    expect((asked[0]!.body as { title: string }).title).toBe('x'.repeat(160))
  })

  it('is saved when the page is left, where something is not yet', async () => {
    const asked = serve({ 'POST /change-lists': { id: LIST, version: 1 } })
    const { work, page } = begin()
    work.value.text = 'Ada'
    await flushPromises()
    page.unmount()
    await flushPromises()
    expect(asked).toHaveLength(1)
    await later()
    expect(asked).toHaveLength(1)
  })

  it('is tried again with the next change when it could not be saved', async () => {
    let well = false
    const asked = serve({
      'POST /change-lists': () => (well ? { id: LIST, version: 1 } : problem('not-allowed', 403, 'Not now.')),
    })
    const { state, work } = begin()
    work.value.text = 'Ada'
    await later()
    expect([state.value, lastDone.sentence]).toEqual(['', 'Not now.'])
    well = true
    work.value = { ...work.value }
    await later()
    expect([state.value, asked.length]).toEqual(['kept', 2])
  })

  it('is not kept any more once somebody else worked on it', async () => {
    const asked = serve({
      'POST /change-lists': { id: LIST, version: 1 },
      [PUT]: () => problem('stale', 412, 'Somebody else works on this.'),
    })
    const { state, work } = begin()
    work.value.text = 'Ada'
    await later()
    work.value.text = 'Max'
    await later()
    expect([state.value, lastDone.sentence]).toEqual(['stale', 'Somebody else works on this.'])
    work.value.text = 'Emmy'
    await later()
    expect(asked).toHaveLength(2)
  })
})

describe('a draft', () => {
  it.each(['draft', 'dropped'])('is opened as it was left, and only then kept: %s', async (state) => {
    const asked = serve({
      [GET]: { id: LIST, state, version: 7, work: { text: 'Ada' } },
      [PUT]: { version: 8 },
    })
    const over: string[] = []
    const { id, opened, work } = begin({ id: LIST, over: (list) => over.push(list) })
    expect([id.value, opened.value]).toEqual([LIST, false])
    await flushPromises()
    expect([opened.value, work.value, over]).toEqual([true, { text: 'Ada', more: 'kept' }, []])
    await later()
    expect(asked.map(({ call }) => call)).toEqual([GET])
    work.value.text = 'Max'
    await later()
    expect(asked[1]!.headers.get('If-Match')).toBe('"7"')
  })

  it('without anything in it leaves what there is', async () => {
    serve({ [GET]: { id: LIST, state: 'draft', version: 7 } })
    const { work, opened } = begin({ id: LIST })
    await flushPromises()
    expect([work.value, opened.value]).toEqual([{ text: '', more: 'kept' }, true])
  })

  it('that was applied is looked at, not worked on', async () => {
    const over: string[] = []
    const asked = serve({ [GET]: { id: LIST, state: 'applied', version: 7, work: { text: 'Ada' } } })
    const { opened, work, page } = begin({ id: LIST, over: (list) => over.push(list) })
    await flushPromises()
    work.value.text = 'Max'
    await later()
    page.unmount()
    await later()
    expect([over, opened.value, asked.length]).toEqual([[LIST], false, 1])
    const other = begin({ id: LIST })
    await flushPromises()
    expect(other.opened.value).toBe(false)
  })

  it('that is not there says so', async () => {
    serve({ [GET]: () => problem('not-found', 404, 'This change list is not here.') })
    begin({ id: LIST })
    await flushPromises()
    expect(lastDone.sentence).toBe('This change list is not here.')
  })
})
