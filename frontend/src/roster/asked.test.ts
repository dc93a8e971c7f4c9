import { describe, expect, it } from 'vitest'
import { reactive } from 'vue'
import { site } from '@/testing/server'
import { asksNothing, useAsked, type AskingVerb } from './asked'

const asking = (verb: AskingVerb) =>
  useAsked(
    () => site,
    () => verb,
  )

describe('a change asks', () => {
  it.each(['remove', 'resume', 'bring-back', 'unblock'] as const)('nothing: %s', (verb) => {
    const { request, complete } = asking(verb)
    expect(asksNothing(verb)).toBe(true)
    expect(request.value).toEqual({ verb })
    expect(complete.value).toBe(true)
  })

  it.each(['pause', 'block', 'change-dates', 'change-role', 'label', 'fix'] as const)('something: %s', (verb) => {
    expect(asksNothing(verb)).toBe(false)
  })

  it('for a role', () => {
    const { asked, request, complete } = asking('change-role')
    expect([request.value, complete.value]).toEqual([{ verb: 'change-role', role: '' }, false])
    asked.role = 'day-guest'
    expect([request.value, complete.value]).toEqual([{ verb: 'change-role', role: 'day-guest' }, true])
  })

  it('for a label', () => {
    const { asked, complete } = asking('label')
    expect(complete.value).toBe(false)
    asked.label = '  '
    expect(complete.value).toBe(false)
    asked.label = 'choir'
    expect(complete.value).toBe(true)
  })

  it('for days of a pause, which may be left open', () => {
    const { asked, request, complete } = asking('pause')
    expect([request.value, complete.value]).toEqual([
      { verb: 'pause', fromDay: null, untilDay: null, days: null },
      true,
    ])
    Object.assign(asked, { fromDay: '2026-12-01', untilDay: '2026-12-05', length: 'days' })
    expect(request.value).toEqual({ verb: 'pause', fromDay: '2026-12-01', untilDay: '2026-12-05', days: null })
    expect(complete.value).toBe(true)
  })

  it('until when somebody is blocked, never from when', () => {
    const { asked, request } = asking('block')
    Object.assign(asked, { fromDay: '2026-12-01', untilDay: '2026-12-05' })
    expect(request.value).toEqual({ verb: 'block', fromDay: null, untilDay: '2026-12-05', days: null })
  })

  it('how long dates last: until a day, some days, the term, or for good', () => {
    const { asked, request, complete } = asking('change-dates')
    const says = () => [request.value.untilDay, request.value.days, complete.value]
    expect([asked.length, asked.days]).toEqual(['day', 14])
    expect(says()).toEqual([null, null, false])
    asked.untilDay = '2026-12-05'
    expect(says()).toEqual(['2026-12-05', null, true])
    asked.length = 'days'
    expect(says()).toEqual([null, 14, true])
    asked.days = 3
    expect(says()).toEqual([null, 3, true])
    asked.days = null
    expect(says()).toEqual([null, null, false])
    asked.days = 0
    expect(says()).toEqual([null, null, false])
    asked.days = -1
    expect(complete.value).toBe(false)
    asked.length = 'term'
    expect(says()).toEqual(['2026-12-18', null, true])
    asked.length = 'open'
    expect(says()).toEqual([null, null, true])
    asked.fromDay = '2026-12-01'
    expect([request.value.verb, request.value.fromDay]).toEqual(['change-dates', '2026-12-01'])
  })

  it('for a note, which may be left out', () => {
    const { asked, note } = asking('pause')
    expect(note.value).toBeNull()
    asked.note = '  '
    expect(note.value).toBeNull()
    asked.note = ' ill '
    expect(note.value).toBe('ill')
  })

  it('anew when another change is chosen', () => {
    const which = reactive({ verb: 'remove' as AskingVerb })
    const { asked, request } = useAsked(
      () => site,
      () => which.verb,
    )
    expect([asked.fromDay, asked.untilDay, asked.note, asked.role, asked.label, asked.on]).toEqual([
      '',
      '',
      '',
      '',
      '',
      true,
    ])
    which.verb = 'pause'
    expect(request.value.verb).toBe('pause')
  })
})
