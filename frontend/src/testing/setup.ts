// First, since the others are loaded with it.
import './browser'
import { config, enableAutoUnmount } from '@vue/test-utils'
import { afterEach, vi } from 'vitest'
import PrimeVue from 'primevue/config'
import { allWords, words } from '@/shared/words'

// Nor does it scroll.
Element.prototype.scrollIntoView ??= () => {}
await allWords()
config.global.plugins = [words, PrimeVue]
enableAutoUnmount(afterEach)
afterEach(() => vi.unstubAllGlobals())
