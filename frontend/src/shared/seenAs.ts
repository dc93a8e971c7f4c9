import { shallowRef } from 'vue'

/**
 * Through whose eyes a site is looked at: "role:learner", "section:…", "person:…"; and where to go back to. Null for
 * one's own.
 */
export const seenAs = shallowRef<{ site: string; as: string; back: string } | null>(null)
