import { useLocalStorage } from '@vueuse/core'
import { computed, watchEffect } from 'vue'
import { api, take, type Look } from './api'
import { dark } from './colours'

/** What the platform is called and looks like, as this browser saw it last. */
const kept = useLocalStorage<Look | null>('mint-door.look', null, {
  flush: 'sync',
  writeDefaults: false,
  serializer: { read: (text) => (text ? (JSON.parse(text) as Look) : null), write: JSON.stringify },
})

export const platformName = computed(() => kept.value?.name || 'Mint Door')
/** Whether people register themselves somewhere. */
export const registers = computed(() => kept.value?.register ?? false)
export const mark = computed(() => kept.value?.mark ?? '')

/** Our names of colours, and those of the library, by what they take of an accent. */
const NAMES = {
  accent: ['--spruce', '--p-primary-color', '--p-primary-400', '--p-primary-500'],
  hover: ['--p-primary-hover-color', '--p-primary-600'],
  pressed: ['--p-primary-active-color', '--p-primary-700'],
  onAccent: ['--on-spruce', '--p-primary-contrast-color'],
  ground: ['--mint', '--p-primary-100', '--p-primary-200'],
  pale: ['--mint-pale', '--p-primary-50'],
} as const

watchEffect(() => {
  const colours = dark.value ? kept.value?.dark : kept.value?.light
  for (const [part, names] of Object.entries(NAMES)) {
    for (const name of names) {
      if (colours) document.documentElement.style.setProperty(name, colours[part as keyof typeof NAMES])
      else document.documentElement.style.removeProperty(name)
    }
  }
})
watchEffect(() => {
  if (!document.title.includes(' · ')) document.title = platformName.value
})

/** Asks what the platform looks like now. What cannot be learned stays as it was. */
export const readLook = async () => {
  try {
    kept.value = await take(api.GET('/look'))
  } catch {
    // It looks as it did.
  }
}
