import { ref, shallowRef } from 'vue'
import { api, Problem, take, type LineRequest, type Person, type Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { fullName, lineSentences, outlookSentence } from '@/shared/sentences'
import { done, refreshSite, wentWrong } from '@/shared/undo'
import { inSentence, t, tIn } from '@/shared/words'
import { tellEach, tellBody } from '@/shared/tell'
import { sectionNames } from './sections'

/** A site as far as a change says of it; where one does not see its roster, nothing of its sections either. */
type Changed = Pick<Site, 'id' | 'timeZone'> & Partial<Pick<Site, 'sections'>>

/**
 * Makes one change to one person, says what happened and offers to take it back. Example: `await change(person, { verb:
 * 'remove', version })`.
 */
export function useChanges(site: () => Changed) {
  const { roleName } = usePlatform()
  const busy = ref(false)
  /** What is wrong with the days typed, when something is. */
  const wrongDay = ref('')

  /** What was asked for and would put somebody in two places at once. */
  const clash = shallowRef<{ person: Person; request: Omit<LineRequest, 'person'>; sentence: string } | null>(null)

  async function change(person: Person, request: Omit<LineRequest, 'person'>): Promise<boolean> {
    if (busy.value) return false
    busy.value = true
    wrongDay.value = ''
    const { id, timeZone: zone } = site()
    try {
      const { lines } = await take(
        api.POST('/sites/{site}/change-lists', {
          params: { path: { site: id } },
          body: { apply: true, lines: [{ ...request, person: person.id }], ...tellBody(tellEach.value) },
        }),
      )
      clash.value = null
      const line = lines[0]!
      const name = fullName(person)
      const nothing = line.verdict === 'nothing-to-do'
      const role = inSentence(roleName(line.after?.role ?? line.before?.role))
      const asked = line.cautions.some((note) => note.code === 'waits-for-approval')
      done(
        t(`did.${nothing ? 'nothing' : asked ? 'asked' : request.verb}`, {
          name,
          role,
          outlook: outlookSentence(line.outlook, zone, roleName),
          sections: sectionNames({ sections: [], ...site() }, line.after?.sections) || t('card.noSection'),
        }),
        { site: id, entry: line.entry },
        nothing
          ? ''
          : [...lineSentences(line, zone, roleName), tellEach.value && line.told ? t(`tell.one.${line.told}`) : '']
              .filter(Boolean)
              .join(' '),
      )
      await refreshSite()
      return true
    } catch (error) {
      const day = error instanceof Problem ? (error.field('untilDay') ?? error.field('fromDay')) : undefined
      if (day) wrongDay.value = day
      else {
        const line = error instanceof Problem ? error.document.line : undefined
        const since =
          error instanceof Problem
            ? error.document.since
                ?.map((each) => t('trouble.sinceOne', { actor: each.actor, verb: tIn('log.verbs', each.verb) }))
                .join('; ')
            : ''
        if (line?.reasons.some(({ code }) => code === 'clash')) {
          clash.value = { person, request, sentence: lineSentences(line, zone, roleName).join(' ') }
          return false
        }
        wentWrong(
          error,
          line
            ? lineSentences(line, zone, roleName).join(' ')
            : since
              ? `${(error as Problem).message} ${t('trouble.since', { what: since })}`
              : undefined,
        )
        await refreshSite()
      }
      return false
    } finally {
      busy.value = false
    }
  }

  /** Makes the change that was asked about all the same; the reason is kept. */
  const changeAllTheSame = (why: string): Promise<boolean> =>
    clash.value
      ? change(clash.value.person, { ...clash.value.request, clash: true, note: why })
      : Promise.resolve(false)

  return { change, busy, wrongDay, clash, changeAllTheSame }
}
