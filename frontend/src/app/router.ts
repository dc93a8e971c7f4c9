import { createRouter, createWebHistory } from 'vue-router'
import { findOutWhoIAm, me } from '@/shared/me'
import { settledOtherwise } from '@/shared/own'
import { keepGoing } from '@/shared/onTheWay'
import { allWords, wordsOf, type WordsRoom } from '@/shared/words'
import { PLATFORM_PARTS } from '@/platform/parts'

declare module 'vue-router' {
  interface RouteMeta {
    /** It opens without signing in. */
    open?: boolean
    /** The catalogues whose sentences it says, beside those that every page has. */
    words?: readonly WordsRoom[]
  }
}

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    {
      path: '/',
      name: 'today',
      component: () => import('@/desk/TodayPage.vue'),
      meta: {
        words: ['steps', 'today', 'sites', 'plans', 'choosing', 'doors', 'history', 'changes', 'messages', 'access'],
      },
    },
    // Only once it is known who is signed in can it be said which of their sites they mean.
    {
      path: '/sites',
      component: () => import('@/desk/SitesPage.vue'),
      meta: { words: ['sites', 'access', 'doors', 'plans', 'choosing'] },
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
    {
      path: '/sites/:scope(run|in|all)',
      name: 'sites',
      component: () => import('@/desk/SitesPage.vue'),
      meta: { words: ['sites', 'access', 'doors', 'plans', 'choosing'] },
    },
    { path: '/sites/open', name: 'open-doors', component: () => import('@/doors/OpenDoorsPage.vue') },
    { path: '/keys', name: 'renew-keys', component: () => import('@/doors/RenewPage.vue'), meta: { words: ['doors'] } },
    {
      path: '/sites/new',
      name: 'new-site',
      component: () => import('@/sites/SiteFormPage.vue'),
      meta: { words: ['sites', 'glossary'] },
    },
    {
      path: '/sites/:site/enter',
      name: 'landing',
      component: () => import('@/sites/LandingPage.vue'),
      meta: { words: ['sites', 'glossary'] },
    },
    {
      path: '/sites/:site([0-9a-f-]{36})',
      component: () => import('@/sites/SiteFrame.vue'),
      meta: { words: ['sites', 'glossary'] },
      children: [
        {
          path: '',
          name: 'roster',
          component: () => import('@/desk/RosterPage.vue'),
          meta: { words: ['roster', 'intake', 'history', 'people', 'details', 'glossary', 'messages'] },
        },
        {
          path: 'sections',
          name: 'sections',
          component: () => import('@/desk/SectionsPage.vue'),
          meta: { words: ['sections', 'weeks', 'plans'] },
        },
        {
          path: 'groups/:split([0-9a-f-]{36})?',
          name: 'groups',
          component: () => import('@/groups/GroupsPage.vue'),
          meta: { words: ['groups', 'sections', 'roster', 'messages'] },
        },
        {
          path: 'forecast',
          name: 'site-forecast',
          component: () => import('@/desk/ForecastPage.vue'),
          meta: { words: ['forecast'] },
        },
        {
          path: 'plan',
          name: 'plan',
          component: () => import('@/plans/PlanPage.vue'),
          meta: { words: ['plans', 'roster', 'weeks'] },
        },
        {
          path: 'week',
          name: 'site-week',
          component: () => import('@/weeks/SiteWeekPage.vue'),
          meta: { words: ['weeks'] },
        },
        {
          path: 'items',
          name: 'items',
          component: () => import('@/items/ItemsPage.vue'),
          meta: { words: ['items'] },
        },
        {
          path: 'doors',
          name: 'doors',
          component: () => import('@/doors/DoorsPage.vue'),
          meta: { words: ['doors', 'glossary'] },
        },
        {
          path: 'cohorts',
          name: 'site-cohorts',
          component: () => import('@/cohorts/SiteCohortsPage.vue'),
          meta: { words: ['cohorts', 'glossary'] },
        },
        {
          path: 'doors/live',
          name: 'arrivals',
          component: () => import('@/doors/ArrivalsPage.vue'),
          meta: { words: ['doors'] },
        },
        {
          path: 'doors/:door([0-9a-f-]{36})/poster',
          name: 'poster',
          component: () => import('@/doors/PosterPage.vue'),
          meta: { words: ['doors'] },
        },
        { path: 'seen', name: 'seen', component: () => import('@/sites/LandingPage.vue') },
        {
          path: 'first-day-check',
          name: 'first-day-check',
          component: () => import('@/desk/FirstDayCheckPage.vue'),
          meta: { words: ['access', 'roster', 'glossary', 'messages'] },
        },
        {
          path: 'history',
          name: 'history',
          component: () => import('@/desk/HistoryPage.vue'),
          meta: { words: ['history', 'roster'] },
        },
        { path: 'settings', name: 'settings', component: () => import('@/sites/SiteFormPage.vue') },
      ],
    },
    {
      path: '/access-check',
      name: 'access-check',
      component: () => import('@/desk/AccessCheckPage.vue'),
      meta: { words: ['access', 'history', 'glossary'] },
    },
    {
      path: '/first-day-check',
      name: 'first-day-checks',
      component: () => import('@/desk/FirstDayChecksPage.vue'),
      meta: { words: ['access'] },
    },
    {
      path: '/rules/:part(roles|table|compare|ladder|outside|kinds|numbers|names|limits|administrators|log)?',
      name: 'rules',
      component: () => import('@/desk/RulesPage.vue'),
      meta: { words: ['rules', 'roster', 'access', 'history', 'glossary'] },
    },
    {
      path: '/registrations',
      name: 'registrations',
      component: () => import('@/accounts/RegistrationsPage.vue'),
      meta: { words: ['accounts', 'people'] },
    },
    {
      path: '/register',
      name: 'register',
      component: () => import('@/accounts/RegisterPage.vue'),
      meta: { open: true, words: ['register'] },
    },
    {
      path: '/register/confirm',
      name: 'register-confirm',
      component: () => import('@/accounts/RegisterConfirmPage.vue'),
      meta: { open: true, words: ['register'] },
    },
    {
      path: '/first-steps/:step?',
      name: 'first-steps',
      component: () => import('@/desk/FirstStepsPage.vue'),
      meta: { words: ['steps', 'platform', 'rules', 'roster'] },
    },
    {
      path: `/platform/:part(${PLATFORM_PARTS.join('|')})?`,
      name: 'platform',
      component: () => import('@/platform/PlatformPage.vue'),
      meta: { words: ['platform', 'glossary'] },
    },
    {
      path: '/platform/divisions/:division/move',
      name: 'move-division',
      component: () => import('@/platform/MoveDivisionPage.vue'),
      meta: { words: ['platform'] },
    },
    {
      path: '/numbers',
      name: 'numbers',
      component: () => import('@/desk/NumbersPage.vue'),
      meta: { words: ['numbers', 'sites'] },
    },
    {
      path: '/people',
      name: 'people',
      component: () => import('@/desk/PeoplePage.vue'),
      meta: { words: ['people', 'details', 'accounts', 'intake', 'messages', 'access', 'changes', 'glossary'] },
    },
    {
      path: '/people/new',
      name: 'make-accounts',
      component: () => import('@/accounts/MakeAccountsPage.vue'),
      meta: { words: ['accounts', 'people', 'messages', 'glossary'] },
    },
    {
      path: '/people/duplicates',
      name: 'duplicates',
      component: () => import('@/accounts/DuplicatesPage.vue'),
      meta: { words: ['accounts', 'people', 'glossary'] },
    },
    {
      path: '/approvals',
      name: 'approvals',
      component: () => import('@/people/ApprovalsPage.vue'),
      meta: { words: ['people'] },
    },
    {
      path: '/security-log',
      name: 'security-log',
      component: () => import('@/roles/SecurityPage.vue'),
      meta: { words: ['rules'] },
    },
    {
      path: '/people/merge',
      name: 'merge',
      // Which two is said in the address; without them, they are chosen first.
      beforeEnter: ({ query }) => (query.stays && query.goes ? true : '/people/duplicates'),
      component: () => import('@/accounts/MergePage.vue'),
      meta: { words: ['accounts', 'people', 'changes'] },
    },
    {
      path: '/messages/:part(messages|texts|simulated-inbox)?',
      name: 'messages',
      component: () => import('@/messages/MessagesPage.vue'),
      meta: { words: ['messages', 'access'] },
    },
    {
      path: '/changes',
      name: 'changes',
      component: () => import('@/changes/ChangesPage.vue'),
      meta: { words: ['changes', 'sites', 'glossary'] },
    },
    {
      path: '/changes/:changeList([0-9a-f-]{36})',
      name: 'change-list',
      component: () => import('@/desk/ChangeListPage.vue'),
      meta: { words: ['changes', 'sites', 'accounts', 'people', 'messages', 'sections', 'groups'] },
    },
    {
      path: '/sites/term',
      name: 'term-change',
      component: () => import('@/desk/TermChangePage.vue'),
      meta: { words: ['terms', 'intake', 'sections', 'access'] },
    },
    {
      path: '/sites/make',
      name: 'make-sites',
      component: () => import('@/desk/MakeSitesPage.vue'),
      meta: { words: ['sites', 'changes', 'glossary'] },
    },
    {
      path: '/people/:person([0-9a-f-]{36})',
      name: 'person',
      component: () => import('@/desk/PersonPage.vue'),
      meta: { words: ['people', 'details', 'history', 'messages', 'glossary', 'cohorts'] },
    },
    {
      path: '/cohorts',
      name: 'cohorts',
      component: () => import('@/cohorts/CohortsPage.vue'),
      meta: { words: ['cohorts', 'glossary', 'intake'] },
    },
    {
      path: '/cohorts/:cohort([0-9a-f-]{36})',
      name: 'cohort',
      component: () => import('@/cohorts/CohortPage.vue'),
      meta: { words: ['cohorts', 'people', 'intake'] },
    },
    {
      path: '/people/:person([0-9a-f-]{36})/forecast',
      name: 'person-forecast',
      component: () => import('@/desk/ForecastPage.vue'),
      meta: { words: ['forecast'] },
    },
    {
      path: '/forecast/:division?',
      name: 'forecast',
      component: () => import('@/desk/ForecastPage.vue'),
      meta: { words: ['forecast'] },
    },
    {
      path: '/people/:person([0-9a-f-]{36})/week',
      name: 'person-week',
      component: () => import('@/weeks/PersonWeekPage.vue'),
      meta: { words: ['weeks'] },
    },
    { path: '/week', name: 'week', component: () => import('@/weeks/OwnWeekPage.vue'), meta: { words: ['weeks'] } },
    {
      path: '/wishes',
      name: 'wishes',
      component: () => import('@/plans/OwnWishesPage.vue'),
      meta: { words: ['plans', 'weeks'] },
    },
    {
      path: '/groups',
      name: 'own-groups',
      component: () => import('@/groups/OwnGroupsPage.vue'),
      meta: { words: ['choosing', 'roster'] },
    },
    { path: '/rooms', name: 'rooms', component: () => import('@/weeks/RoomsPage.vue'), meta: { words: ['weeks'] } },
    {
      path: '/glossary',
      name: 'glossary',
      component: () => import('./GlossaryPage.vue'),
      meta: { words: ['glossary'] },
    },
    {
      path: '/sign-in-cards',
      name: 'cards',
      component: () => import('@/accounts/CardsPage.vue'),
      meta: { words: ['accounts', 'glossary'] },
    },
    {
      path: '/password',
      name: 'password',
      component: () => import('@/accounts/PasswordPage.vue'),
      meta: { words: ['accounts', 'details'] },
    },
    {
      path: '/people/:person([0-9a-f-]{36})/history',
      name: 'person-history',
      component: () => import('@/desk/PersonHistoryPage.vue'),
      meta: { words: ['history'] },
    },
    // Every part in every state, to be looked at while one works on them; not in what is served.
    ...(import.meta.env.DEV
      ? [
          {
            path: '/parts',
            name: 'parts',
            component: () => import('./PartsPage.vue'),
            meta: { open: true },
            beforeEnter: () => Promise.all([allWords(), import('./inside')]).then(() => true),
          },
        ]
      : []),
    { path: '/:any(.*)*', name: 'unknown', component: () => import('./UnknownPage.vue') },
  ],
})

keepGoing(router)

router.beforeEach(async (to, from) => {
  // What a page notes about itself asks for nothing more: it holds before the next key is heard.
  if (from.matched.length && to.path === from.path && (to.meta.open || me.value)) return true
  // The page is fetched while it is asked who is signed in.
  for (const { components } of to.matched)
    for (const page of Object.values(components ?? {}))
      if (typeof page === 'function') void (page as () => Promise<unknown>)().catch(() => {})
  if (to.meta.open) return wordsOf(['open', ...(to.meta.words ?? [])]).then(() => true)
  const rooms = to.matched.flatMap(({ meta }) => meta.words ?? [])
  const [known] = await Promise.all([
    me.value === undefined ? findOutWhoIAm() : me.value,
    wordsOf(['open', 'common', ...rooms]),
    import('./inside'),
  ])
  // Days are written as whoever came in has settled it.
  if (known && settledOtherwise(known)) {
    location.assign(to.fullPath)
    return false
  }
  if (known?.mustChange && to.name !== 'password') return { name: 'password' }
  return known ? true : { name: 'sign-in', query: to.fullPath === '/' ? {} : { to: to.fullPath } }
})
