import { createRouter, createWebHistory, type RouteComponent, type RouterHistory } from 'vue-router';

type Load = () => Promise<RouteComponent>;

/** Nothing at an address: for what is looked at on its own. */
export const withoutRooms = (): RouteComponent => ({ render: () => null });

/** Every view has its own address; the rooms of a job follow the order of the trade. `room`: what stands at an address. */
export const makeRouter = (
  history: RouterHistory = createWebHistory(),
  room: (load: Load) => Load | RouteComponent = (load) => load,
) =>
  createRouter({
    history,
    // Another room begins at its top; within one, and going back, things stay where they were.
    scrollBehavior: (to, from, kept) => kept ?? (to.name === from.name ? false : { top: 0 }),
    routes: [
      { path: '/', name: 'bay', component: room(() => import('./bay/BayBoard.vue')) },
      {
        path: '/jobs/:id',
        component: room(() => import('./job/JobShell.vue')),
        props: true,
        children: [
          { path: '', redirect: (to) => ({ name: 'bench', params: to.params }) },
          { path: 'intake', name: 'intake', component: room(() => import('./intake/IntakeRoom.vue')) },
          { path: 'baseline', name: 'baseline', component: room(() => import('./baseline/BaselineRoom.vue')) },
          { path: 'survey', name: 'survey', component: room(() => import('./survey/SurveyRoom.vue')) },
          { path: 'stance', name: 'stance', component: room(() => import('./stance/StanceRoom.vue')) },
          { path: 'compare', name: 'compare', component: room(() => import('./compare/CompareRoom.vue')) },
          { path: 'customer', name: 'customer', component: room(() => import('./customer/CustomerRoom.vue')) },
          { path: 'finder', name: 'finder', component: room(() => import('./finder/FinderRoom.vue')) },
          { path: 'plan', name: 'plan', component: room(() => import('./plan/PlanRoom.vue')) },
          { path: 'install', name: 'install', component: room(() => import('./install/InstallRoom.vue')) },
          { path: 'test-fit', name: 'testFit', component: room(() => import('./testfit/TestFitRoom.vue')) },
          { path: 'follow-up', name: 'followUp', component: room(() => import('./followup/FollowUpRoom.vue')) },
          { path: 'bench', name: 'bench', component: room(() => import('./bench/BenchRoom.vue')) },
        ],
      },
      {
        path: '/catalog/:kind?',
        alias: '/catalogue/:kind?',
        name: 'catalogue',
        props: true,
        component: room(() => import('./catalogue/CatalogueRoom.vue')),
      },
      { path: '/bin', name: 'bin', component: room(() => import('./bin/BinRoom.vue')) },
      {
        path: '/installation',
        name: 'installation',
        component: room(() => import('./installation/InstallationRoom.vue')),
      },
      { path: '/sign-in', name: 'signIn', component: room(() => import('./people/SignInPage.vue')) },
      { path: '/pair', name: 'pair', component: room(() => import('./people/PairPage.vue')) },
      { path: '/people', name: 'people', component: room(() => import('./people/PeopleRoom.vue')) },
      { path: '/quick', name: 'quick', component: room(() => import('./quick/QuickLook.vue')) },
      { path: '/record', name: 'record', component: room(() => import('./record/RecordRoom.vue')) },
      { path: '/practice', name: 'practice', component: room(() => import('./practice/PracticeRoom.vue')) },
      { path: '/degree-ring', name: 'degreeRing', component: room(() => import('./survey/DegreeRing.vue')) },
      { path: '/:any(.*)*', name: 'nowhere', component: room(() => import('./kit/NowherePage.vue')) },
    ],
  });
