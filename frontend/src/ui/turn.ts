import { onMounted, onScopeDispose, readonly, ref, type Ref } from 'vue'

/** Whether it is a moment after what asks is there: clicks and keys are heard in between. */
export function useTurn(): Readonly<Ref<boolean>> {
  const now = ref(false)
  let turn: ReturnType<typeof setTimeout> | undefined
  onMounted(() => (turn = setTimeout(() => (now.value = true))))
  onScopeDispose(() => clearTimeout(turn))
  return readonly(now)
}
