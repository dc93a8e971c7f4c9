import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take } from './api'
import { setPlatformClock } from './clock'

async function fetchPlatform() {
  const platform = await take(api.GET('/platform'))
  setPlatformClock(platform.now)
  return platform
}

/** Divisions, terms and roles. Example: `const { platform, roleName } = usePlatform()`. */
export function usePlatform() {
  const { data: platform } = useQuery({ queryKey: ['platform'], queryFn: fetchPlatform, staleTime: 300_000 })
  const names = computed(() => new Map(platform.value?.roles.map((role) => [role.code, role.name])))
  const roleName = (code: string | null | undefined) => (code && names.value.get(code)) || code || ''
  return { platform, roleName }
}
