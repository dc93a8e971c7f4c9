import { onScopeDispose, ref, watch, type Ref } from 'vue'

/** The value of a ref, once it has not changed for some milliseconds. */
export function useSlowly<T>(source: Ref<T>, milliseconds: number): Ref<T> {
  const slow = ref(source.value) as Ref<T>
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(source, (value) => {
    clearTimeout(timer)
    timer = setTimeout(() => (slow.value = value), milliseconds)
  })
  onScopeDispose(() => clearTimeout(timer))
  return slow
}
