import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { connection, patientFetch, signedInAgain } from './connection'

const get = () => new Request('http://localhost/api/v1/sites')
const change = (headers: Record<string, string> = {}) =>
  new Request('http://localhost/api/v1/sites', { method: 'POST', body: '{}', headers })
const answers = (...each: (number | 'nothing')[]) => {
  const fetch = vi.fn(async (_request: Request) => {
    const next = each.length > 1 ? each.shift() : each[0]
    if (next === 'nothing') throw new TypeError('Failed to fetch')
    return new Response('{}', { status: next })
  })
  vi.stubGlobal('fetch', fetch)
  return fetch
}

beforeEach(() => {
  vi.useFakeTimers()
  Object.assign(connection, { silent: false, signedOut: false })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

it.each([['nothing' as const], [502], [503]])('asks again while the answer is %s, and says so', async (silence) => {
  const fetch = answers(silence, silence, 200)
  const answer = patientFetch(get())
  await vi.advanceTimersByTimeAsync(100)
  expect(connection.silent).toBe(true)
  await vi.runAllTimersAsync()
  expect((await answer).status).toBe(200)
  expect([fetch.mock.calls.length, connection.silent]).toEqual([3, false])
})

it.each([
  ['busy', 'busy'],
  ['unknown-outcome', 'unsure'],
  ['away', 'silent'],
] as const)('says why it asks again: %s', async (type, why) => {
  const problem = JSON.stringify({ type: 'urn:mint-door:problem:' + type })
  const replies = [new Response(problem, { status: 503, headers: { 'Retry-After': '3' } }), new Response('{}')]
  const fetch = vi.fn(async () => replies.shift()!)
  vi.stubGlobal('fetch', fetch)
  const answer = patientFetch(change({ 'Idempotency-Key': 'a-fresh-key' }))
  await vi.advanceTimersByTimeAsync(2_900)
  expect([connection.silent, connection.why, fetch.mock.calls.length]).toEqual([true, why, 1])
  await vi.runAllTimersAsync()
  expect((await answer).status).toBe(200)
  expect([connection.silent, fetch.mock.calls.length]).toEqual([false, 2])
})

it('never sends a change twice that could be made twice', async () => {
  const fetch = answers('nothing')
  await expect(patientFetch(change())).rejects.toThrow('Failed to fetch')
  expect(fetch).toHaveBeenCalledTimes(1)
})

it('sends a change again under its key, with the same body', async () => {
  const bodies: string[] = []
  vi.stubGlobal('fetch', async (request: Request) => {
    bodies.push(await request.text())
    if (bodies.length === 1) throw new TypeError('Failed to fetch')
    return new Response('{}')
  })
  const answer = patientFetch(change({ 'Idempotency-Key': 'a-fresh-key' }))
  await vi.runAllTimersAsync()
  expect((await answer).status).toBe(200)
  expect(bodies).toEqual(['{}', '{}'])
})

it('waits for a sign-in when the session is gone, and carries on', async () => {
  const fetch = answers(401, 200)
  const answer = patientFetch(change({ 'Idempotency-Key': 'a-fresh-key' }))
  await vi.runAllTimersAsync()
  expect([connection.signedOut, fetch.mock.calls.length]).toEqual([true, 1])
  signedInAgain()
  expect((await answer).status).toBe(200)
  expect([connection.signedOut, fetch.mock.calls.length]).toEqual([false, 2])
})

it('lets a sign-in that fails fail', async () => {
  answers(401)
  expect((await patientFetch(new Request('http://localhost/api/v1/sign-in', { method: 'POST' }))).status).toBe(401)
  expect(connection.signedOut).toBe(false)
})

it.each([504])('asks again while the answer is %s', async (status) => {
  const fetch = answers(status, 200)
  const answer = patientFetch(get())
  await vi.runAllTimersAsync()
  expect((await answer).status).toBe(200)
  expect(fetch).toHaveBeenCalledTimes(2)
})

it('waits longer each time, never very long, and gives up in the end', async () => {
  const fetch = answers('nothing')
  const answer = patientFetch(get()).catch((error: Error) => error.message)
  const at = async (ms: number) => {
    await vi.advanceTimersByTimeAsync(ms)
    return fetch.mock.calls.length
  }
  expect(await at(499)).toBe(1)
  expect(await at(1)).toBe(2)
  expect(await at(999)).toBe(2)
  expect(await at(1)).toBe(3)
  expect(await at(2_000)).toBe(4)
  expect(await at(4_000)).toBe(5)
  expect(await at(8_000)).toBe(6)
  expect(await at(7_999)).toBe(6)
  expect(await at(1)).toBe(7)
  await vi.runAllTimersAsync()
  expect(await answer).toBe('Failed to fetch')
  expect(fetch).toHaveBeenCalledTimes(31)
})

it('gives an answer that stays away as it is, once it gave up', async () => {
  const fetch = answers(503)
  const answer = patientFetch(get())
  await vi.runAllTimersAsync()
  expect((await answer).status).toBe(503)
  expect(fetch).toHaveBeenCalledTimes(31)
})

it('gives an answer that a change could not be made as it is', async () => {
  const fetch = answers(503)
  expect((await patientFetch(change())).status).toBe(503)
  expect(fetch).toHaveBeenCalledTimes(1)
})

it('does not take a mistake for silence', async () => {
  vi.stubGlobal('fetch', () => Promise.reject(new RangeError('a mistake')))
  await expect(patientFetch(get())).rejects.toThrow('a mistake')
  expect(connection.silent).toBe(false)
})

it('says silence is why, whatever was why before', async () => {
  connection.why = 'busy'
  answers('nothing', 200)
  const answer = patientFetch(get())
  await vi.advanceTimersByTimeAsync(10)
  expect(connection.why).toBe('silent')
  await vi.runAllTimersAsync()
  await answer
})

it.each(['me', 'first-password'])('lets %s say that nobody is signed in', async (path) => {
  answers(401)
  expect((await patientFetch(new Request('http://localhost/api/v1/' + path))).status).toBe(401)
  expect(connection.signedOut).toBe(false)
})

it('asks for a sign-in on pages whose address only begins so', async () => {
  answers(401, 200)
  const answer = patientFetch(new Request('http://localhost/api/v1/me/sessions'))
  await vi.runAllTimersAsync()
  expect(connection.signedOut).toBe(true)
  signedInAgain()
  expect((await answer).status).toBe(200)
  signedInAgain()
})
