import { expect, it } from 'vitest'
import type { HistoryEntry } from '@/shared/api'
import { grouped } from './grouped'

const entry = (sequence: number, at: string, more: object = {}) =>
  ({ sequence, at, code: 'pause', actor: { id: 'mara', name: 'Mara' }, site: null, ...more }) as HistoryEntry
const dayOf = (instant: string) => instant.slice(0, 10)

it('what was done in one step stands together, under its day, and nothing is lost or moved', () => {
  const one = '2026-11-26T10:00:00Z'
  const entries = [
    entry(7, one),
    entry(6, one),
    entry(5, one, { code: 'remove' }),
    entry(4, one),
    entry(3, '2026-11-26T09:59:59Z'),
    entry(2, '2026-11-25T10:00:00Z'),
    entry(1, '2026-11-25T10:00:00Z', { actor: { id: 'jun', name: 'Jun' } }),
  ]
  const days = grouped(entries, dayOf)
  expect(
    days.map(({ day, groups }) => [day, groups.map(({ entries }) => entries.map((each) => each.sequence))]),
  ).toEqual([
    ['2026-11-26', [[7, 6], [5], [4], [3]]],
    ['2026-11-25', [[2], [1]]],
  ])
  expect(days.flatMap(({ groups }) => groups.flatMap((group) => group.entries))).toEqual(entries)
  expect(grouped([], dayOf)).toEqual([])
})
