// What the benches ask the served application with.
import { request } from 'node:http'

/**
 * One request, whatever is answered; a body is sent as it is. Answers status, milliseconds, text and the cookie of the
 * session: the one that was set, or else the one that was sent. `more` are further headers.
 */
export const exchange = (address, agent, method, path, content, cookie = '', more = {}) =>
  new Promise((resolve, reject) => {
    const base = new URL('/api/v1', address)
    const started = process.hrtime.bigint()
    const type = content === undefined ? {} : { 'Content-Type': 'application/json' }
    const call = request(
      {
        agent,
        host: base.hostname,
        port: base.port,
        method,
        path: base.pathname + path,
        headers: { 'X-Mint-Door': '1', Cookie: cookie, ...type, ...more },
      },
      (response) => {
        let text = ''
        response
          .setEncoding('utf8')
          .on('data', (part) => (text += part))
          .on('end', () => {
            const ms = Number(process.hrtime.bigint() - started) / 1e6
            const set = (response.headers['set-cookie'] ?? []).at(-1)?.split(';')[0]
            resolve({ status: response.statusCode, ms, text, cookie: set ?? cookie })
          })
      },
    )
    call.on('error', reject)
    call.end(content)
  })

/** Requests with a session of their own; answers milliseconds and body, and throws at any status but 2xx. */
export function session(address, agent) {
  let cookie = ''
  return async (method, path, body, more) => {
    const content = body ? JSON.stringify(body) : undefined
    const answer = await exchange(address, agent, method, path, content, cookie, more)
    cookie = answer.cookie
    if (answer.status >= 300) throw new Error(`${method} ${path}: ${answer.status} ${answer.text}`)
    return { ms: answer.ms, body: answer.text ? JSON.parse(answer.text) : null }
  }
}
