import { ref, watchEffect } from 'vue'

const KEPT = 'mint-door.colours'
const asked = localStorage.getItem(KEPT)

/** Whether dark colours are used: as chosen, or as the system has it. */
export const dark = ref(
  asked ? asked === 'dark' : typeof matchMedia === 'function' && matchMedia('(prefers-color-scheme: dark)').matches,
)

watchEffect(() => {
  document.documentElement.className = dark.value ? 'dark' : ''
  document.documentElement.style.colorScheme = dark.value ? 'dark' : 'light'
})

export function switchColours() {
  dark.value = !dark.value
  localStorage.setItem(KEPT, dark.value ? 'dark' : 'light')
}
