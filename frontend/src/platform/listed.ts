import { ref } from 'vue'

/** Things of a draft in a list, of which one at a time is changed in its place. */
export function useListed<T>(all: () => T[]) {
  /** The place of the one that is changed; -1 for none. */
  const open = ref(-1)
  return {
    open,
    toggle: (index: number) => (open.value = open.value === index ? -1 : index),
    add(one: T) {
      const list = all()
      list.push(one)
      open.value = list.length - 1
    },
    remove(index: number) {
      all().splice(index, 1)
      open.value = -1
    },
    up(index: number) {
      const list = all()
      list.splice(index - 1, 0, ...list.splice(index, 1))
      if (open.value === index) open.value--
      else if (open.value === index - 1) open.value++
    },
  }
}
