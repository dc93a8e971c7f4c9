// What the benches ask the served application with.
import { request } from 'node:http'

/** One request with a session of its own; answers milliseconds and body, and throws at any status but 2xx. */
export function session(address, agent) {
  const base = new URL('/api/v1', address)
  let cookie = ''
  return (method, path, body) =>
    new Promise((resolve, reject) => {
      const started = process.hrtime.bigint()
      const headers = { 'X-Mint-Door': '1', Cookie: cookie, ...(body ? { 'Content-Type': 'application/json' } : {}) }
      const call = request(
        { agent, host: base.hostname, port: base.port, method, path: base.pathname + path, headers },
        (response) => {
          let text = ''
          response
            .setEncoding('utf8')
            .on('data', (part) => (text += part))
            .on('end', () => {
              const ms = Number(process.hrtime.bigint() - started) / 1e6
              for (const set of response.headers['set-cookie'] ?? []) cookie = set.split(';')[0]
              if (response.statusCode >= 300) reject(new Error(`${method} ${path}: ${response.statusCode} ${text}`))
              else resolve({ ms, body: text ? JSON.parse(text) : null })
            })
        },
      )
      call.on('error', reject)
      call.end(body ? JSON.stringify(body) : undefined)
    })
}
