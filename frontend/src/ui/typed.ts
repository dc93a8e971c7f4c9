import { computed, ref, watch, type Ref } from 'vue'

/**
 * A field that takes what people type for what they mean. What can be read goes to the model as it is stored; what
 * cannot goes there as it stands, so that nothing is done with it unseen, and once the field is left it is said.
 */
export function useTyped(
  model: Ref<string>,
  read: (typed: string) => string | undefined,
  written: (value: string) => string,
) {
  const shown = ref(written(model.value))
  const left = ref(true)
  watch(model, (value) => {
    if (value !== meant(shown.value)) {
      shown.value = written(value)
      left.value = true
    }
  })

  function meant(typed: string): string {
    return typed.trim() === '' ? '' : (read(typed) ?? typed.trim())
  }

  const text = computed({
    get: () => shown.value,
    set: (typed: string | undefined) => {
      shown.value = typed ?? ''
      left.value = false
      model.value = meant(shown.value)
    },
  })
  const wrong = computed(() => left.value && model.value !== '' && read(model.value) === undefined)

  function settle() {
    left.value = true
    if (read(model.value) !== undefined) shown.value = written(model.value)
  }

  return { text, wrong, settle }
}
