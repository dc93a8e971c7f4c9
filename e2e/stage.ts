import { execFileSync } from 'node:child_process'

const stages = (process.env.MINT_DOOR_STAGES ?? '')
  .trim()
  .split('\n')
  .map((line) => line.split(' '))
const [url = '', database = ''] = stages[Number(process.env.TEST_PARALLEL_INDEX ?? 0)] ?? []

/** How many platforms are served; each has one browser at a time. */
export const STAGES = stages.length

/**
 * How many times slower the browser is than this machine, for whoever looks for what goes wrong on a busy one: that of
 * the page a walk is given, not of those it opens itself.
 */
export const SLOW = Number(process.env.SLOW ?? 1)

/** The platform that is this browser's own: its address, and the database it is served from. */
export const STAGE = { url, database }

const console = (...words: string[]) =>
  execFileSync('php', ['bin/console', ...words], {
    env: { ...process.env, DATABASE_URL: database },
    stdio: ['ignore', 'ignore', 'inherit'],
  })

let founded = 0

let furnishedFor = ''

/**
 * Throws away whatever is on this platform, whosever it is, and founds a new one.
 *
 * @returns the way to its first administrator's password
 */
export function foundAnew(): string {
  // What only counts as the demo is thrown away by the program itself.
  console('dbal:run-sql', '-q', 'SET STATEMENT foreign_key_checks=0 FOR DELETE FROM person')
  console('demo:load', '--fresh')
  console('demo:leave')
  // Rules of one version and instant are the same to who keeps them in mind: no two platforms are founded at once.
  const MINT_DOOR_CLOCK = `2026-11-24T08:${String(++founded).padStart(2, '0')}:00Z`
  const env = { ...process.env, DATABASE_URL: database, MINT_DOOR_CLOCK }
  const said = execFileSync('php', ['bin/console', 'platform:found', url], { env }).toString()
  return /\/welcome#\S+/.exec(said)?.[0] ?? ''
}

/** So that the next file of walks can begin with the demo. */
export function leaveFounded() {
  console('roster:verify')
  console('dbal:run-sql', '-q', 'SET STATEMENT foreign_key_checks=0 FOR DELETE FROM person')
  furnishedFor = ''
}

/** Each file of walks begins with the demo as it is; what the walks before it left behind must be whole. */
export function furnishFor(file: string) {
  if (file === furnishedFor) return
  if (furnishedFor) console('roster:verify')
  console('demo:load', '--fresh')
  furnishedFor = file
}
