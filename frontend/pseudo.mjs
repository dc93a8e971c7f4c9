/**
 * Writes a language made from the English, to be looked at in tests only: accented, longer by 40 %, and in brackets.
 * What is not in brackets on a page is in no catalogue; what is cut off wants room.
 */
import { parse, TYPE } from '@formatjs/icu-messageformat-parser'
import { printAST } from '@formatjs/icu-messageformat-parser/printer.js'
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'

export const TAG = 'en-XA'
const LONGER = 1.4
const ACCENTED = Object.fromEntries(
  [...'AÅCÇEÉGĜIÎNÑOÖSŠUÛYÝaåcçeéhĥiîkķnñoörŕsšuûwŵyý'].flatMap((letter, place, all) =>
    place % 2 ? [] : [[letter, all[place + 1]]],
  ),
)

/** Words of a sentence, accented, with vowels said twice until there are enough of them. */
export function accented(text) {
  let missing = Math.round(text.replace(/\s/g, '').length * (LONGER - 1))
  return [...text]
    .map((letter) => {
      const other = ACCENTED[letter] ?? letter
      const twice = missing > 0 && /[aeiouy]/i.test(letter)
      if (twice) missing--
      return twice ? other + other : other
    })
    .join('')
}
const bracketed = (text) => (/\p{L}/u.test(text) ? `⟦${text}⟧` : text)

/** A sentence of the pages: its values stay, and each of its forms is one. */
export const ofPages = (sentence) =>
  sentence
    .split(' | ')
    .map((form) =>
      bracketed(
        form
          .split(/(\{[^}]*\})/)
          .map((part, place) => (place % 2 ? part : accented(part)))
          .join(''),
      ),
    )
    .join(' | ')

const inside = (elements) =>
  elements.map((element) => {
    if (element.type === TYPE.literal) return { ...element, value: accented(element.value) }
    if (!element.options) return element
    const options = Object.entries(element.options).map(([name, option]) => [
      name,
      { ...option, value: inside(option.value) },
    ])
    return { ...element, options: Object.fromEntries(options) }
  })
/** A sentence of the server (ICU MessageFormat). */
export const ofServer = (sentence) => bracketed(printAST(inside(parse(sentence))))

const each = (of, say) =>
  typeof of === 'string'
    ? say(of)
    : Object.fromEntries(Object.entries(of).map(([name, value]) => [name, each(value, say)]))

function write(from, to, say) {
  writeFileSync(to, JSON.stringify(each(JSON.parse(readFileSync(from, 'utf8')), say), null, 2) + '\n')
}

if (process.argv[1] === new URL(import.meta.url).pathname) {
  const pages = new URL('src/shared/words/', import.meta.url)
  mkdirSync(new URL(TAG, pages), { recursive: true })
  for (const file of readdirSync(new URL('en', pages)))
    write(new URL(`en/${file}`, pages), new URL(`${TAG}/${file}`, pages), ofPages)
  const server = new URL('../translations/', import.meta.url)
  for (const room of readdirSync(server)) {
    const file = (language) => new URL(`${room}/words+intl-icu.${language}.json`, server)
    write(file('en'), file(TAG.replace('-', '_')), ofServer)
  }
}
