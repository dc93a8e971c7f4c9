import { describe, expect, it } from 'vitest'
import { tableOf, workbookOf } from './workbook'

const ROWS = [
  ['Name', 'Group'],
  ['Nordahlen, Elias', 'Figured bass'],
  ['=HYPERLINK("x")', '007'],
]

describe('a table in a file', () => {
  it('is written as a workbook and read again as it was, formulas and zeros in front being text', async () => {
    const bytes = await workbookOf('Teams: a/b', ROWS)
    expect(await tableOf(new File([bytes], 'groups.xlsx'))).toEqual(ROWS)
  })

  it.each([
    ['commas', 'Name,Group\r\n"Nordahlen, Elias",Figured bass\r\n\r\n', ROWS.slice(0, 2)],
    [
      'semicolons',
      'Name;Group\nAda;1\n',
      [
        ['Name', 'Group'],
        ['Ada', '1'],
      ],
    ],
    ['one column', 'Ada\nBruno', [['Ada'], ['Bruno']]],
  ])('is read from text with %s', async (_, text, rows) => {
    expect(await tableOf(new File([text], 'groups.csv'))).toEqual(rows)
  })

  it('is not made of what is no table', async () => {
    expect(await tableOf(new File(['\0\u0001\u0002'], 'photo.png'))).toEqual([])
    expect(await tableOf(new File(['PK and nothing more'], 'broken.xlsx'))).toEqual([])
    expect(await tableOf(new File([''], 'empty.csv'))).toEqual([])
  })
})
