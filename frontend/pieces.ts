/** What the builder knows of a module. */
export interface Module {
  readonly code: string | null
  readonly importedIds: readonly string[]
  readonly dynamicallyImportedIds: readonly string[]
}
/** A module by its name; null for one that is not built, as of another place. */
export type ModuleOf = (id: string) => Module | null

/** What another request costs, in bytes as they travel: 40 ms of a line of 10 Mbit, six being asked for at a time. */
const REQUEST = 8000
/** How much of the text of a module travels, squeezed. */
const SQUEEZED = 0.22

/** Of modules, those that are styles. */
export const STYLE = /type=style|\.css$/

/** Modules that come in one piece: by which visits they are wanted, and what they weigh as they travel. */
interface Piece {
  readonly modules: string[]
  readonly wanted: ReadonlySet<string>
  readonly bytes: number
  /** What it may be put together with. */
  readonly kind: string
}

/** All modules that can be reached, and those that are only asked for once something is opened. */
function allOf(entry: string, moduleOf: ModuleOf): { modules: Set<string>; opened: Set<string> } {
  const modules = new Set([entry])
  const opened = new Set<string>()
  for (const id of modules) {
    const module = moduleOf(id)
    for (const each of module?.importedIds ?? []) modules.add(each)
    for (const each of module?.dynamicallyImportedIds ?? []) {
      modules.add(each)
      opened.add(each)
    }
  }
  return { modules, opened }
}

/** What comes with a module. */
function closureOf(ids: readonly string[], moduleOf: ModuleOf): Set<string> {
  const closure = new Set(ids)
  for (const id of closure) for (const each of moduleOf(id)?.importedIds ?? []) closure.add(each)
  return closure
}

/** The bytes of a piece for those who want only the other: they would load it for nothing. */
const lost = (piece: Piece, other: Piece, weight: (visit: string) => number) => {
  let sum = 0
  for (const visit of other.wanted) if (!piece.wanted.has(visit)) sum += weight(visit) * piece.bytes
  return sum
}

/** Whether one piece asks for another by way of a third: together they would ask for each other. */
function byWayOf(from: Piece, to: Piece, asks: (piece: Piece) => Set<Piece>): boolean {
  const seen = new Set([...asks(from)].filter((each) => each !== to && each !== from))
  for (const piece of seen) {
    for (const each of asks(piece)) {
      if (each === to) return true
      if (each !== from) seen.add(each)
    }
  }
  return false
}

/** A page somebody opens: what it begins with, and how often it counts. */
export interface Visit {
  readonly opens: readonly string[]
  readonly weight: number
}

/**
 * Which modules come together: those that the same visits want, and beyond that whatever costs less than the requests
 * it saves. A builder alone makes a piece for every set of pages that share something; a page would load a hundred.
 *
 * @param entry what every page begins with
 * @param moduleOf the graph of modules
 * @param visitOf what is loaded when something that is only asked for when used is opened
 * @param apart modules for which it answers differently are never put together
 * @returns the name of its piece by module; modules that only one visit wants are not in it, but for their styles
 */
export function pieces(
  entry: string,
  moduleOf: ModuleOf,
  visitOf: (opened: string) => Visit,
  apart: (id: string, visits: readonly string[]) => string,
): Map<string, string> {
  const { modules, opened } = allOf(entry, moduleOf)
  const wantedBy = new Map([...modules].map((id) => [id, new Set<string>()]))
  const weights = new Map<string, number>()
  for (const each of opened) {
    const { opens, weight } = visitOf(each)
    weights.set(each, weight)
    for (const id of closureOf([entry, each, ...opens], moduleOf)) wantedBy.get(id)?.add(each)
  }
  const weight = (visit: string) => weights.get(visit) ?? 0

  const byVisits = new Map<string, Piece>()
  for (const [id, wanted] of wantedBy) {
    // What is opened, or belongs to one visit only, comes by itself in any case; a style comes best with others.
    const alone = wanted.size < 2 || opened.has(id.replace(/\?.*/, ''))
    if (id === entry || wanted.size === 0 || (alone && !STYLE.test(id))) continue
    const kind = apart(id, [...wanted])
    const key = [kind, ...[...wanted].sort()].join('\n')
    const bytes = (moduleOf(id)?.code?.length ?? 0) * SQUEEZED
    const piece = byVisits.get(key)
    byVisits.set(key, {
      modules: [...(piece?.modules ?? []), id],
      wanted,
      bytes: (piece?.bytes ?? 0) + bytes,
      kind,
    })
  }
  let all = [...byVisits.values()]
  const pieceOf = new Map(all.flatMap((piece) => piece.modules.map((id) => [id, piece] as const)))
  const asks = (piece: Piece) => {
    const asked = piece.modules.flatMap((id) => moduleOf(id)?.importedIds ?? []).map((id) => pieceOf.get(id))
    return new Set(asked.filter((each): each is Piece => each !== undefined && each !== piece))
  }
  const saving = (one: Piece, other: Piece) => {
    if (one.kind !== other.kind) return 0
    let requests = 0
    for (const visit of one.wanted) if (other.wanted.has(visit)) requests += weight(visit)
    return requests * REQUEST - lost(one, other, weight) - lost(other, one, weight)
  }

  for (;;) {
    const pairs = all.flatMap((one, n) => all.slice(n + 1).map((other) => ({ one, other, saved: saving(one, other) })))
    const best = pairs
      .filter(({ saved }) => saved > 0)
      .sort((a, b) => b.saved - a.saved)
      .find(({ one, other }) => !byWayOf(one, other, asks) && !byWayOf(other, one, asks))
    if (!best) break
    const { one, other } = best
    const merged: Piece = {
      modules: [...one.modules, ...other.modules],
      wanted: new Set([...one.wanted, ...other.wanted]),
      bytes: one.bytes + other.bytes,
      kind: one.kind,
    }
    all = [...all.filter((piece) => piece !== one && piece !== other), merged]
    for (const id of merged.modules) pieceOf.set(id, merged)
  }
  return new Map(all.flatMap((piece, n) => piece.modules.map((id) => [id, `piece${n}`] as const)))
}
