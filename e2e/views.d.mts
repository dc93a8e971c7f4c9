export type Who = 'tutor' | 'administrator' | 'learner'
export function views(ids: { site: string; learner: string }): [Who | null, string][]
export const LOGINS: Record<Who, string>
