import type { Permission, RuleBook, RoleRules } from '@/shared/api'

/** Puts a value in a list or takes it out. Writes on the list, which is a part of a draft. */
export function toggle<T>(list: T[], value: T) {
  const index = list.indexOf(value)
  if (index < 0) list.push(value)
  else list.splice(index, 1)
}

/** Allows something in a list of permissions, with what it needs, or forbids it. */
export function allow(list: Permission[], permission: Permission, book: RuleBook) {
  toggle(list, permission)
  if (!list.includes(permission)) return
  for (const needed of book.permissions.find((each) => each.code === permission)?.needs ?? [])
    if (!list.includes(needed)) allow(list, needed, book)
}

/**
 * Allows a role something, or forbids it. What the role may not, none of its bands may; what is new, all of them may,
 * until it is taken from one.
 */
export function allowAll(role: RoleRules, permission: Permission, book: RuleBook) {
  allow(role.permissions, permission, book)
  for (const band of role.bands) {
    band.permissions = band.permissions.filter((each) => role.permissions.includes(each))
    if (role.permissions.includes(permission) && !band.permissions.includes(permission))
      band.permissions.push(permission)
  }
}
