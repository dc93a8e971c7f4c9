import { dayIn } from './days'
import { dayAndTime, lastDay } from './sentences'

/** Until when something is open: a day that is included, or a time on it. */
export function untilOf(closesAt: string, zone: string): string {
  const before = new Date(Date.parse(closesAt) - 1_000).toISOString()
  return dayIn(new Date(before), zone) === dayIn(new Date(closesAt), zone)
    ? dayAndTime(closesAt, zone)
    : lastDay(closesAt, zone)
}
