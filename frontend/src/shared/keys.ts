import { onKeyStroke } from '@vueuse/core'

/** Whether what is typed goes into a field. */
export const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))

/**
 * Single keys while this component is there, but never while somebody types. Example: `useKeys({ i: () => box.focus()
 * })`.
 */
export function useKeys(keys: Record<string, () => void>) {
  onKeyStroke(Object.keys(keys), (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return
    event.preventDefault()
    keys[event.key]!()
  })
}
