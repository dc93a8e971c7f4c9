import { expect, HARMONY, openSite, signIn, test } from './door'

test('two sites are planned together, and nobody is in two places at once', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
  await page.getByRole('link', { name: 'Sections' }).click()
  await page.getByRole('link', { name: 'Plan who goes where' }).click()
  await page.getByRole('button', { name: 'Close wishes now' }).click()
  await page.getByRole('button', { name: 'Plan together with other sites…' }).click()
  await page.getByLabel('Sight Singing Seminar').check()
  await page.getByRole('button', { name: 'Plan together', exact: true }).click()
  const other = page.getByRole('region', { name: 'Planned together with' }).getByRole('link')
  await expect(other).toHaveText('Sight Singing Seminar')
  await page.getByRole('button', { name: 'Compute the plan' }).click()
  const put = page.getByRole('button', { name: /Put \d+ people there/ })
  await expect(put).toBeVisible()
  // The table draws only those in sight.
  const placed = async () => {
    const path = new URL(page.url()).pathname
    const answer = await page.request.get(`/api/v1${path}/people`)
    const { items } = (await answer.json()) as { items: { person: { name: string }; section: string | null }[] }
    const sections = await page.request.get(`/api/v1${path}`)
    const plan = (await sections.json()) as { sections: { id: string; name: string }[] }
    const nameOf = new Map(plan.sections.map(({ id, name }) => [id, name]))
    return new Map(items.map(({ person, section }) => [person.name, nameOf.get(section ?? '')]))
  }
  const here = await placed()
  await other.click()
  await expect(page.getByRole('heading', { name: 'Sight Singing Seminar' })).toBeVisible()
  const there = await placed()
  const both = [...here].filter(([name]) => there.has(name))
  expect(both.length).toBeGreaterThan(4)
  expect(both.filter(([name, section]) => section === 'Morning' && there.get(name) === 'Mondays')).toEqual([])
  await put.click()
  await expect(page.getByText('It is carried out.')).toBeVisible()
})
