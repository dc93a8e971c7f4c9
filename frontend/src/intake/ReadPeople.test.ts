import { expect, it } from 'vitest'
import { eventually, person, problem, read, serve, show } from '@/testing/server'
import ReadPeople from './ReadPeople.vue'

const [ada, eva] = [person('Ada', 'Moss'), person('Eva', 'Moss')]
const line = (number: number, text: string, outcome: string, ...people: object[]) => ({
  number,
  text,
  gist: text,
  outcome,
  mistyped: null,
  decided: null,
  repeats: null,
  marks: [{ text, kind: 'name', piece: 0, cell: 0 }],
  doubt: null,
  notTheirs: [],
  sections: [],
  candidates: people.map((who) => ({
    person: who,
    visibility: 'full',
    standing: null,
    suggested: null,
    evidence: 'full-name',
    remembered: false,
    wanted: true,
  })),
})

it('says whom a list means, asks where it could mean several, and names what nobody is called', async () => {
  const items = [line(1, 'Ada Moss', 'match', ada), line(2, 'Moss', 'choose', ada, eva), line(3, 'Xyz', 'unknown')]
  serve({ 'POST /readings': { items } })
  const { page } = show(ReadPeople, { props: { label: 'A list', text: 'Ada Moss\nMoss\nXyz' } as never })
  await eventually(() => expect(read(page)).toContain('1 person is found, 1 line to decide'))
  expect(read(page)).toMatch(/Nobody was found for 1 line: ?Xyz/)
  await page.findAll('fieldset input').at(1)!.setValue()
  await eventually(() => expect(page.emitted('people')!.at(-1)).toEqual([[ada.id, eva.id]]))
})

it('says what the server does not take', async () => {
  serve({ 'POST /readings': () => problem('invalid', 422, 'Fewer lines, please.') })
  const { page } = show(ReadPeople, { props: { label: 'A list', text: 'Ada' } as never })
  await eventually(() => expect(read(page)).toContain('Fewer lines, please.'))
})
