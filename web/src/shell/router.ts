import { createRouter, createWebHistory } from 'vue-router'

/** Every place, statement and change has an address of its own. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'first', component: () => import('@/shell/FirstRoom.vue'), meta: { title: 'Pale Gate' } },
    { path: '/sign-in', name: 'sign-in', component: () => import('@/session/SignInView.vue'), meta: { open: true, title: 'Sign in' } },
    { path: '/welcome', name: 'welcome', component: () => import('@/session/WelcomeView.vue'), meta: { open: true, title: 'Set your password' } },
    { path: '/mailbox', name: 'mailbox', component: () => import('@/session/MailboxView.vue'), meta: { title: 'Mailbox' } },
    { path: '/account', name: 'account', component: () => import('@/session/AccountView.vue'), meta: { title: 'Your account' } },
    { path: '/papers/:id?', name: 'papers', component: () => import('@/papers/PapersView.vue'), meta: { title: 'Papers' } },
    { path: '/places/:id?', name: 'places', component: () => import('@/places/PlacesView.vue'), meta: { title: 'Places' } },
    { path: '/findings', name: 'findings', component: () => import('@/findings/FindingsView.vue'), meta: { title: 'Findings' } },
    { path: '/gatehouse', name: 'gatehouse', component: () => import('@/gatehouse/GatehouseView.vue'), meta: { title: 'Gatehouse' } },
    { path: '/matrix', name: 'matrix', component: () => import('@/matrix/MatrixView.vue'), meta: { title: 'Matrix' } },
    { path: '/breaks/:id?', name: 'breaks', component: () => import('@/places/BreaksView.vue'), meta: { title: 'Breaks' } },
    { path: '/shares/:view?', name: 'shares', component: () => import('@/shares/SharesView.vue'), meta: { title: 'Shares' } },
    { path: '/pass/:id', name: 'pass', component: () => import('@/shares/PassView.vue'), meta: { title: 'A pass' } },
    { path: '/people/:view?/:id?', name: 'people', component: () => import('@/people/PeopleView.vue'), meta: { title: 'People' } },
    { path: '/roles/:id?', name: 'roles', component: () => import('@/roles/RolesView.vue'), meta: { title: 'Roles' } },
    { path: '/types/:id?', name: 'types', component: () => import('@/types/TypesView.vue'), meta: { title: 'Types' } },
    { path: '/walk/:person?/:id?', name: 'walk', component: () => import('@/walk/WalkView.vue'), meta: { title: 'Walk' } },
    { path: '/ask', name: 'ask', component: () => import('@/asking/AskView.vue'), meta: { title: 'Ask' } },
    { path: '/walls/:id?', name: 'walls', component: () => import('@/walls/WallsView.vue'), meta: { title: 'Walls' } },
    { path: '/drafts/:id?', name: 'drafts', component: () => import('@/drafts/DraftsView.vue'), meta: { title: 'Drafts' } },
    { path: '/between', name: 'between', component: () => import('@/journal/BetweenView.vue'), meta: { title: 'Between two days', room: 'journal' } },
    { path: '/rehearsal', name: 'rehearsal', component: () => import('@/drafts/RehearsalView.vue'), meta: { title: 'Rehearsal' } },
    { path: '/statements', name: 'statements', component: () => import('@/statements/StatementsView.vue'), meta: { title: 'Statements' } },
    { path: '/rounds/:id?', name: 'rounds', component: () => import('@/rounds/RoundsView.vue'), meta: { title: 'Rounds' } },
    { path: '/reviews/:id?', name: 'reviews', component: () => import('@/reviews/ReviewsView.vue'), meta: { title: 'Reviews' } },
    { path: '/duties', name: 'duties', component: () => import('@/duties/DutiesView.vue'), meta: { title: 'Duties' } },
    { path: '/journal/contents', name: 'contents', component: () => import('@/journal/ContentPuts.vue'), meta: { title: 'Content put into documents', room: 'journal' } },
    { path: '/journal/:number?', name: 'journal', component: () => import('@/journal/JournalView.vue'), meta: { title: 'Journal' } },
    { path: '/:anything(.*)*', name: 'no-such-page', component: () => import('@/shell/NoSuchPage.vue'), meta: { title: 'Nothing here' } },
  ],
})

router.afterEach((to) => {
  document.title = `${String(to.meta.title)} · Pale Gate`
})
