import { VueQueryPlugin } from '@tanstack/vue-query'
import PrimeVue from 'primevue/config'
import { createApp, markRaw } from 'vue'
import App from '@/app/App.vue'
import { readLook } from '@/shared/appearance'
import { fittings } from '@/shared/fittings'
import { queries } from '@/shared/queries'
import { router } from '@/app/router'
import { mint } from '@/shared/theme'
import { words, wordsOf } from '@/shared/words'
import '@fontsource-variable/figtree/wght.css'
import '@fontsource-variable/bricolage-grotesque/wght.css'
import '@fontsource/spline-sans-mono/400.css'
import './shared/look.css'

void readLook()
const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce

// With the router it is asked who is there, and the page is fetched: both are on their way while the rest is made.
const app = createApp(App).use(router)
await new Promise((go) => setTimeout(go))
// What the library's parts say is settled once: it has to be there.
await wordsOf(['open'])

app
  .use(VueQueryPlugin, { queryClient: queries })
  .use(words)
  .use(PrimeVue, {
    // Nothing of it changes while a page is open: it need not be watched.
    theme: { preset: markRaw(mint), options: { darkModeSelector: '.dark', cssLayer: false } },
    csp: { nonce },
    locale: fittings(),
  })
  .mount('#app')
