import { mount } from '@vue/test-utils'
import { defineComponent } from 'vue'
import { expect, it, vi } from 'vitest'
import { useKeys } from './keys'

it('hears single keys, but not while somebody types or holds Ctrl, nor once it is gone', () => {
  const act = vi.fn()
  const page = mount(defineComponent({ setup: () => useKeys({ i: act }), template: '<input />' }), {
    attachTo: document.body,
  })
  const press = (target: EventTarget, more: KeyboardEventInit = {}) =>
    target.dispatchEvent(new KeyboardEvent('keydown', { key: 'i', bubbles: true, ...more }))
  press(document.body)
  expect(act).toHaveBeenCalledTimes(1)
  press(page.find('input').element)
  press(document.body, { ctrlKey: true })
  press(document.body, { key: 'x' })
  expect(act).toHaveBeenCalledTimes(1)
  page.unmount()
  press(document.body)
  expect(act).toHaveBeenCalledTimes(1)
})
