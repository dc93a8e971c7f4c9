import { shallowRef } from 'vue'
import type { SignInCard } from '@/shared/api'

/** Cards that were made just now. They are shown once: nothing keeps them, and leaving the page lets go of them. */
export const cards = shallowRef<SignInCard[]>([])
