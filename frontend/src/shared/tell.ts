import { useLocalStorage } from '@vueuse/core'

/** Whether those one changes something for, one by one, are told; as it was last left in this browser. */
export const tellEach = useLocalStorage('mint-door-tell', false, {
  serializer: { read: (kept) => kept === '1', write: (tell) => (tell ? '1' : '0') },
  writeDefaults: false,
})

/**
 * What a change says of telling people: nothing, or the words for them. Example: `body: { lines, ...tellBody(tell,
 * words) }`.
 */
export const tellBody = (tell: boolean, words = ''): { tell?: string } => (tell ? { tell: words } : {})
