import { computed, shallowRef } from 'vue'
import { api, Problem, take, type Me } from './api'
import { seenAs } from './seenAs'
import { queries } from './queries'

/** Who is signed in; undefined until it is known, null when nobody is. */
export const me = shallowRef<Me | null | undefined>()

/** Whether they administer the platform or a division. */
export const administers = computed(
  () => !!me.value && (me.value.platformAdministrator || me.value.divisions.length > 0),
)

export async function findOutWhoIAm(): Promise<Me | null> {
  try {
    me.value = await take(api.GET('/me'))
  } catch (error) {
    if (!(error instanceof Problem) || error.document.status !== 401) throw error
    me.value = null
  }
  return me.value
}

export async function signIn(login: string, password: string): Promise<Me> {
  const now = await take(api.POST('/sign-in', { body: { login, password } }))
  if (me.value && me.value.id !== now.id) queries.clear()
  me.value = now
  return now
}

export async function signOut(): Promise<void> {
  seenAs.value = null
  await take(api.POST('/sign-out'))
  me.value = null
  queries.clear()
}
