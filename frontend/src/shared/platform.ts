import { useQuery } from '@tanstack/vue-query'
import { computed, shallowRef } from 'vue'
import { api, take, type Platform } from './api'
import { setPlatformClock } from './clock'
import { ownKinds } from './kinds'

/**
 * What this platform has no use for: levels where nobody has one, terms where there are none, divisions where there is
 * one. Tables have no column of it, and lists are not narrowed by it.
 */
export const needless = shallowRef<ReadonlySet<string>>(new Set())

export function needlessOf({ divisions, terms }: Pick<Platform, 'divisions' | 'terms'>): Set<string> {
  const none = divisions.length > 0 && divisions.every(({ levels }) => levels?.names.length === 0)
  return new Set([
    ...(none ? ['level', 'levels'] : []),
    ...(terms.length ? [] : ['term']),
    ...(divisions.length === 1 ? ['division'] : []),
  ])
}

async function fetchPlatform() {
  const platform = await take(api.GET('/platform'))
  setPlatformClock(platform.now)
  needless.value = needlessOf(platform)
  ownKinds.value = platform.kinds
  return platform
}

/** Divisions, terms and roles. Example: `const { platform, roleName } = usePlatform()`. */
export function usePlatform() {
  const { data: platform } = useQuery({ queryKey: ['platform'], queryFn: fetchPlatform, staleTime: 300_000 })
  const names = computed(() => new Map(platform.value?.roles.map((role) => [role.code, role.name])))
  const roleName = (code: string | null | undefined) => (code && names.value.get(code)) || code || ''
  const glyphs = computed(() => new Map(platform.value?.siteKinds.map((kind) => [kind.code, kind.glyph])))
  /** The drawing of a kind of site; empty for none. */
  const glyphOf = (kind: string) => glyphs.value.get(kind) ?? ''
  /** Whether whoever is in a role takes a seat, as learners do. */
  const takesSeat = (code: string | null | undefined) =>
    platform.value?.roles.find((role) => role.code === code)?.takesSeat ?? false
  return { platform, roleName, glyphOf, takesSeat }
}
