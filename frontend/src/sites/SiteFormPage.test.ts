import { flushPromises } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { lastDone } from '@/shared/undo'
import { list } from '@/testing/choose'
import { platform, problem, serve, show, site } from '@/testing/server'
import SiteFormPage from './SiteFormPage.vue'

const value = (page: ReturnType<typeof show>['page'], id: string) =>
  (page.find('#' + id).element as HTMLInputElement).value

describe('a new site', () => {
  it('begins with the term that runs and the division one works in', () => {
    serve({ 'GET /platform': platform })
    const { page } = show(SiteFormPage)
    expect([list(page, 'Term').text(), list(page, 'Division').text()]).toEqual(['Autumn', 'Seniors'])
  })

  it('has a short code made of its title, until somebody writes one', async () => {
    serve({ 'GET /platform': platform })
    const { page } = show(SiteFormPage)
    for (const [title, code] of [
      ['Harmony & Ear Training II', 'HET-II'],
      ['Čhoir', 'CHOIR'],
      ['Week 3', 'WEEK-3'],
      ['Хор', ''],
      ['A very '.repeat(20), 'AVAVAVAVAVAVAVAVAVAVAVAV'],
    ]) {
      await page.find('#title').setValue(title)
      expect(value(page, 'code')).toBe(code)
    }
    await page.find('#code').setValue('own')
    await page.find('#title').setValue('Another')
    expect(value(page, 'code')).toBe('own')
  })

  it('says what is wrong at its field, keeps what was typed, and makes it under one key', async () => {
    let tries = 0
    const asked = serve({
      'POST /sites': () =>
        tries++
          ? site
          : problem('invalid', 422, 'Another site has this short code.', {
              errors: [
                {
                  pointer: '/code',
                  code: 'taken',
                  detail: 'Another site has this short code. Choose a different one.',
                },
              ],
            }),
    })
    const { page, router } = show(SiteFormPage)
    await page.find('#title').setValue('Harmony')
    await page.find('#code').setValue('het-2')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(page.find('#code-wrong').text()).toBe('Another site has this short code. Choose a different one.')
    expect([value(page, 'title'), value(page, 'code')]).toEqual(['Harmony', 'het-2'])
    await page.find('#code').setValue('het-9')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(asked.map(({ body }) => body)[1]).toMatchObject({
      title: 'Harmony',
      code: 'het-9',
      lowest: null,
      highest: null,
      seats: null,
    })
    expect(new Set(asked.map(({ headers }) => headers.get('Idempotency-Key'))).size).toBe(2)
    expect(lastDone.sentence).toBe('Harmony is made. It is a draft; you are its lead.')
    expect(router.currentRoute.value.fullPath).toBe('/roster/' + site.id)
  })
})

describe('settings', () => {
  const PUT = `PUT /sites/${site.id}`

  it('are sent with the version that was looked at', async () => {
    const asked = serve({ [PUT]: { ...site, version: 5, entry: 9 } })
    const { page } = show(SiteFormPage, { props: { site } })
    await page.find('#seats').setValue('31')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(asked[0]?.headers.get('If-Match')).toBe('"4"')
    expect(asked[0]?.body).toMatchObject({ title: 'Harmony', seats: 31 })
    expect([lastDone.sentence, lastDone.entry]).toEqual(['Harmony was changed.', 9])
  })

  it.each([
    ['Show how it is now', '28', []],
    ['Save mine instead', '31', ['"5"']],
  ])('that somebody else changed meanwhile: %s', async (choice, seats, versions) => {
    const sent: (string | null)[] = []
    serve({
      [PUT]: (request: Request) => {
        sent.push(request.headers.get('If-Match'))
        return sent.length > 1
          ? { ...site, seats: 31, version: 6 }
          : problem('stale', 412, 'Somebody else changed this in the meantime.')
      },
      [`GET /sites/${site.id}`]: { ...site, seats: 28, version: 5 },
    })
    const { page } = show(SiteFormPage, { props: { site } })
    await page.find('#seats').setValue('31')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(page.find('[role=alert]').text()).toContain('Somebody else changed this in the meantime.')
    await page
      .findAll('button')
      .find((each) => each.text() === choice)!
      .trigger('click')
    await flushPromises()
    expect(value(page, 'seats')).toBe(seats)
    expect(sent.slice(1)).toEqual(versions)
  })
})
