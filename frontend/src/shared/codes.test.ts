import { describe, expect, it } from 'vitest'
import { codeFrom } from './codes'

describe('short codes', () => {
  it.each([
    ['Upper School', [], 'upper-school'],
    ['Upper School', ['upper-school'], 'upper-school-2'],
    ['Académie 7', [], 'academie-7'],
    ['7th form', [], 'th-form'],
    ['名前', [], 'part'],
    ['', ['part'], 'part-2'],
    ['A', [], 'part-a'],
    ['Choir School of Saint Cecilia', [], 'choir-school-of-saint'],
  ])('of %s beside %s is %s', (name, taken, code) => {
    expect(codeFrom(name, taken)).toBe(code)
    expect(code).toMatch(/^[a-z][a-z0-9-]{1,31}$/)
  })
})
