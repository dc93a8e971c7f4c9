import { onBeforeUnmount, onMounted } from 'vue'

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))

/**
 * Single keys while this component is there, but never while somebody types. Example: `useKeys({ i: () => box.focus()
 * })`.
 */
export function useKeys(keys: Record<string, () => void>) {
  const listen = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return
    const act = keys[event.key]
    if (act) {
      event.preventDefault()
      act()
    }
  }
  onMounted(() => window.addEventListener('keydown', listen))
  onBeforeUnmount(() => window.removeEventListener('keydown', listen))
}
