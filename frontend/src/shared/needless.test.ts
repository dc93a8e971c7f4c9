import { describe, expect, it } from 'vitest'
import { needlessOf } from './platform'
import type { Platform } from './api'

describe('what a platform has no use for', () => {
  const division = (names: string[] | null) =>
    ({ code: 'a', name: 'A', parent: null, levels: names && { first: 1, names } }) as Platform['divisions'][number]
  const term = { code: 't', name: 'T', startsOn: '2026-09-01', endsOn: '2026-12-01' }

  it('is levels, where no division has any', () => {
    expect(needlessOf({ divisions: [division([]), division([])], terms: [term] })).toEqual(new Set(['level', 'levels']))
    expect(needlessOf({ divisions: [division([]), division(null)], terms: [term] })).toEqual(new Set())
    expect(needlessOf({ divisions: [division(['Year 1']), division([])], terms: [term] })).toEqual(new Set())
  })

  it('is terms where there are none, and divisions where there is one', () => {
    expect(needlessOf({ divisions: [division(null)], terms: [] })).toEqual(new Set(['term', 'division']))
  })
})
