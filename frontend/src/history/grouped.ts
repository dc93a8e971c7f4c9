import type { HistoryEntry } from '@/shared/api'

/** Entries that were written in one step: the same done by one person at one instant, in one site. */
export interface Together {
  entries: HistoryEntry[]
}

/** What happened on one day. */
export interface Day {
  /** As it is shown. */
  day: string
  groups: Together[]
}

/**
 * Entries as they come, by day, and those that belong together as one, of the kinds that join. Their order stays.
 */
export function grouped(
  entries: readonly HistoryEntry[],
  dayOf: (instant: string) => string,
  joins: (entry: HistoryEntry) => boolean = () => true,
): Day[] {
  const days: Day[] = []
  for (const entry of entries) {
    const day = dayOf(entry.at)
    if (days.at(-1)?.day !== day) days.push({ day, groups: [] })
    const { groups } = days.at(-1)!
    const before = groups.at(-1)?.entries[0]
    const same =
      before &&
      joins(entry) &&
      before.at === entry.at &&
      before.code === entry.code &&
      before.actor.id === entry.actor.id &&
      before.site?.id === entry.site?.id
    if (same) groups.at(-1)!.entries.push(entry)
    else groups.push({ entries: [entry] })
  }
  return days
}
