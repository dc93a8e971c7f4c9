import { createRouter, createWebHistory } from 'vue-router'
import { findOutWhoIAm, me } from '@/shared/me'
import { settledOtherwise } from '@/shared/own'
import { keepGoing } from '@/shared/onTheWay'
import { allLooks } from '@/shared/theme'
import { allWords } from '@/shared/words'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'today', component: () => import('@/desk/TodayPage.vue') },
    // Only once it is known who is signed in can it be said which of their sites they mean.
    {
      path: '/sites',
      component: () => import('@/desk/SitesPage.vue'),
      beforeEnter: () => (me.value?.mayMakeSites ? '/sites/run' : '/sites/in'),
    },
    { path: '/sign-in', name: 'sign-in', component: () => import('@/accounts/SignInPage.vue'), meta: { open: true } },
    { path: '/welcome', name: 'welcome', component: () => import('@/accounts/WelcomePage.vue'), meta: { open: true } },
    { path: '/join', name: 'join', component: () => import('@/doors/JoinPage.vue'), meta: { open: true } },
    { path: '/invitation', name: 'invitation', component: () => import('@/doors/JoinPage.vue'), meta: { open: true } },
    {
      path: '/look/:door([0-9a-f-]{36})',
      name: 'preview',
      component: () => import('@/doors/PreviewPage.vue'),
      meta: { open: true },
    },
    {
      path: '/forgotten',
      name: 'forgotten',
      component: () => import('@/accounts/ForgottenPage.vue'),
      meta: { open: true },
    },
    { path: '/sites/:scope(run|in|all)', name: 'sites', component: () => import('@/desk/SitesPage.vue') },
    { path: '/sites/open', name: 'open-doors', component: () => import('@/doors/OpenDoorsPage.vue') },
    { path: '/keys', name: 'renew-keys', component: () => import('@/doors/RenewPage.vue') },
    { path: '/sites/new', name: 'new-site', component: () => import('@/sites/SiteFormPage.vue') },
    { path: '/sites/:site/enter', name: 'landing', component: () => import('@/sites/LandingPage.vue') },
    {
      path: '/sites/:site([0-9a-f-]{36})',
      component: () => import('@/sites/SiteFrame.vue'),
      children: [
        { path: '', name: 'roster', component: () => import('@/desk/RosterPage.vue') },
        { path: 'doors', name: 'doors', component: () => import('@/doors/DoorsPage.vue') },
        { path: 'doors/live', name: 'arrivals', component: () => import('@/doors/ArrivalsPage.vue') },
        {
          path: 'doors/:door([0-9a-f-]{36})/poster',
          name: 'poster',
          component: () => import('@/doors/PosterPage.vue'),
        },
        { path: 'seen', name: 'seen', component: () => import('@/sites/LandingPage.vue') },
        { path: 'first-day-check', name: 'first-day-check', component: () => import('@/desk/FirstDayCheckPage.vue') },
        { path: 'history', name: 'history', component: () => import('@/desk/HistoryPage.vue') },
        { path: 'settings', name: 'settings', component: () => import('@/sites/SiteFormPage.vue') },
      ],
    },
    { path: '/access-check', name: 'access-check', component: () => import('@/desk/AccessCheckPage.vue') },
    { path: '/first-day-check', name: 'first-day-checks', component: () => import('@/desk/FirstDayChecksPage.vue') },
    {
      path: '/rules/:part(roles|table|compare|ladder|outside|numbers|names|limits|administrators|log)?',
      name: 'rules',
      component: () => import('@/desk/RulesPage.vue'),
    },
    { path: '/people', name: 'people', component: () => import('@/desk/PeoplePage.vue') },
    { path: '/people/new', name: 'make-accounts', component: () => import('@/accounts/MakeAccountsPage.vue') },
    { path: '/people/duplicates', name: 'duplicates', component: () => import('@/accounts/DuplicatesPage.vue') },
    { path: '/approvals', name: 'approvals', component: () => import('@/people/ApprovalsPage.vue') },
    { path: '/security-log', name: 'security-log', component: () => import('@/roles/SecurityPage.vue') },
    { path: '/people/merge', name: 'merge', component: () => import('@/accounts/MergePage.vue') },
    {
      path: '/messages/:part(messages|texts|simulated-inbox)?',
      name: 'messages',
      component: () => import('@/messages/MessagesPage.vue'),
    },
    { path: '/changes', name: 'changes', component: () => import('@/changes/ChangesPage.vue') },
    {
      path: '/changes/:changeList([0-9a-f-]{36})',
      name: 'change-list',
      component: () => import('@/desk/ChangeListPage.vue'),
    },
    { path: '/sites/make', name: 'make-sites', component: () => import('@/desk/MakeSitesPage.vue') },
    { path: '/people/:person([0-9a-f-]{36})', name: 'person', component: () => import('@/desk/PersonPage.vue') },
    { path: '/glossary', name: 'glossary', component: () => import('./GlossaryPage.vue') },
    { path: '/sign-in-cards', name: 'cards', component: () => import('@/accounts/CardsPage.vue') },
    { path: '/password', name: 'password', component: () => import('@/accounts/PasswordPage.vue') },
    {
      path: '/people/:person([0-9a-f-]{36})/history',
      name: 'person-history',
      component: () => import('@/desk/PersonHistoryPage.vue'),
    },
    // Every part in every state, to be looked at while one works on them; not in what is served.
    ...(import.meta.env.DEV
      ? [
          {
            path: '/parts',
            name: 'parts',
            component: () => import('./PartsPage.vue'),
            meta: { open: true },
            beforeEnter: () => Promise.all([allWords(), allLooks()]).then(() => true),
          },
        ]
      : []),
    { path: '/:any(.*)*', name: 'unknown', component: () => import('./UnknownPage.vue') },
  ],
})

keepGoing(router)

router.beforeEach(async (to) => {
  // The page is fetched while it is asked who is signed in.
  for (const { components } of to.matched)
    for (const page of Object.values(components ?? {}))
      if (typeof page === 'function') void (page as () => Promise<unknown>)().catch(() => {})
  if (to.meta.open) return true
  const [known] = await Promise.all([me.value === undefined ? findOutWhoIAm() : me.value, allWords(), allLooks()])
  // Days are written as whoever came in has settled it.
  if (known && settledOtherwise(known)) {
    location.assign(to.fullPath)
    return false
  }
  if (known?.mustChange && to.name !== 'password') return { name: 'password' }
  return known ? true : { name: 'sign-in', query: to.fullPath === '/' ? {} : { to: to.fullPath } }
})
