import { reactive } from 'vue'

/** Whether the server answers, and whether the session is gone; requests wait here until both are well again. */
export const connection = reactive({
  /** The server did not answer the last try, or could not do it; the next one comes by itself. */
  silent: false,
  /** Which of it: no answer, others are at work on the same, or it is not known whether the change was saved. */
  why: 'silent' as 'silent' | 'busy' | 'unsure',
  /** Somebody has to sign in again before what they were doing goes on. */
  signedOut: false,
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

/** An answer that is worth another try. */
class NotNow extends TypeError {
  constructor(readonly response: Response) {
    super('not now')
  }

  /** Milliseconds the server asks to wait. */
  get wait(): number {
    return 1_000 * Number(this.response.headers.get('Retry-After') ?? 0)
  }

  async why(): Promise<typeof connection.why> {
    const said = (await this.response.json().catch(() => ({}))) as { type?: string }
    if (said.type?.endsWith(':busy')) return 'busy'
    return said.type?.endsWith(':unknown-outcome') ? 'unsure' : 'silent'
  }
}

const asksWhoOneIs = (request: Request) => /\/api\/v1\/(sign-in|me|first-password)$/.test(new URL(request.url).pathname)

/**
 * `fetch` that does not lose anything: tries again while the server is silent (never a change that could be made
 * twice), and when the session is gone waits for a sign-in and carries on.
 */
export async function patientFetch(request: Request): Promise<Response> {
  for (let attempt = 0; ; attempt++) {
    try {
      const response = await fetch(request.clone())
      if (away(response.status) && mayRepeat(request) && attempt < TRIES) throw new NotNow(response)
      connection.silent = false
      if (response.status === 401 && !asksWhoOneIs(request)) {
        connection.signedOut = true
        await new Promise<void>((resolve) => waiting.push(resolve))
        continue
      }
      return response
    } catch (error) {
      if (!(error instanceof TypeError)) throw error
      connection.why = error instanceof NotNow ? await error.why() : 'silent'
      connection.silent = true
      if (!mayRepeat(request) || attempt >= TRIES) throw error
      const asked = error instanceof NotNow ? error.wait : 0
      await pause(Math.min(LONGEST_WAIT, Math.max(asked, 500 * 2 ** attempt)))
    }
  }
}
