import { computed } from 'vue'
import { kindOptions } from '@/shared/kinds'
import { useLevels } from '@/shared/levels'
import { usePlatform } from '@/shared/platform'
import { inSentence } from '@/shared/words'
import type { Reading } from './rules'

/** How the words of a rule are read. */
export function useReading(name: (id: string) => string | undefined) {
  const { platform, roleName } = usePlatform()
  const { levelName } = useLevels()
  return computed<Reading>(() => ({
    kind: (code) => inSentence(kindOptions().find(({ value }) => value === code)?.label ?? code),
    division: (code) => platform.value?.divisions.find((each) => each.code === code)?.name ?? code,
    level: (level) => levelName(level),
    role: (code) => inSentence(roleName(code)),
    name,
  }))
}
