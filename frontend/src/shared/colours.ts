import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import { computed, watchEffect } from 'vue'

/** As chosen in this browser; empty for as the system has it. */
export const choice = useLocalStorage<'' | 'dark' | 'light'>('mint-door.colours', '', {
  flush: 'sync',
  writeDefaults: false,
})
const system = usePreferredDark()

/** Whether dark colours are used: as chosen, or as the system has it. */
export const dark = computed(() => (choice.value ? choice.value === 'dark' : system.value))

watchEffect(() => {
  document.documentElement.className = dark.value ? 'dark' : ''
  document.documentElement.style.colorScheme = dark.value ? 'dark' : 'light'
})

export function switchColours() {
  choice.value = dark.value ? 'light' : 'dark'
}
