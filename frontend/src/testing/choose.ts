import { flushPromises, type DOMWrapper, type VueWrapper } from '@vue/test-utils'
import { eventually } from '@/testing/server'

type Page = Pick<VueWrapper, 'findAll' | 'element'>

/** A list to choose from, by what it is called. */
export function list(page: Page, name: string): DOMWrapper<Element> {
  const called = (each: DOMWrapper<Element>) =>
    document.getElementById(each.attributes('aria-labelledby') ?? '')?.textContent?.trim() ??
    each.attributes('aria-label')
  const found = page.findAll('span[role=combobox]').find((each) => called(each) === name)
  if (!found) throw new Error(`There is no list called ${name}.`)
  return found
}

/** What stands open under a field, wherever on the page it was put. */
export const offered = (of: ParentNode = document.body) => [...of.querySelectorAll<HTMLElement>('[role=option]')]

/** Clicks what is offered under these words. */
export async function take(words: string, of?: ParentNode) {
  const found = offered(of).find((each) => each.textContent?.includes(words))
  if (!found)
    throw new Error(
      `Nothing says ${words}: ${offered()
        .map((each) => each.textContent)
        .join(', ')}`,
    )
  found.dispatchEvent(new MouseEvent('mousedown', { bubbles: true }))
  found.click()
  await flushPromises()
}

/** Chooses from a list as a person does: opens it, and clicks. */
export async function choose(page: Page, name: string, words: string) {
  const field = list(page, name)
  await field.trigger('click')
  await flushPromises()
  await take(words, document.getElementById(field.attributes('aria-controls') ?? '') ?? undefined)
}

/** Types into a field that finds, and takes what it found. */
export async function findIn(field: Pick<DOMWrapper<Element>, 'element' | 'trigger'>, typed: string, words: string) {
  await field.trigger('focus')
  ;(field.element as HTMLInputElement).value = typed
  await field.trigger('input')
  await eventually(() => {
    if (!offered().some((each) => each.textContent?.includes(words))) throw new Error(`${words} was not found.`)
  })
  await take(words)
}
