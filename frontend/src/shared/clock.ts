/** How far the platform's clock is from this machine's, in milliseconds; it may stand still for a demonstration. */
let ahead = 0

/** Told whenever the server says what time it has. */
export function setPlatformClock(instant: string) {
  ahead = new Date(instant).getTime() - Date.now()
}

/** Now, by the platform's clock. */
export const platformNow = () => new Date(Date.now() + ahead)
