import { computed } from 'vue'
import { usePlatform } from './platform'
import { t } from './words'

/**
 * What levels are called: each division has names of its own for them, or numbers. Example: `const { levelName } =
 * useLevels()`, then `levelName(person.level, person.division.code)`.
 */
export function useLevels() {
  const { platform } = usePlatform()
  const divisions = computed(() => platform.value?.divisions ?? [])
  const named = (level: number, division: string) => {
    const levels = divisions.value.find(({ code }) => code === division)?.levels
    return levels?.names[level - levels.first]
  }

  /** In a division; without one, a name that no two divisions have otherwise. */
  function levelName(level: number, division?: string | null): string {
    if (division) return named(level, division) ?? t('level', { n: level })
    const names = new Set(divisions.value.map(({ code }) => named(level, code)).filter((name) => name !== undefined))
    return names.size === 1 ? [...names][0]! : t('level', { n: level })
  }

  /** Those to choose from, of a division or of all, the lowest first. */
  function levelOptions(division?: string | null): { value: string; label: string }[] {
    const levels = divisions.value.find(({ code }) => code === division)?.levels
    const rungs = levels
      ? levels.names.map((_, index) => levels.first + index)
      : Array.from({ length: platform.value?.highestLevel ?? 0 }, (_, index) => index + 1)
    return rungs.map((level) => ({ value: String(level), label: levelName(level, division) }))
  }

  /** Whether a division has names for its levels, or says that there are none. */
  const hasNames = (division?: string | null) => !!divisions.value.find(({ code }) => code === division)?.levels

  /** From one level to another, as a division calls them; empty where it has none. `bare` under a head that says it. */
  function levelBand(band: { lowest: number; highest: number } | null, division: string, bare = false): string {
    if (!band) return hasNames(division) && !levelOptions(division).length ? '' : t('sites.allLevels')
    if (!hasNames(division)) return t(bare ? 'sites.levels' : 'site.levels', band)
    const ends = [levelName(band.lowest, division), levelName(band.highest, division)]
    return [...new Set(ends)].join(' – ')
  }

  return { levelName, levelOptions, levelBand, hasNames }
}
