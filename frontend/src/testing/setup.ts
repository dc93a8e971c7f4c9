import { config } from '@vue/test-utils'
import { words } from '@/app/words'

// jsdom has no media queries.
window.matchMedia ??= (query: string) => ({ matches: false, media: query, addEventListener() {}, removeEventListener() {} }) as unknown as MediaQueryList
config.global.plugins = [words]
