import type { Site } from '@/shared/api'

type WithSections = Pick<Site, 'sections'>

/** Sections that people may be put into, in their order. */
export const openSections = (site: WithSections) => site.sections.filter(({ retired }) => !retired)

/** Names of sections, in their order; those whose people one does not see have none. */
export const sectionNames = (site: WithSections, ids: readonly string[] = []) =>
  site.sections
    .filter(({ id }) => ids.includes(id))
    .map(({ name }) => name)
    .join(', ')
