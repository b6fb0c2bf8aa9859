import { route } from '../http/route.ts';
import { importCandidates, previewCandidates } from './candidates.ts';
import { planSheets } from './planning.ts';
import * as examinations from './repository.ts';
import * as service from './service.ts';

export const examinationRoutes = [
  route('GET /examinations', ({ db }) => examinations.listExaminations(db)),
  route('POST /examinations', ({ db, body, account }) =>
    service.createExamination(db, body, account),
  ),
  route('GET /examinations/:examination', ({ db, params }) =>
    service.describeExamination(db, params.examination),
  ),
  route('POST /examinations/:examination/stations', ({ db, params, body, account }) =>
    service.addStation(db, params.examination, body, account),
  ),
  route('PATCH /stations/:station', ({ db, params, body, account }) =>
    service.changeChecklistVersion(db, params.station, body.checklistVersionId, account),
  ),
  route('PUT /stations/:station/readings', ({ db, params, body, account }) =>
    service.keepPatientReadings(db, params.station, body, account),
  ),
  route('PUT /stations/:station/examiners', ({ db, params, body, account }) =>
    service.assignExaminers(db, params.station, body, account),
  ),
  route('GET /examinations/:examination/candidates', async ({ db, params, query }) => {
    await service.requireExamination(db, params.examination);
    return examinations.candidatePage(db, params.examination, query);
  }),
  route('POST /examinations/:examination/candidates/preview', ({ db, params, body }) =>
    previewCandidates(db, params.examination, body),
  ),
  route('POST /examinations/:examination/candidates', ({ db, params, body, account }) =>
    importCandidates(db, params.examination, body, account),
  ),
  route('POST /examinations/:examination/plan', ({ db, params, account }) =>
    planSheets(db, params.examination, account),
  ),
  route('PUT /examinations/:examination/warning', ({ db, params, body, account }) =>
    service.changeWarning(db, params.examination, body, account),
  ),
  route('PUT /examinations/:examination/marking', ({ db, params, body, account }) =>
    service.setMarkingOpen(db, params.examination, body.open, account),
  ),
];
