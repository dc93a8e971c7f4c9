import { ref, watch } from 'vue'

const KEPT = 'mint-door-tell'
/** Whether those one changes something for, one by one, are told; as it was last left in this browser. */
export const tellEach = ref(localStorage.getItem(KEPT) === '1')
watch(tellEach, (tell) => localStorage.setItem(KEPT, tell ? '1' : '0'))

/**
 * What a change says of telling people: nothing, or the words for them. Example: `body: { lines, ...tellBody(tell,
 * words) }`.
 */
export const tellBody = (tell: boolean, words = ''): { tell?: string } => (tell ? { tell: words } : {})
