import { flushPromises } from '@vue/test-utils'
import { reactive } from 'vue'
import { expect, it, vi } from 'vitest'
import type { Settings } from '@/shared/api'
import { problem, read, serve, show } from '@/testing/server'
import DaysOffSettings from './DaysOffSettings.vue'

const chosen = vi.hoisted(() => ({ then: (_files: { item: () => File }) => undefined as void }))
vi.mock('@vueuse/core', async (original) => ({
  ...(await original<object>()),
  useFileDialog: () => ({ open: vi.fn(), onChange: (work: typeof chosen.then) => (chosen.then = work) }),
}))

const day = (name: string, on: string) => ({ name, from: on, until: on, division: null })
async function bring(answer: Parameters<typeof serve>[0][string]) {
  serve({ 'POST /settings/calendar': answer })
  const settings = reactive({ divisions: [], daysOff: [day('May day', '2026-05-01')] }) as unknown as Settings
  const { page } = show(DaysOffSettings, {
    props: { settings, mayChange: true, wrongAt: () => [], edit: () => settings, known: () => new Set<string>() },
  })
  chosen.then({ item: () => new File(['BEGIN:VCALENDAR'], 'holidays.ics') })
  await flushPromises()
  await vi.waitFor(() => expect(page.findAll('[role=status], [role=alert]').length).toBeGreaterThan(0))
  return { page, settings }
}

it('days off come from a calendar, what stands there already not twice', async () => {
  const { page, settings } = await bring({
    items: [day('May day', '2026-05-01'), day('Founders’ day', '2026-10-02')],
    left: 2,
  })
  expect(settings.daysOff.map(({ name }) => name)).toEqual(['May day', 'Founders’ day'])
  expect(read(page)).toContain('1 came from the calendar. 2 events are no whole days and were left out.')
})

it('what is no calendar is said', async () => {
  const detail = 'This is no calendar that can be read.'
  const { page, settings } = await bring(() =>
    problem('invalid', 422, detail, { errors: [{ pointer: '/text', code: 'no-calendar', detail }] }),
  )
  expect(page.find('[role=alert]').text()).toBe(detail)
  expect(settings.daysOff).toHaveLength(1)
})
