import { config, enableAutoUnmount } from '@vue/test-utils'
import { afterEach, vi } from 'vitest'
import { words } from '@/shared/words'

// jsdom has no media queries.
window.matchMedia ??= (query: string) =>
  ({ matches: false, media: query, addEventListener() {}, removeEventListener() {} }) as unknown as MediaQueryList
config.global.plugins = [words]
enableAutoUnmount(afterEach)
afterEach(() => vi.unstubAllGlobals())
