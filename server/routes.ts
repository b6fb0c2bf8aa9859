import { accountRoutes } from './accounts/routes.ts';
import { agreementRoutes } from './agreement/routes.ts';
import { auditRoutes } from './audit/routes.ts';
import { shelfRoutes } from './catalogue/routes.ts';
import { calibrationRoutes } from './calibration/routes.ts';
import { checklistRoutes } from './checklists/routes.ts';
import { descriptionRoutes } from './description/routes.ts';
import { examinationRoutes } from './examinations/routes.ts';
import { rehearsalRoutes } from './rehearsal/routes.ts';
import { panelRoutes } from './panels/routes.ts';
import { paperRoutes } from './papers/routes.ts';
import { timetableRoutes } from './timetable/routes.ts';
import type { Route } from './http/route.ts';
import { markingRoutes } from './marking/routes.ts';
import { houseRoutes } from './house/routes.ts';
import { hintRoutes } from './hints/routes.ts';
import { jobRoutes } from './jobs/routes.ts';
import { postRoutes } from './post/routes.ts';
import { peopleRoutes } from './people/routes.ts';
import { safetyRoutes } from './safety/routes.ts';
import { bankRoutes } from './stations/routes.ts';
import { resultRoutes } from './results/routes.ts';
import { sourceRoutes } from './sources/routes.ts';
import { standardRoutes } from './standards/routes.ts';
import { trustRoutes } from './trust/routes.ts';
import { yearRoutes } from './years/routes.ts';

/** Every address of the API, in the order in which an examination is run. */
export const routes: readonly Route[] = [
  ...accountRoutes,
  ...postRoutes,
  ...peopleRoutes,
  ...shelfRoutes,
  ...bankRoutes,
  ...checklistRoutes,
  ...examinationRoutes,
  ...houseRoutes,
  ...timetableRoutes,
  ...paperRoutes,
  ...rehearsalRoutes,
  ...panelRoutes,
  ...calibrationRoutes,
  ...markingRoutes,
  ...safetyRoutes,
  ...agreementRoutes,
  ...standardRoutes,
  ...resultRoutes,
  ...trustRoutes,
  ...yearRoutes,
  ...sourceRoutes,
  ...jobRoutes,
  ...hintRoutes,
  ...auditRoutes,
  ...descriptionRoutes,
];
