import type { Role } from '@kritikos/contracts/accounts';
import { createRouter, createWebHistory } from 'vue-router';
import type { RouteRecordRaw } from 'vue-router';
import { useSession } from './accounts/session.ts';

declare module 'vue-router' {
  interface RouteMeta {
    /** The role that opens the page, or any of several; without one, anyone. */
    role?: Role | Role[];
    /** Everybody who is signed in may open the page. */
    signedIn?: boolean;
    title?: string;
  }
}

const lead = (title: string) => ({ role: 'lead' as const, title });
const examiner = (title: string) => ({ role: 'examiner' as const, title });
const everybody = (title: string) => ({ signedIn: true, title });

const routes: RouteRecordRaw[] = [
  { path: '/', component: () => import('./shell/HomePage.vue') },
  {
    path: '/sign-in',
    component: () => import('./accounts/SignInPage.vue'),
    meta: { title: 'Sign in' },
  },
  {
    path: '/first-administrator',
    component: () => import('./accounts/FirstAdministratorPage.vue'),
    meta: { title: 'First account' },
  },
  {
    path: '/examinations',
    component: () => import('./examinations/ExaminationsPage.vue'),
    meta: lead('Examinations'),
  },
  {
    path: '/examinations/:examination',
    component: () => import('./examinations/ExaminationShell.vue'),
    props: true,
    children: [
      {
        path: '',
        component: () => import('./examinations/OverviewPage.vue'),
        meta: lead('Examination'),
      },
      {
        path: 'preparation',
        component: () => import('./examinations/PreparationPage.vue'),
        meta: lead('Prepare'),
      },
      {
        path: 'blueprint',
        component: () => import('./examinations/BlueprintPage.vue'),
        props: true,
        meta: lead('Blueprint'),
      },
      {
        path: 'timetable',
        component: () => import('./timetable/TimetablePage.vue'),
        props: true,
        meta: lead('Timetable'),
      },
      {
        path: 'resources',
        component: () => import('./timetable/ResourcesPage.vue'),
        props: true,
        meta: lead('Who and what may be used'),
      },
      {
        path: 'rehearsal',
        component: () => import('./rehearsal/RehearsalPage.vue'),
        props: true,
        meta: lead('Rehearsal'),
      },
      {
        path: 'panels',
        component: () => import('./panels/PanelsPage.vue'),
        props: true,
        meta: lead('Panels'),
      },
      {
        path: 'papers',
        component: () => import('./papers/PapersPage.vue'),
        props: true,
        meta: lead('Papers'),
      },
      {
        path: 'calibration',
        component: () => import('./calibration/CalibrationPage.vue'),
        meta: lead('Calibrate'),
      },
      {
        path: 'marking',
        component: () => import('./marking/MarkingPage.vue'),
        meta: lead('Mark'),
      },
      {
        path: 'agreement',
        component: () => import('./agreement/AgreementPage.vue'),
        meta: lead('Agree'),
      },
      {
        path: 'agreement/:first/:second',
        component: () => import('./agreement/ComparisonPage.vue'),
        props: true,
        meta: lead('Two sheets'),
      },
      {
        path: 'standards',
        component: () => import('./standards/StandardsPage.vue'),
        meta: lead('Set the standard'),
      },
      {
        path: 'standards/rereading/:decision',
        component: () => import('./standards/RereadingPage.vue'),
        props: true,
        meta: lead('Decision read again'),
      },
      {
        path: 'trust',
        component: () => import('./trust/TrustPage.vue'),
        meta: lead('How far it can be trusted'),
      },
      {
        path: 'years',
        component: () => import('./years/YearsPage.vue'),
        meta: lead('Over the years'),
      },
      {
        path: 'results',
        component: () => import('./results/ResultsPage.vue'),
        meta: lead('Report'),
      },
      {
        path: 'results/:candidate',
        component: () => import('./results/CandidatePage.vue'),
        props: true,
        meta: lead('Candidate'),
      },
      {
        path: 'sheets/:sheet',
        component: () => import('./marking/RecordPage.vue'),
        props: true,
        meta: lead('Sheet'),
      },
    ],
  },
  {
    path: '/cohorts',
    component: () => import('./people/CohortsPage.vue'),
    meta: lead('Cohorts'),
  },
  {
    path: '/cohorts/:cohort',
    component: () => import('./people/CohortPage.vue'),
    props: true,
    meta: lead('Cohort'),
  },
  {
    path: '/bank',
    component: () => import('./stations/BankPage.vue'),
    meta: lead('Station bank'),
  },
  {
    path: '/bank/:bank',
    component: () => import('./stations/BankStationPage.vue'),
    props: true,
    meta: lead('Station'),
  },
  {
    path: '/bank/:bank/years',
    component: () => import('./years/StationYearsPage.vue'),
    props: true,
    meta: lead('A station over the years'),
  },
  {
    path: '/checklists',
    component: () => import('./checklists/ChecklistsPage.vue'),
    meta: lead('Checklists'),
  },
  {
    path: '/drafts/:draft',
    component: () => import('./checklists/WorkshopPage.vue'),
    props: true,
    meta: lead('Checklist workshop'),
  },
  {
    path: '/drafts/:draft/trial',
    component: () => import('./checklists/TrialSheetPage.vue'),
    props: true,
    meta: lead('Trial sheet'),
  },
  {
    path: '/people',
    component: () => import('./accounts/PeoplePage.vue'),
    meta: { role: 'administrator', title: 'People' },
  },
  {
    path: '/house',
    component: () => import('./house/HousePage.vue'),
    meta: { role: ['office', 'administrator'], title: 'The house' },
  },
  {
    path: '/post',
    component: () => import('./post/PostPage.vue'),
    meta: { role: 'administrator', title: 'Letters' },
  },
  {
    path: '/welcome',
    component: () => import('./accounts/WelcomePage.vue'),
    meta: { title: 'Choose a password' },
  },
  {
    path: '/audit',
    component: () => import('./audit/AuditPage.vue'),
    meta: { role: 'administrator', title: 'Audit' },
  },
  {
    path: '/for-programs',
    component: () => import('./description/DescriptionPage.vue'),
    meta: everybody('For programs'),
  },
  {
    path: '/stations',
    component: () => import('./marking/OwnStationsPage.vue'),
    meta: examiner('My stations'),
  },
  {
    path: '/stations/:station/briefing',
    component: () => import('./calibration/BriefingPage.vue'),
    props: true,
    meta: examiner('Briefing'),
  },
  {
    path: '/sheets/:sheet',
    component: () => import('./marking/SheetPage.vue'),
    props: true,
    meta: examiner('Sheet'),
  },
  {
    path: '/catalogue',
    component: () => import('./catalogue/CataloguePage.vue'),
    meta: everybody('Catalogue'),
  },
  {
    path: '/catalogue/bench',
    component: () => import('./catalogue/BenchPage.vue'),
    meta: everybody('Interpretation bench'),
  },
  {
    path: '/catalogue/practice',
    component: () => import('./catalogue/PracticePage.vue'),
    meta: everybody('Practice'),
  },
  {
    path: '/catalogue/shelf',
    component: () => import('./catalogue/ShelfPage.vue'),
    meta: everybody('The school’s shelf'),
  },
  {
    path: '/catalogue/:procedure',
    component: () => import('./catalogue/ProcedurePage.vue'),
    props: true,
    meta: everybody('Procedure'),
  },
  { path: '/:rest(.*)*', component: () => import('./shell/NotFoundPage.vue') },
];

export const router = createRouter({ history: createWebHistory(), routes });

router.beforeEach(async (to) => {
  const session = useSession();
  if (!session.known) await session.refresh();
  if (session.needsFirstAdministrator && to.path !== '/first-administrator')
    return '/first-administrator';
  if (!to.meta.role && !to.meta.signedIn) return true;
  if (!session.account) return { path: '/sign-in', query: { then: to.fullPath } };
  const wanted = [to.meta.role ?? []].flat();
  const holds = wanted.some((role) => session.account?.roles.includes(role));
  return wanted.length === 0 || holds ? true : '/';
});

router.afterEach((to) => {
  document.title = to.meta.title ? `${to.meta.title} · Kritikos` : 'Kritikos';
});
