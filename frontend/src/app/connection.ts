import { reactive } from 'vue'

/** Whether the server answers, and whether the session is gone; requests wait here until both are well again. */
export const connection = reactive({
  /** The server did not answer the last try; the next one comes by itself. */
  silent: false,
  /** Somebody has to sign in again before what they were doing goes on. */
  signedOut: false
})

const LONGEST_WAIT = 8_000
const TRIES = 30
let waiting: (() => void)[] = []

/** Called once the sign-in that was asked for has worked. */
export function signedInAgain() {
  connection.signedOut = false
  const all = waiting
  waiting = []
  all.forEach((go) => go())
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
const mayRepeat = (request: Request) => request.method === 'GET' || request.headers.has('Idempotency-Key')
const away = (status: number) => status === 502 || status === 503 || status === 504
const asksWhoOneIs = (request: Request) => /\/api\/v1\/(sign-in|me|first-password)$/.test(new URL(request.url).pathname)

/**
 * `fetch` that does not lose anything: tries again while the server is silent (never a change that could be made twice),
 * and when the session is gone waits for a sign-in and carries on.
 */
export async function patientFetch(request: Request): Promise<Response> {
  for (let attempt = 0; ; attempt++) {
    try {
      const response = await fetch(request.clone())
      if (away(response.status) && mayRepeat(request) && attempt < TRIES) throw new TypeError('no answer')
      connection.silent = false
      if (response.status === 401 && !asksWhoOneIs(request)) {
        connection.signedOut = true
        await new Promise<void>((resolve) => waiting.push(resolve))
        continue
      }
      return response
    } catch (error) {
      if (!(error instanceof TypeError)) throw error
      connection.silent = true
      if (!mayRepeat(request) || attempt >= TRIES) throw error
      await pause(Math.min(LONGEST_WAIT, 500 * 2 ** attempt))
    }
  }
}
