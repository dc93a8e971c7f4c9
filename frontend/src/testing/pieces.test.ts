import { describe, expect, it } from 'vitest'
import { pieces, type Module } from '../../pieces'

/** A module: what it asks for, what it opens, and how long it is. */
type Drawn = [asks: string[], opens?: string[], length?: number]
const graph = (drawn: Record<string, Drawn>) => (id: string) => {
  const [importedIds, dynamicallyImportedIds = [], length = 1_000] = drawn[id]!
  return { importedIds, dynamicallyImportedIds, code: 'x'.repeat(length) } satisfies Module
}
type Apart = Parameters<typeof pieces>[3]
const once = () => ({ opens: [], weight: 1 })
const alike: Apart = () => ''
const put = (drawn: Record<string, Drawn>, visitOf: Parameters<typeof pieces>[2] = once, apart = alike) =>
  pieces('main', graph(drawn), visitOf, apart)

describe('modules come in one piece', () => {
  const two: Record<string, Drawn> = {
    main: [[], ['page', 'other']],
    page: [['button', 'table', 'own']],
    other: [['button', 'table']],
    button: [[]],
    table: [[], [], 500_000],
    own: [[], [], 500_000],
  }

  it('where the same visits want them, however long they are', () => {
    const piece = put(two)
    expect(piece.get('button')).toBeDefined()
    expect(piece.get('button')).toBe(piece.get('table'))
  })

  it('but not what one visit wants, what is opened, or what all begin with', () => {
    const piece = put(two)
    for (const id of ['own', 'page', 'other', 'main']) expect(piece.has(id)).toBe(false)
  })

  const three = (length: number): Record<string, Drawn> => ({
    main: [[], ['page', 'other', 'third']],
    page: [['button', 'table']],
    other: [['button', 'table']],
    third: [['button']],
    button: [[]],
    table: [[], [], length],
  })

  it('where a visit loads a little more than it wants, rather than others asking twice', () => {
    const piece = put(three(1_000))
    expect(piece.get('button')).toBe(piece.get('table'))
  })

  it('but not where that is much', () => {
    const piece = put(three(500_000))
    expect(piece.get('button')).not.toBe(piece.get('table'))
  })

  it('where the visit that would load more is hardly ever made', () => {
    const rare = (opened: string) => ({ opens: [], weight: opened === 'third' ? 0.001 : 1 })
    expect(put(three(100_000)).get('button')).not.toBe(put(three(100_000)).get('table'))
    const piece = put(three(100_000), rare)
    expect(piece.get('button')).toBe(piece.get('table'))
  })

  it('never where they are to be apart', () => {
    const piece = put(two, once, (id) => id)
    expect(piece.get('button')).not.toBe(piece.get('table'))
  })

  it('with what comes besides: a page and its frame are one visit', () => {
    const drawn: Record<string, Drawn> = {
      main: [[], ['page', 'other', 'frame']],
      page: [['button']],
      other: [['button']],
      frame: [['bar']],
      button: [[], [], 500_000],
      bar: [[], [], 500_000],
    }
    expect(put(drawn).get('bar')).toBeUndefined()
    const framed = put(drawn, (opened) => ({ opens: ['frame'], weight: opened === 'frame' ? 0 : 1 }))
    expect(framed.get('bar')).toBe(framed.get('button'))
  })
})

describe('pieces', () => {
  /** Numbers that look drawn and are the same each time. */
  const drawing = (seed: number) => () => (seed = (seed * 16807) % 2147483647) / 2147483647

  it.each(Array.from({ length: 40 }, (_, n) => n + 1))('never ask for each other in a circle (%i)', (seed) => {
    const draw = drawing(seed)
    const pages = Array.from({ length: 6 }, (_, n) => `page${n}`)
    const parts = Array.from({ length: 25 }, (_, n) => `part${n}`)
    const some = (from: string[], share: number) => from.filter(() => draw() < share)
    const drawn: Record<string, Drawn> = { main: [some(parts.slice(-3), 0.5), pages] }
    for (const page of pages) drawn[page] = [some(parts, 0.15)]
    parts.forEach((part, n) => (drawn[part] = [some(parts.slice(n + 1), 0.12), [], Math.ceil(draw() * 40_000)]))

    const piece = put(drawn)
    const asks = new Map<string, Set<string>>()
    for (const [id, name] of piece) {
      const others = drawn[id]![0].map((each) => piece.get(each)!).filter((each) => each !== name)
      asks.set(name, new Set([...(asks.get(name) ?? []), ...others]))
    }
    const done = new Set<string>()
    const follow = (name: string, way: string[]): void => {
      expect(way).not.toContain(name)
      if (done.has(name)) return
      for (const each of asks.get(name) ?? []) follow(each, [...way, name])
      done.add(name)
    }
    for (const name of asks.keys()) follow(name, [])
    expect(piece.size).toBeGreaterThan(5)
  })
})
