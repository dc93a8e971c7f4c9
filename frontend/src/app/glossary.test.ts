import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { eventually, show } from '@/testing/server'
import HelpWord from '@/ui/HelpWord.vue'
import GlossaryPage from './GlossaryPage.vue'

it('has every word in the order of the alphabet, with what it means', () => {
  const { page } = show(GlossaryPage)
  const words = page.findAll('dt').map((each) => each.text())
  expect(words.length).toBeGreaterThan(20)
  expect(words).toEqual(words.toSorted((one, other) => one.localeCompare(other)))
  expect(page.findAll('dd').every((each) => /\.$/.test(each.text()))).toBe(true)
})

it('is told on the word itself, to whoever comes there by keys', async () => {
  const { page } = show(HelpWord, { props: { term: 'unlisted' }, slots: { default: () => '3 unlisted' } })
  const word = page.get('.term')
  expect([word.text(), word.attributes('tabindex')]).toEqual(['3 unlisted', '0'])
  await word.trigger('focus')
  await eventually(() => expect(document.querySelector('[role=tooltip]')?.textContent).toMatch(/^In the site, but not/))
  await word.trigger('blur')
  await flushPromises()
  await eventually(() => expect(document.querySelector('[role=tooltip]')).toBeNull())
})
