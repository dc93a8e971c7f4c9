import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { openParts } from '@/testing/pages'
import { addLooks, mint } from './theme'
import { rest } from './theme.rest'

type Tokens = { [name: string]: Tokens | string }
const own = mint as unknown as Tokens
const at = (path: string) => path.split('.').reduce<Tokens | string>((part, name) => (part as Tokens)[name]!, own)
const leaves = (tokens: Tokens, path = ''): [string, string][] =>
  Object.entries(tokens).flatMap(([name, value]) =>
    typeof value === 'string' ? [[path + name, value] as [string, string]] : leaves(value, `${path}${name}.`),
  )
/** How light a colour is (WCAG 2.2, relative luminance). */
const light = (colour: string) => {
  const [red, green, blue] = [1, 3, 5]
    .map((place) => parseInt(colour.slice(place, place + 2), 16) / 255)
    .map((part) => (part <= 0.03928 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4))
  return 0.2126 * red! + 0.7152 * green! + 0.0722 * blue!
}
const contrast = (one: string, other: string) => {
  const [darker, lighter] = [light(one), light(other)].toSorted((a, b) => a - b)
  return (lighter! + 0.05) / (darker! + 0.05)
}
const STEPS = ['50', '100', '200', '300', '400', '500', '600', '700', '800', '900', '950']

describe('the looks of the controls', () => {
  it('are there at first for every page that opens without signing in, and for all others later', () => {
    const first = Object.keys(mint.components as object)
    const used = new Set(
      openParts().flatMap(([, text]) => [...text.matchAll(/'primevue\/(\w+)'/g)].map(([, name]) => name!)),
    )
    expect(used.has('button')).toBe(true)
    for (const name of used) expect(first).toContain(name)
    expect(first).not.toContain('datatable')
    addLooks(rest)
    expect(Object.keys(mint.components as object)).toEqual(
      expect.arrayContaining([...first, 'datatable', 'datepicker']),
    )
  })
})

describe('the colours of the controls', () => {
  it('go from light to dark in each family', () => {
    const spruce = STEPS.map((step) => at('primitive.spruce.' + step) as string)
    expect(spruce.every((colour) => /^#[0-9A-F]{6}$/.test(colour))).toBe(true)
    expect(spruce.map(light)).toEqual(spruce.map(light).toSorted((a, b) => b - a))
    for (const scheme of ['light', 'dark']) {
      const surface = ['0', ...STEPS].map((step) => at(`semantic.colorScheme.${scheme}.surface.${step}`) as string)
      expect(surface.every((colour) => /^#[0-9A-F]{6}$/.test(colour))).toBe(true)
      expect(surface.map(light)).toEqual(surface.map(light).toSorted((a, b) => b - a))
    }
    expect(STEPS.map((step) => at('semantic.primary.' + step))).toEqual(STEPS.map((step) => `{spruce.${step}}`))
  })

  it.each(['light', 'dark'])('can be read: %s', (scheme) => {
    const colours = (part: string) => at(`semantic.colorScheme.${scheme}.${part}`) as Record<string, string>
    const resolve = (colour: string) =>
      colour.replace(/^\{(spruce)\.(\d+)\}$/, (_, family, step) => {
        return at(`primitive.${family}.${step}`) as string
      })
    const page = scheme === 'light' ? '#FBFAF5' : '#142B25'
    for (const text of ['color', 'hoverColor', 'mutedColor', 'hoverMutedColor'])
      expect(contrast(colours('text')[text]!, page)).toBeGreaterThan(4.5)
    const field = colours('formField')
    expect(contrast(field.placeholderColor!, field.background!)).toBeGreaterThan(4.5)
    expect(contrast(field.borderColor!, field.background!)).toBeGreaterThan(2.4)
    expect(contrast(field.hoverBorderColor!, field.background!)).toBeGreaterThan(3)
    const primary = colours('primary')
    for (const name of ['color', 'hoverColor', 'activeColor'])
      expect(contrast(resolve(primary[name]!), primary.contrastColor!)).toBeGreaterThan(4.5)
    const danger = at(`components.button.colorScheme.${scheme}.root.danger`) as Record<string, string>
    for (const name of ['background', 'hoverBackground', 'activeBackground']) {
      expect(contrast(danger[name]!, danger.color!)).toBeGreaterThan(4.5)
      expect(danger[name.replace('background', 'border').replace('Background', 'Border') + 'Color']).toBe(danger[name])
    }
  })

  it('are those of our own styles', () => {
    const look = readFileSync('frontend/src/shared/look.css', 'utf8').toLowerCase()
    const text = at('semantic.colorScheme.light.text') as Record<string, string>
    expect(look).toContain(text.color!.toLowerCase())
    expect(look).toContain((at('primitive.spruce.500') as string).toLowerCase())
  })

  it('come with small corners and a ring that shows what is at hand', () => {
    expect(at('primitive.borderRadius')).toEqual({ none: '0', xs: '2px', sm: '3px', md: '4px', lg: '6px', xl: '8px' })
    expect(at('semantic.focusRing')).toMatchObject({
      width: '2px',
      style: 'solid',
      color: '{primary.color}',
      offset: '2px',
    })
    expect(leaves(own).filter(([, value]) => value === '')).toEqual([])
  })
})

it('every part of the library that is used here has its look', () => {
  const root = 'frontend/src/'
  const sources = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter((file) => /\.(vue|ts)$/.test(file))
  const used = sources.flatMap((file) =>
    [...readFileSync(root + file, 'utf8').matchAll(/from 'primevue\/([a-z]+)'/g)].map((found) => found[1]!),
  )
  const looks = Object.keys((own as { components: object }).components)
  const without = ['column', 'config', 'menuitem']
  expect([...new Set(used)].filter((part) => !looks.includes(part) && !without.includes(part))).toEqual([])
})
