import { addLooks } from '@/shared/theme'
import { rest } from '@/shared/theme.rest'

// What is around every page behind the sign-in, in one piece: who only joins loads none of it.
export { default as NoticeStrip } from '@/messages/NoticeStrip.vue'
export { default as AppBar } from './AppBar.vue'

addLooks(rest)
