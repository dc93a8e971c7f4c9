import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { GLYPHS } from './glyphs'

it('draws what the core has names for, and nothing else', () => {
  const core = readFileSync('core/Platform/Look.php', 'utf8')
  const listed = /GLYPHS = \[([^\]]*)\]/.exec(core)![1]!
  expect(Object.keys(GLYPHS).sort()).toEqual([...listed.matchAll(/'([a-z]+)'/g)].map(([, name]) => name).sort())
})
