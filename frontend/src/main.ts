import { VueQueryPlugin } from '@tanstack/vue-query'
import PrimeVue from 'primevue/config'
import { createApp } from 'vue'
import App from '@/app/App.vue'
import { fittings } from '@/shared/fittings'
import { queries } from '@/shared/queries'
import { router } from '@/app/router'
import { mint } from '@/shared/theme'
import { words } from '@/shared/words'
import '@fontsource-variable/figtree/wght.css'
import '@fontsource-variable/bricolage-grotesque/wght.css'
import '@fontsource/spline-sans-mono/400.css'
import './shared/look.css'

const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce

createApp(App)
  .use(router)
  .use(VueQueryPlugin, { queryClient: queries })
  .use(words)
  .use(PrimeVue, {
    theme: { preset: mint, options: { darkModeSelector: '.dark', cssLayer: false } },
    csp: { nonce },
    locale: fittings(),
  })
  .mount('#app')
