import words from '@intlify/unplugin-vue-i18n/vite'
import vue from '@vitejs/plugin-vue'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import { pages } from './frontend/pages.mjs'
import { pieces, STYLE, type ModuleOf, type Visit } from './frontend/pieces'

const source = (path: string) => fileURLToPath(new URL(`./frontend/src/${path}`, import.meta.url))
const routes = new Map(pages().map((page) => [page.page, page]))

/** What comes with a page. Who joins waits on a phone, mostly; what is only opened later counts little. */
function visitOf(opened: string): Visit {
  const page = routes.get(opened)
  if (!page) return { opens: [], weight: 0.2 }
  return page.open ? { opens: [], weight: 8 } : { opens: [...page.frames, source('app/inside.ts')], weight: 1 }
}

/** Styles come by themselves, and who joins loads nothing that is only for people inside. */
function apart(id: string, visits: readonly string[]): string {
  const open = visits.some((visit) => routes.get(visit)?.open)
  return `${STYLE.test(id) ? 'style' : 'code'} ${open ? 'open' : 'inside'}`
}

let found: ReadonlyMap<string, string> | null = null
const pieceOf = (id: string, moduleOf: ModuleOf): string | undefined => {
  found ??= pieces(source('main.ts'), moduleOf, visitOf, apart)
  return found.get(id)
}

export default defineConfig({
  root: 'frontend',
  plugins: [
    vue(),
    // Sentences are compiled when the pages are built: browsers load no compiler for them.
    words({
      include: fileURLToPath(new URL('./frontend/src/shared/words/*/*.json', import.meta.url)),
      dropMessageCompiler: true,
      fullInstall: false,
    }),
  ],
  // The server puts a fresh nonce in place of this word each time it sends the page.
  html: { cspNonce: '__CSP_NONCE__' },
  resolve: { alias: { '@': fileURLToPath(new URL('./frontend/src', import.meta.url)) } },
  define: { __VUE_OPTIONS_API__: 'true', __VUE_PROD_DEVTOOLS__: 'false' },
  build: {
    outDir: '../public/build',
    emptyOutDir: true,
    target: 'es2022',
    assetsInlineLimit: 0,
    manifest: true,
    rolldownOptions: {
      output: {
        // Every page has the list of all pieces with it: they are called by what is in them alone.
        chunkFileNames: 'assets/[hash].js',
        codeSplitting: {
          includeDependenciesRecursively: false,
          groups: [{ debugName: 'pieces', name: (id, graph) => pieceOf(id, (of) => graph.getModuleInfo(of)) }],
        },
      },
    },
  },
  server: { host: '127.0.0.1', proxy: { '/api': 'http://127.0.0.1:8080' } },
  test: {
    environment: 'jsdom',
    include: ['src/**/*.test.ts'],
    setupFiles: ['src/testing/setup.ts'],
    testTimeout: 20_000,
  },
})
