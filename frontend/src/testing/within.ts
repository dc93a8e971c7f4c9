import { mount, type VueWrapper } from '@vue/test-utils'
import { defineComponent } from 'vue'

/** Runs something that belongs to a component, in one; answers what it gave, and the component, to be taken away. */
export function within<T>(setup: () => T): { got: T; page: VueWrapper } {
  let got: T | undefined
  const page = mount(
    defineComponent({
      setup() {
        got = setup()
        return () => null
      },
    }),
  )
  return { got: got as T, page }
}
