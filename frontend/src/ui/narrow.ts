import { onScopeDispose, ref, type Ref } from 'vue'

/** Whether the window is as narrow as a phone. */
export function useNarrow(): Ref<boolean> {
  const query = window.matchMedia('(max-width: 760px)')
  const narrow = ref(query.matches)
  const listen = () => (narrow.value = query.matches)
  query.addEventListener('change', listen)
  onScopeDispose(() => query.removeEventListener('change', listen))
  return narrow
}
