import { useSessionStorage } from '@vueuse/core'

/** Whether somebody is on the way through the first steps in this window: other pages lead back to them. */
export const guiding = useSessionStorage('mint-door.first-steps', false)
