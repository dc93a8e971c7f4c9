import { flushPromises } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, ref } from 'vue'
import { me } from '@/shared/me'
import { lastDone } from '@/shared/undo'
import SecurityPage from '@/roles/SecurityPage.vue'
import { eventually, person, serve, show, site } from '@/testing/server'
import ApprovalsPage from './ApprovalsPage.vue'
import NewPassword from '@/accounts/NewPassword.vue'
import NoticeStrip from '@/messages/NoticeStrip.vue'
import OwnSessions from '@/accounts/OwnSessions.vue'

afterEach(() => {
  me.value = undefined
})
const bea = person('Bea', 'da Luz')
const somebody = {
  id: bea.id,
  name: 'Bea',
  login: 'bea.d',
  kind: 'learner',
  platformAdministrator: false,
  divisions: [],
  mayMakeSites: false,
  readsNumbers: false,
  mustChange: false,
} as unknown as NonNullable<typeof me.value>
const press = async (shown: ReturnType<typeof show>['page'], label: string) => {
  await shown
    .findAll('button')
    .find((each) => each.text() === label)!
    .trigger('click')
  await flushPromises()
}

describe('a new password', () => {
  async function typed(text: string) {
    const Form = defineComponent({
      components: { NewPassword },
      setup: () => ({ text: ref('') }),
      template: '<NewPassword id="password" v-model="text" label="New" :own="[\'beatrizdaluz\']" />',
    })
    const { page } = show(Form)
    await page.get('#password').setValue(text)
    // What weighs it is fetched at the first key.
    for (let n = 0; n < 60 && page.find('.strength.sshort').exists(); n++) {
      await new Promise((wait) => setTimeout(wait, 50))
      await flushPromises()
      if ([...text].length < 12) break
    }
    return page.get('[role=status]').text()
  }

  it('says how many characters are missing', async () => {
    expect(await typed('amber')).toBe('7 more characters at least.')
    expect(await typed('amber foxes')).toBe('1 more character at least.')
  })

  it('says how hard it would be to guess, own names least', async () => {
    expect(await typed('amber reed cobalt canoe')).toBe('Very hard to guess.')
    expect(await typed('beatrizdaluz')).toMatch(/^Guessed/)
  })
})

describe('what others did to one’s account', () => {
  const notice = {
    id: site.id,
    code: 'card',
    at: '2026-11-23T08:00:00Z',
    by: 'Kofi Mensah',
    values: {},
  }

  it('stays until it is read', async () => {
    me.value = somebody
    const asked = serve({ 'GET /me/notices': { items: [notice] }, 'PUT /me/notices': { items: [] } })
    const { page } = show(NoticeStrip)
    await flushPromises()
    expect(page.text()).toContain('Kofi Mensah made a sign-in card with a new password for you.')
    await press(page, 'I have read this')
    expect(asked.at(-1)!.body).toEqual({ notices: [site.id] })
    expect(page.text()).toBe('')
  })
})

describe('who waits for a yes', () => {
  const waiting = {
    person: bea,
    site,
    role: 'learner',
    by: { id: site.id, name: 'Kofi Mensah' },
    askedAt: '2026-11-23T08:00:00Z',
    timeZone: 'UTC',
  }

  it('is answered in one press', async () => {
    const asked = serve({
      'GET /approvals': { items: [waiting] },
      [`POST /sites/${site.id}/approvals/${bea.id}`]: { items: [] },
    })
    const { page } = show(ApprovalsPage)
    await vi.waitFor(() => expect(page.text()).toContain('Kofi Mensah'))
    await page.get('[aria-label="No to Bea da Luz"]').trigger('click')
    await flushPromises()
    expect(asked.at(-1)!.body).toEqual({ answer: 'no' })
    expect(lastDone.sentence).toBe('Bea da Luz is not let into Harmony.')
    expect(page.text()).toContain('Nobody of your division waits')
  })
})

describe('one’s own sessions', () => {
  const session = (id: string, more = {}) => ({
    id,
    device: 'Firefox, Linux',
    place: '192.0.2.7',
    madeAt: '2026-11-20T08:00:00Z',
    usedAt: '2026-11-24T08:00:00Z',
    endsAt: '2026-12-20T08:00:00Z',
    current: false,
    ...more,
  })

  it('are ended one by one or all others at once, never the one at hand', async () => {
    const mine = session('a', { current: true })
    const asked = serve({
      'GET /me/sessions': { items: [mine, session('b'), session('c')] },
      'DELETE /me/sessions/b': { items: [mine, session('c')] },
      'DELETE /me/sessions': { items: [mine] },
    })
    const { page } = show(OwnSessions)
    await eventually(() => expect(page.findAll('tbody button')).toHaveLength(2))
    await page.get('tbody button').trigger('click')
    await flushPromises()
    expect(page.findAll('tbody button')).toHaveLength(1)
    await press(page, 'End all others')
    expect(asked.at(-1)!.call).toBe('DELETE /me/sessions')
    expect(page.findAll('button')).toHaveLength(0)
  })
})

describe('the security log', () => {
  const entry = {
    sequence: 1,
    at: '2026-11-23T08:00:00Z',
    code: 'password-reset',
    by: { id: site.id, name: 'Kofi Mensah' },
    person: { id: bea.id, name: 'Bea da Luz' },
    site: null,
    address: '192.0.2.7',
    data: {},
  }

  it('says who did what to whom, and is looked through by a name', async () => {
    const asked = serve({ 'GET /security-log': { items: [entry], next: null } })
    const { page } = show(SecurityPage)
    await vi.waitFor(() => expect(page.text()).toContain('made a sign-in card'))
    expect(page.text()).toContain('192.0.2.7')
    await page.get('[aria-label="Names or an address"]').setValue('Kofi')
    await new Promise((wait) => setTimeout(wait, 300))
    await flushPromises()
    expect(asked.at(-1)!.call).toBe('GET /security-log?q=Kofi')
  })
})
