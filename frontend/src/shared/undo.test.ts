import { afterEach, expect, it, vi } from 'vitest'
import { clearDone, done, lastDone, undoLast, wentWrong } from './undo'
import { eventually } from '@/testing/server'

afterEach(() => {
  vi.unstubAllGlobals()
  clearDone()
})

it('says what was done and takes back the entry it came with, once', async () => {
  const asked: string[] = []
  vi.stubGlobal('fetch', async (request: Request) => {
    asked.push(`${request.method} ${new URL(request.url).pathname}`)
    return new Response(JSON.stringify({ entry: 8, line: null }), { headers: { 'Content-Type': 'application/json' } })
  })
  done('Bea is let in.', { site: 's', entry: 7 })
  undoLast()
  undoLast()
  await eventually(() => expect(lastDone.entry).toBe(8))
  expect(asked).toEqual(['POST /api/v1/sites/s/history/7/undo'])
  expect(lastDone.sentence).toBe('Undone: Bea is let in.')
})

it('offers nothing to undo where nothing was changed, or where it went wrong', () => {
  done('Copied.')
  expect(lastDone.entry).toBeNull()
  wentWrong(new Error('x'))
  expect([lastDone.wrong, lastDone.entry, lastDone.sentence]).toEqual([
    true,
    null,
    'Something went wrong. Try again in a moment.',
  ])
})
