import { expect, it } from 'vitest'
import { platform, show } from '@/testing/server'
import { queries } from './queries'
import { useLevels } from './levels'

function levels() {
  const { page } = show({ setup: useLevels, template: '<p />' })
  const division = (code: string, first: number, ...names: string[]) => ({
    code,
    name: code,
    parent: null,
    levels: { first, names },
  })
  queries.setQueryData(['platform'], {
    ...platform,
    highestLevel: 3,
    divisions: [
      division('lower', 1, 'Reception', 'Year 1'),
      division('choir', 2, 'Novice', 'Chorister'),
      division('company', 1),
      { code: 'evening', name: 'evening', parent: null, levels: null },
    ],
  })
  return page.vm as unknown as ReturnType<typeof useLevels>
}

it('calls a level as its division does', () => {
  const { levelName } = levels()
  expect(['lower', 'choir', 'company', 'evening'].map((code) => levelName(2, code))).toEqual([
    'Year 1',
    'Novice',
    'level 2',
    'level 2',
  ])
  expect([1, 2, 3, 4].map((level) => levelName(level))).toEqual(['Reception', 'level 2', 'Chorister', 'level 4'])
})

it('offers those of a division, or of all', () => {
  const { levelOptions } = levels()
  expect(levelOptions('lower')).toEqual([
    { value: '1', label: 'Reception' },
    { value: '2', label: 'Year 1' },
  ])
  expect(levelOptions('company')).toEqual([])
  expect(levelOptions().map(({ label }) => label)).toEqual(['Reception', 'level 2', 'Chorister'])
})
