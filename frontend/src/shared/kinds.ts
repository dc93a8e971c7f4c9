import { shallowRef } from 'vue'
import type { Person, Platform } from './api'
import { t } from './words'

/** Kinds of people that this platform has beside the four. */
export const ownKinds = shallowRef<Platform['kinds']>([])

export const FOUR_KINDS = ['learner', 'staff', 'guardian', 'external'] as const

/** Of which kind somebody is, in the platform's words. */
export const kindName = ({ kind, ownKind }: { kind: Person['kind']; ownKind?: string | null }): string =>
  ownKinds.value.find(({ code }) => code === ownKind)?.name ?? t(`kind.${kind}`)

/** The one of the four as which people of a kind are treated. */
export const likeOf = (kind: string): string => ownKinds.value.find(({ code }) => code === kind)?.like ?? kind

/** Kinds to choose from, each of the platform's own after the one that it is like. */
export const kindOptions = () =>
  FOUR_KINDS.flatMap((kind) => [
    { value: kind as string, label: t(`kind.${kind}`) },
    ...ownKinds.value.filter(({ like }) => like === kind).map(({ code, name }) => ({ value: code, label: name })),
  ])
