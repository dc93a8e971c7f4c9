import { expect, it, vi } from 'vitest'
import en from './words.en'
import { t } from './words'

/** Every sentence of the catalogue with its address. */
function* sentences(of: object, address = ''): Generator<[string, string]> {
  for (const [name, value] of Object.entries(of)) {
    if (typeof value === 'string') yield [address + name, value]
    else yield* sentences(value as object, `${address}${name}.`)
  }
}

it('has no sentence that cannot be said, for none, one or many', () => {
  const error = vi.spyOn(console, 'error').mockImplementation(() => {})
  for (const [address, text] of sentences(en)) {
    const values = Object.fromEntries([...text.matchAll(/\{(\w+)\}/g)].map(([, name]) => [name, 'x']))
    for (const n of text.includes(' | ') ? [0, 1, 2] : [1]) {
      const said = t(address, values, n)
      expect(said, address).not.toBe(address)
      if (text !== '') expect(said, address).not.toBe('')
      expect(said, address).not.toMatch(/[{}]/)
    }
  }
  expect(error).not.toHaveBeenCalled()
  error.mockRestore()
})
