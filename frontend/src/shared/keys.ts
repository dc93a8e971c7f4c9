import { onKeyStroke } from '@vueuse/core'

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))

/**
 * Single keys while this component is there, but never while somebody types. Example: `useKeys({ i: () => box.focus()
 * })`.
 */
export function useKeys(keys: Record<string, () => void>) {
  onKeyStroke(Object.keys(keys), (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return
    event.preventDefault()
    keys[event.key]!()
  })
}
