import { describe, expect, it, vi } from 'vitest'
import { flushPromises } from '@vue/test-utils'
import { ref } from 'vue'
import { queries } from '@/shared/queries'
import { seenAs } from '@/shared/seenAs'
import { serve, show, site } from '@/testing/server'
import { useSeeAs } from './seeAs'
import { useSite } from './site'

/** On a page of the site, with what the router goes through. */
async function at(may: string[]) {
  const component = { setup: () => ({ ...useSeeAs(() => site.id) }), template: '<p />' }
  const { page, router } = show(component)
  await router.push('/doors/' + site.id + '?day=3')
  const went: unknown[] = []
  router.afterEach((to) => void went.push([to.name, to.params.site, seenAs.value?.as ?? null]))
  const reset = vi.spyOn(queries, 'resetQueries').mockImplementation(async () => {
    if (seenAs.value) queries.setQueryData(['site', site.id], { ...site, may })
  })
  return { ...(page.vm as unknown as ReturnType<typeof useSeeAs>), router, went, reset }
}

describe('looking at a site as somebody else', () => {
  it('shows who is here where they may see it, and leads back to where one was', async () => {
    const { seeAs, back, router, went, reset } = await at(['see-roster'])
    const gone = vi.spyOn(queries, 'removeQueries')
    await seeAs('role:learner')
    expect(seenAs.value).toEqual({ site: site.id, as: 'role:learner', back: `/doors/${site.id}?day=3` })
    expect(went).toEqual([
      ['seen', site.id, 'role:learner'],
      ['roster', site.id, 'role:learner'],
    ])
    expect(reset).toHaveBeenCalledTimes(1)
    await seeAs('role:day-guest')
    expect(seenAs.value?.back).toBe(`/doors/${site.id}?day=3`)
    went.length = 0
    await back()
    expect(went).toEqual([
      ['seen', site.id, 'role:day-guest'],
      ['doors', site.id, null],
    ])
    expect([router.currentRoute.value.fullPath, seenAs.value]).toEqual([`/doors/${site.id}?day=3`, null])
    expect(gone.mock.calls).toEqual([[{ type: 'inactive' }]])
    expect(reset).toHaveBeenCalledTimes(3)
    reset.mockRestore()
    gone.mockRestore()
  })

  it('stays on neutral ground where they may not, and leads to the roster if nobody knows where one was', async () => {
    const { seeAs, back, router, went, reset } = await at(['enter'])
    await seeAs('role:day-guest')
    expect(went).toEqual([['seen', site.id, 'role:day-guest']])
    seenAs.value = null
    await back()
    expect(router.currentRoute.value.name).toBe('roster')
    expect(router.currentRoute.value.params.site).toBe(site.id)
    reset.mockRestore()
  })
})

describe('a site', () => {
  it('is asked for by its id, and says what one may there', async () => {
    const asked = serve({ [`GET /sites/${site.id}`]: site })
    const id = ref('')
    const { page } = show({
      setup: () => useSite(id),
      template: '<p>{{ site?.title }} {{ may("let-in") }} {{ may("write-to-people") }}</p>',
    })
    await flushPromises()
    expect([page.text(), asked]).toEqual(['false false', []])
    id.value = site.id
    await flushPromises()
    expect(page.text()).toBe('Harmony true false')
    expect(asked.map(({ call }) => call)).toEqual([`GET /sites/${site.id}`])
  })
})
