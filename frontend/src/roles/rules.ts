import {
  api,
  take,
  type Permission,
  type RoleRules,
  type RuleBook,
  type RuleProblem,
  type Rules,
  type RulesPreview,
} from '@/shared/api'
import { useDrafted, type Versioned } from '@/shared/drafted'
import { listed } from '@/shared/lists'
import { refresh } from '@/shared/queries'
import { t, tIn } from '@/shared/words'

export { listed }
export const mayWords = (permissions: Permission[]) => listed(permissions.map((permission) => t(`may.${permission}`)))
/** Permissions that belong together by what they are for, so that a role reads as a few short sentences. */
const PURPOSES: Record<string, Permission[]> = {
  inside: ['enter', 'enter-draft', 'read-closed', 'do-work'],
  seeing: ['see-roster', 'see-unlisted', 'see-activity', 'see-marks'],
  work: ['enter-marks', 'make-items', 'show-items', 'export-progress'],
  people: ['label-people', 'write-to-people', 'arrange-groups', 'arrange-sections'],
  running: ['keep-doors', 'let-in', 'see-as', 'see-history', 'run-site'],
}
const TOGETHER = Object.values(PURPOSES)

/** Whether a role may something: all of it, only some of its bands, or none. */
export type Extent = 'yes' | 'some' | 'no'
export interface RoleTableRow {
  permission: Permission
  /** What it is for: a key of the purposes, or `other`. */
  purpose: string
  /** By code of the role; `differs` from the role to its left. */
  cells: Record<string, { extent: Extent; differs: boolean }>
}

export function extentOf(role: RoleRules, permission: Permission): Extent {
  if (!role.permissions.includes(permission)) return 'no'
  return role.bands.every((band) => band.permissions.includes(permission)) ? 'yes' : 'some'
}

/** All roles side by side: permissions down, by purpose, and roles across. */
export function roleTable(roles: readonly RoleRules[], permissions: readonly Permission[]): RoleTableRow[] {
  const known = TOGETHER.flat()
  const groups = Object.entries({ ...PURPOSES, other: permissions.filter((each) => !known.includes(each)) })
  return groups.flatMap(([purpose, some]) =>
    some
      .filter((permission) => permissions.includes(permission))
      .map((permission) => {
        const extents = roles.map((role) => extentOf(role, permission))
        const cells = roles.map((role, place) => {
          const extent = extents[place]!
          return [role.code, { extent, differs: place > 0 && extent !== extents[place - 1] }] as const
        })
        return { permission, purpose, cells: Object.fromEntries(cells) }
      }),
  )
}
export const maySentences = (permissions: Permission[]) =>
  TOGETHER.map((some) => some.filter((each) => permissions.includes(each)))
    .filter((some) => some.length)
    .map((some) => t('rules.may', { what: mayWords(some) }))
export const kindWords = (kinds: RoleRules['for']) =>
  kinds.length ? listed(kinds.map((kind) => t(`rules.kinds.${kind}`))) : t('rules.nobody')

/** The sentence of something that is wrong with rules. */
export function problemSentence({ code, values }: RuleProblem, roleName: (code: string) => string): string {
  const said = Object.fromEntries(
    Object.entries(values).map(([name, value]) => {
      if (name === 'permission' || name === 'needed') return [name, tIn('may', String(value))]
      return [name, name === 'giver' ? roleName(String(value)) : value]
    }),
  )
  return tIn('rules.problem', code, said, typeof values.people === 'number' ? values.people : 1)
}

const RULES: Versioned<Rules, RuleBook, RulesPreview> = {
  name: 'rules',
  read: (version) => take(api.GET('/rules', { params: { query: { version } } })),
  of: (book) => book.rules,
  look: (rules, signal) => take(api.PUT('/rules', { signal, body: { rules, apply: false } })),
  apply: (rules, seen) =>
    take(api.PUT('/rules', { params: { header: { 'If-Match': `"${seen}"` } }, body: { rules, apply: true } })),
  afterwards: () => refresh('rules', 'platform', 'platform-log', 'roster', 'site', 'card'),
  did: (version) => t('rules.preview.did', { version }),
}

/** The rules, and a draft of others. Example: `const { rules, draft, edit } = useRules()`. */
export function useRules() {
  const { content: rules, ...all } = useDrafted(RULES)
  const { changed, preview } = all
  const roleName = (code: string) => rules.value?.roles.find((role) => role.code === code)?.name ?? code

  /** What is wrong with one part, by the beginning of its place. */
  const wrongAt = (where: string) =>
    (changed.value
      ? (preview.value?.problems.filter(
          (problem) => problem.where === where || problem.where.startsWith(where + '/'),
        ) ?? [])
      : []
    ).map((problem) => problemSentence(problem, roleName))

  return { ...all, rules, roleName, wrongAt }
}
