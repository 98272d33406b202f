import { createRouter, createWebHistory, type RouterHistory } from 'vue-router';

/** Every view has its own address; the rooms of a job follow the order of the trade. */
export const makeRouter = (history: RouterHistory = createWebHistory()) =>
  createRouter({
    history,
    // Another room begins at its top; within one, and going back, things stay where they were.
    scrollBehavior: (to, from, kept) => kept ?? (to.name === from.name ? false : { top: 0 }),
    routes: [
      { path: '/', name: 'bay', component: () => import('./bay/BayBoard.vue') },
      {
        path: '/jobs/:id',
        component: () => import('./job/JobShell.vue'),
        props: true,
        children: [
          { path: '', redirect: (to) => ({ name: 'bench', params: to.params }) },
          { path: 'intake', name: 'intake', component: () => import('./intake/IntakeRoom.vue') },
          { path: 'baseline', name: 'baseline', component: () => import('./baseline/BaselineRoom.vue') },
          { path: 'survey', name: 'survey', component: () => import('./survey/SurveyRoom.vue') },
          { path: 'stance', name: 'stance', component: () => import('./stance/StanceRoom.vue') },
          { path: 'compare', name: 'compare', component: () => import('./compare/CompareRoom.vue') },
          { path: 'finder', name: 'finder', component: () => import('./finder/FinderRoom.vue') },
          { path: 'plan', name: 'plan', component: () => import('./plan/PlanRoom.vue') },
          { path: 'install', name: 'install', component: () => import('./install/InstallRoom.vue') },
          { path: 'test-fit', name: 'testFit', component: () => import('./testfit/TestFitRoom.vue') },
          { path: 'follow-up', name: 'followUp', component: () => import('./followup/FollowUpRoom.vue') },
          { path: 'bench', name: 'bench', component: () => import('./bench/BenchRoom.vue') },
        ],
      },
      {
        path: '/catalogue/:kind?',
        name: 'catalogue',
        props: true,
        component: () => import('./catalogue/CatalogueRoom.vue'),
      },
      { path: '/record', name: 'record', component: () => import('./record/RecordRoom.vue') },
      { path: '/practice', name: 'practice', component: () => import('./practice/PracticeRoom.vue') },
      { path: '/degree-ring', name: 'degreeRing', component: () => import('./survey/DegreeRing.vue') },
      { path: '/:any(.*)*', name: 'nowhere', component: () => import('./kit/NowherePage.vue') },
    ],
  });
