import { describe, expect, it } from 'vitest'
import type { CohortRule } from '@/shared/api'
import { wordsOf } from '@/shared/words'
import { emptyPart, partOf, ruleOf, sentenceOf, type Reading } from './rules'

const reading: Reading = {
  kind: (code) => code,
  division: (code) => (code === 'millrace' ? 'Millrace Seniors' : code),
  level: (level) => `level ${level}`,
  role: (code) => code,
  name: (id) => ({ h: 'Harmony', m: 'Morning', a: 'Accompanists' })[id],
}
const labels = (...names: string[]): CohortRule => ({ kind: 'labels', names })
const whole: CohortRule = {
  kind: 'all',
  parts: [
    { kind: 'kinds', names: ['learner'] },
    { kind: 'not', parts: [labels('on leave')] },
    { kind: 'divisions', names: ['millrace'] },
    { kind: 'levels', lowest: 7, highest: 8 },
    {
      kind: 'any',
      parts: [
        { kind: 'in', site: 'h', section: 'm', role: 'learner' },
        { kind: 'cohort', cohort: 'a' },
      ],
    },
  ],
}

describe('rules of cohorts', () => {
  it('are said as one sentence, what people are not behind what they are', async () => {
    await wordsOf(['cohorts'])
    expect(sentenceOf(whole, reading)).toBe(
      'Whoever is learner, of Millrace Seniors, at levels 7 to 8 and (in Harmony (Morning) as learner or ' +
        'in the cohort Accompanists), but not labelled “on leave”',
    )
    expect(sentenceOf({ kind: 'levels', lowest: 7, highest: 7 }, reading)).toBe('Whoever is at level 7')
    expect(sentenceOf(labels('a', 'b'), reading)).toBe('Whoever is labelled “a” or “b”')
    expect(sentenceOf({ kind: 'in', site: 'x' }, reading)).toBe('Whoever is in something that you do not see')
    const nots: CohortRule = {
      kind: 'all',
      parts: [
        { kind: 'not', parts: [labels('a')] },
        { kind: 'not', parts: [labels('b')] },
      ],
    }
    expect(sentenceOf(nots, reading)).toBe('Whoever is not labelled “a” and not labelled “b”')
  })

  it('are the same after they were in the form', () => {
    const part = partOf(whole, [{ id: 'h', name: 'Harmony' }])
    expect(part.parts[1]).toMatchObject({ kind: 'labels', not: true })
    expect(part.parts[4]!.parts[0]!.site).toEqual({ id: 'h', title: 'Harmony' })
    expect(JSON.parse(JSON.stringify(ruleOf(part)))).toEqual(whole)
  })

  it('are none while a part says nothing', () => {
    const part = emptyPart('all')
    expect(ruleOf(part)).toBeUndefined()
    part.parts.push({ ...emptyPart('labels'), names: ['strings'] })
    expect(ruleOf(part)).toEqual(labels('strings'))
    part.parts.push(emptyPart('in'))
    expect(ruleOf(part)).toBeUndefined()
    Object.assign(part.parts[1]!, { kind: 'levels', lowest: 8, highest: 7 })
    expect(ruleOf(part)).toBeUndefined()
    Object.assign(part.parts[1]!, { highest: null })
    expect(ruleOf(part)?.parts?.[1]).toEqual({ kind: 'levels', lowest: 8, highest: 8 })
  })
})
