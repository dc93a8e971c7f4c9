import { config, enableAutoUnmount } from '@vue/test-utils'
import { afterEach, vi } from 'vitest'
import PrimeVue from 'primevue/config'
import { allWords, words } from '@/shared/words'

// As people here write days and numbers.
Object.defineProperty(navigator, 'languages', { value: ['en-GB'] })
// jsdom has no media queries.
window.matchMedia ??= (query: string) =>
  ({ matches: false, media: query, addEventListener() {}, removeEventListener() {} }) as unknown as MediaQueryList
// Nor does it scroll.
Element.prototype.scrollIntoView ??= () => {}
await allWords()
config.global.plugins = [words, PrimeVue]
enableAutoUnmount(afterEach)
afterEach(() => vi.unstubAllGlobals())
