import { expect, it } from 'vitest'
import { textOfFile } from './listFile'

const file = (...parts: (string | Uint8Array<ArrayBuffer>)[]) => new File(parts, 'list.csv')

it('reads what spreadsheets and editors write, whatever their letters are stored as', async () => {
  expect(await textOfFile(file('Dąbrowicz, Rafał\n'))).toBe('Dąbrowicz, Rafał\n')
  expect(await textOfFile(file('\u{FEFF}Zoë'))).toBe('Zoë')
  expect(await textOfFile(file(new Uint8Array([0x5a, 0x6f, 0xeb])))).toBe('Zoë')
  expect(await textOfFile(file(new Uint8Array([0xff, 0xfe, 0x5a, 0, 0x6f, 0, 0xeb, 0])))).toBe('Zoë')
  expect(await textOfFile(file(new Uint8Array([0xfe, 0xff, 0, 0x5a])))).toBe('Z')
})

it('says what is no list', async () => {
  await expect(textOfFile(file(new Uint8Array([0x50, 0x4b, 3, 4, 0, 0])))).rejects.toMatchObject({ why: 'kind' })
  await expect(textOfFile(file('x'.repeat(1_700_000)))).rejects.toMatchObject({ why: 'large' })
})
