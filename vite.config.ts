import words from '@intlify/unplugin-vue-i18n/vite'
import vue from '@vitejs/plugin-vue'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/** Of libraries, what no page does without. */
const LIBRARY = [
  '@vue',
  'vue',
  'vue-router',
  'vue-i18n',
  '@intlify',
  '@primevue/core',
  'primevue/(?:base|button|ripple)',
]

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
        // What every page needs of the libraries comes in one piece: small pieces are squeezed less.
        advancedChunks: {
          groups: [
            {
              name: 'library',
              test: new RegExp(`/node_modules/(${LIBRARY.join('|')})/`),
            },
          ],
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
