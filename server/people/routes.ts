import { route } from '../http/route.ts';
import { askForImport, takeUpload } from './importing.ts';
import { listCohorts, studentPage } from './repository.ts';
import * as service from './service.ts';

export const peopleRoutes = [
  route('GET /cohorts', ({ db }) => listCohorts(db)),
  route('POST /cohorts', ({ db, body, account }) => service.createCohort(db, body, account)),
  route('GET /cohorts/:cohort', ({ db, params }) => service.requireCohort(db, params.cohort)),
  route('GET /cohorts/:cohort/students', ({ db, params, query }) =>
    studentPage(db, params.cohort, query),
  ),
  route('POST /cohorts/:cohort/students', ({ db, params, body, account }) =>
    service.addStudent(db, params.cohort, body, account),
  ),
  route('POST /cohorts/:cohort/uploads', ({ db, params, query, body, account }) =>
    takeUpload(db, params.cohort, { fileName: query.name, content: Buffer.from(body) }, account),
  ),
  route('POST /cohorts/:cohort/uploads/:upload/preview', ({ db, jobs, params, body, account }) =>
    askForImport(db, jobs, { ...params, ...body, take: false }, account),
  ),
  route('POST /cohorts/:cohort/uploads/:upload/import', ({ db, jobs, params, body, account }) =>
    askForImport(db, jobs, { ...params, ...body, take: true }, account),
  ),
  route('PUT /students/:student', ({ db, params, body, account }) =>
    service.changeStudent(db, params.student, body, account),
  ),
  route('PUT /students/:student/retirement', ({ db, params, body, account }) =>
    service.retireStudent(db, params.student, body.retired, account),
  ),
];
