import { computed, reactive } from 'vue'
import type { LineRequest, Site } from '@/shared/api'

/** Changes that ask for something before they are made. */
export type AskingVerb =
  | 'remove'
  | 'pause'
  | 'change-dates'
  | 'block'
  | 'change-role'
  | 'put-in-section'
  | 'resume'
  | 'bring-back'
  | 'unblock'
  | 'label'
  | 'fix'
/** Those that ask for nothing. */
const PLAIN = ['remove', 'resume', 'bring-back', 'unblock'] as const
export const asksNothing = (verb: AskingVerb) => (PLAIN as readonly string[]).includes(verb)
export type Length = 'day' | 'days' | 'term' | 'open'

/**
 * What a change asks for, and the request it comes to. Example: `const { asked, request, complete } = useAsked(() =>
 * site, () => 'pause')`.
 */
export function useAsked(site: () => Site, verb: () => AskingVerb) {
  const asked = reactive({
    fromDay: '',
    untilDay: '',
    days: 14 as number | null,
    note: '',
    length: 'day' as Length,
    role: '',
    /** An id, or "none" to take them out of all. */
    section: '',
    label: '',
    on: true,
  })

  const request = computed<Omit<LineRequest, 'person'>>(() => {
    const plain = PLAIN.find((each) => each === verb())
    if (plain) return { verb: plain }
    if (verb() === 'change-role') return { verb: 'change-role', role: asked.role }
    if (verb() === 'put-in-section')
      return asked.section === 'none'
        ? { verb: 'change-sections', sections: [] }
        : { verb: 'put-in-section', section: asked.section || null }
    const dated = verb() === 'change-dates'
    const ends = asked.length === 'term' ? site().term?.endsOn : ''
    const until = !dated || asked.length === 'day' ? asked.untilDay : ends
    return {
      verb: verb() as LineRequest['verb'],
      fromDay: verb() === 'block' ? null : asked.fromDay || null,
      untilDay: until || null,
      days: dated && asked.length === 'days' ? Number(asked.days) || null : null,
    }
  })
  // A change of dates until a day wants the day, a change of role the role.
  const complete = computed(() => {
    if (verb() === 'change-role') return asked.role !== ''
    if (verb() === 'put-in-section') return asked.section !== ''
    if (verb() === 'label') return asked.label.trim() !== ''
    return (
      verb() !== 'change-dates' ||
      (asked.length === 'day' ? asked.untilDay !== '' : asked.length !== 'days' || Number(asked.days) > 0)
    )
  })
  const note = computed(() => asked.note.trim() || null)
  return { asked, request, complete, note }
}
