import { execFileSync } from 'node:child_process'

const stages = (process.env.MINT_DOOR_STAGES ?? '')
  .trim()
  .split('\n')
  .map((line) => line.split(' '))
const [url = '', database = ''] = stages[Number(process.env.TEST_PARALLEL_INDEX ?? 0)] ?? []

/** How many platforms are served; each has one browser at a time. */
export const STAGES = stages.length

/** The platform that is this browser's own: its address, and the database it is served from. */
export const STAGE = { url, database }

const console = (...words: string[]) =>
  execFileSync('php', ['bin/console', ...words], {
    env: { ...process.env, DATABASE_URL: database },
    stdio: ['ignore', 'ignore', 'inherit'],
  })

let furnishedFor = ''

/** Each file of walks begins with the demo as it is; what the walks before it left behind must be whole. */
export function furnishFor(file: string) {
  if (file === furnishedFor) return
  if (furnishedFor) console('roster:verify')
  console('demo:load', '--fresh')
  furnishedFor = file
}
