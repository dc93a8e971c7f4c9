import type { CohortLink } from '@/shared/api'
import type { RoleName } from '@/shared/sentences'
import { day } from '@/shared/sentences'
import { inSentence, isSaid, t, tIn } from '@/shared/words'

/** What a connection does, as a sentence without its subject. */
export function linkSentence(link: CohortLink, roleName: RoleName): string {
  const role = inSentence(roleName(link.role))
  const where = link.section
    ? t('cohorts.sentence.section', { role, section: link.section.name })
    : t(link.spread ? 'cohorts.sentence.spread' : 'cohorts.sentence.role', { role })
  const from = link.from ? t('cohorts.sentence.from', { where, day: day(link.from + 'T12:00:00Z', 'UTC') }) : where
  const leaves = t(`cohorts.sentence.${link.leaves}`, { n: link.days }, link.days)
  return t('cohorts.sentence.whole', { where: from, leaves })
}

/** Why somebody who belongs is not here, in words. */
export const whySentence = (why: string) =>
  isSaid('cohorts.why', why) ? tIn('cohorts.why', why) : t('cohorts.why.other')
