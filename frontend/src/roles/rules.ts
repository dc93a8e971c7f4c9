import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { api, Problem, take, type Permission, type RoleRules, type RuleProblem, type Rules } from '@/shared/api'
import { ownLocale } from '@/shared/own'
import { refresh } from '@/shared/queries'
import { done, wentWrong } from '@/shared/undo'
import { t, tIn } from '@/shared/words'

const list = new Intl.ListFormat(ownLocale, { type: 'conjunction' })
export const listed = (words: string[]) => list.format(words)
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
const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

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

const afterwards = () => refresh('rules', 'platform', 'platform-log', 'roster', 'site', 'card')

/** Puts rules in force; taking that back puts those of before in force again. */
async function putInForce(rules: Rules, version: number, before: Rules) {
  const answer = await take(
    api.PUT('/rules', { params: { header: { 'If-Match': `"${version}"` } }, body: { rules, apply: true } }),
  )
  await afterwards()
  done(t('rules.preview.did', { version: answer.version }), {
    back: async () => {
      await take(
        api.PUT('/rules', {
          params: { header: { 'If-Match': `"${answer.version}"` } },
          body: { rules: before, apply: true },
        }),
      )
      await afterwards()
      return ''
    },
  })
}

/**
 * The rules, and a draft of others: what is wrong with it and whom it would affect is worked out while it is written.
 * Example: `const { rules, draft, edit } = useRules()`.
 */
export function useRules() {
  const { data: book, error, refetch } = useQuery({ queryKey: ['rules'], queryFn: () => take(api.GET('/rules')) })
  const draft = ref<Rules | null>(null)
  const busy = ref(false)
  const rules = computed(() => draft.value ?? book.value?.rules)
  const changed = computed(
    () => draft.value !== null && JSON.stringify(draft.value) !== JSON.stringify(book.value?.rules),
  )
  const slowly = refDebounced(
    computed(() => (changed.value ? copy(draft.value) : null)),
    300,
  )
  const {
    data: preview,
    error: wrong,
    isFetching,
  } = useQuery({
    queryKey: ['rules-preview', slowly],
    enabled: computed(() => slowly.value !== null),
    queryFn: ({ signal }) => take(api.PUT('/rules', { signal, body: { rules: slowly.value!, apply: false } })),
  })
  const roleName = (code: string) => rules.value?.roles.find((role) => role.code === code)?.name ?? code

  /** Something to write on; what is written is not in force before it is saved. */
  function edit(): Rules {
    draft.value ??= copy(book.value!.rules)
    return draft.value
  }

  const drop = () => (draft.value = null)

  async function save() {
    if (!draft.value || !book.value) return
    busy.value = true
    try {
      await putInForce(draft.value, book.value.version, book.value.rules)
      draft.value = null
    } catch (thrown) {
      wentWrong(thrown)
      if (thrown instanceof Problem && thrown.kind === 'stale') await refetch()
    } finally {
      busy.value = false
    }
  }

  async function putBack(version: number) {
    if (!book.value || busy.value) return
    busy.value = true
    try {
      const old = await take(api.GET('/rules', { params: { query: { version } } }))
      await putInForce(old.rules, book.value.version, book.value.rules)
      draft.value = null
    } catch (thrown) {
      wentWrong(thrown)
    } finally {
      busy.value = false
    }
  }

  /** What is wrong with one part, by the beginning of its place. */
  const wrongAt = (where: string) =>
    (changed.value
      ? (preview.value?.problems.filter(
          (problem) => problem.where === where || problem.where.startsWith(where + '/'),
        ) ?? [])
      : []
    ).map((problem) => problemSentence(problem, roleName))

  return {
    book,
    error,
    refetch,
    rules,
    draft,
    changed,
    edit,
    drop,
    save,
    putBack,
    preview,
    wrong,
    isFetching,
    busy,
    roleName,
    wrongAt,
  }
}
