type Load = () => Promise<object>

// The English sentences that open without signing in come with the program.
const catalogues = import.meta.glob(['./words/*/*.json', '!./words/en/open.json'], { import: 'default' }) as Record<
  string,
  Load
>

/** The languages there are sentences in, as tags of BCP 47. Example: `['en']`. */
export const LANGUAGES: readonly string[] = [...new Set(Object.keys(catalogues).map((path) => path.split('/').at(-2)!))]

/** What loads the sentences of a room in a language, where they do not come with the program. */
export const loadable = (language: string, room: string): Load | undefined =>
  catalogues[`./words/${language}/${room}.json`]

/** The language of ours that is nearest to a tag. Example: `en-GB` → `en`; `pt` → none, where there is none. */
export function languageOf(tag: string): string | undefined {
  const parts = tag.split('-')
  for (; parts.length; parts.pop()) {
    const found = LANGUAGES.find((each) => each.toLowerCase() === parts.join('-').toLowerCase())
    if (found) return found
  }
  return undefined
}
