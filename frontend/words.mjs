/** Writes the types of the sentences' keys from the English catalogue: `npm run words`. */
import { readFileSync, readdirSync, writeFileSync } from 'node:fs'

const ROOT = 'frontend/src/shared/words/'

/** Every sentence with its address. */
function* sentences(of, address = '') {
  for (const [name, value] of Object.entries(of)) {
    if (typeof value === 'string') yield [address + name, value]
    else yield* sentences(value, `${address}${name}.`)
  }
}

/** The names of the values that a sentence asks for, and whether it needs a number to be counted by. */
function asks(sentence) {
  const values = new Set([...sentence.matchAll(/\{(\w+)\}/g)].map(([, name]) => `'${name}'`))
  return `[${[...values].sort().join(' | ') || 'never'}, ${sentence.includes(' | ')}]`
}

/** What `keys.d.ts` should say. */
export function types() {
  const lines = readdirSync(ROOT + 'en')
    .sort()
    .flatMap((file) => [...sentences(JSON.parse(readFileSync(`${ROOT}en/${file}`, 'utf8')))])
    .map(([address, sentence]) => `  '${address}': ${asks(sentence)}`)
  return `/**
 * Every sentence: the names of the values it asks for, and whether it is counted.
 * Made by \`npm run words\`; not to be changed by hand.
 */
export interface Sentences {
${lines.join('\n')}
}
`
}

if (process.argv[1]?.endsWith('/words.mjs')) writeFileSync(ROOT + 'keys.d.ts', types())
