import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take } from './api'
import { setHouseClock } from './clock'

async function fetchHouse() {
  const house = await take(api.GET('/house'))
  setHouseClock(house.now)
  return house
}

/** Divisions, terms and roles. Example: `const { house, roleName } = useHouse()`. */
export function useHouse() {
  const { data: house } = useQuery({ queryKey: ['house'], queryFn: fetchHouse, staleTime: 300_000 })
  const names = computed(() => new Map(house.value?.roles.map((role) => [role.code, role.name])))
  const roleName = (code: string | null | undefined) => (code && names.value.get(code)) || code || ''
  return { house, roleName }
}
