import { route } from '../http/route.ts';
import {
  changeCandidateState,
  importCandidates,
  previewCandidates,
  takeCohort,
} from './candidates.ts';
import * as blueprint from './blueprint.ts';
import * as details from './details.ts';
import { planSheets } from './planning.ts';
import * as candidates from './candidateRepository.ts';
import * as examinations from './repository.ts';
import * as service from './service.ts';
import * as stations from './stations.ts';

export const examinationRoutes = [
  route('GET /examinations', ({ db, account }) => examinations.listExaminations(db, account.id)),
  route('POST /examinations', ({ db, body, account }) =>
    service.createExamination(db, body, account),
  ),
  route('GET /examinations/:examination', ({ db, params, account }) =>
    service.describeExamination(db, params.examination, account),
  ),
  route('PUT /examinations/:examination', ({ db, params, body, account }) =>
    details.changeDetails(db, params.examination, body, account),
  ),
  route('DELETE /examinations/:examination', ({ db, params, account }) =>
    details.deleteExamination(db, params.examination, account),
  ),
  route('PUT /examinations/:examination/put-away', ({ db, hints, params, body, account }) =>
    details.putAway(db, params.examination, body.putAway, account, hints),
  ),
  route('GET /examinations/:examination/leads', ({ db, params, account }) =>
    service.readLeads(db, params.examination, account),
  ),
  route('PUT /examinations/:examination/leads', ({ db, hints, params, body, account }) =>
    service.changeLeads(db, params.examination, body, account, hints),
  ),
  route('POST /examinations/:examination/stations', ({ db, params, body, account }) =>
    stations.addStation(db, params.examination, body, account),
  ),
  route('GET /examinations/:examination/blueprint', ({ db, params, account }) =>
    blueprint.readBlueprint(db, params.examination, account),
  ),
  route('PUT /examinations/:examination/blueprint', ({ db, params, body, account }) =>
    blueprint.keepWanted(db, params.examination, body, account),
  ),
  route('PUT /examinations/:examination/stations/order', ({ db, params, body, account }) =>
    blueprint.orderStations(db, params.examination, body.stations, account),
  ),
  route('POST /examinations/:examination/next', ({ db, params, body, account }) =>
    blueprint.makeNext(db, params.examination, body, account),
  ),
  route('DELETE /stations/:station', ({ db, params, account }) =>
    blueprint.removeStation(db, params.station, account),
  ),
  route('POST /stations/:station/renewal', ({ db, params, account }) =>
    blueprint.renewStation(db, params.station, account),
  ),
  route('PATCH /stations/:station', ({ db, params, body, account }) =>
    stations.changeChecklistVersion(db, params.station, body.checklistVersionId, account),
  ),
  route('PUT /stations/:station/readings', ({ db, params, body, account }) =>
    stations.keepPatientReadings(db, params.station, body, account),
  ),
  route('PUT /stations/:station/examiners', ({ db, params, body, account }) =>
    stations.assignExaminers(db, params.station, body, account),
  ),
  route('GET /examinations/:examination/candidates', ({ db, params, query, account }) =>
    candidates.candidatePage(db, params.examination, account.id, query),
  ),
  route('POST /examinations/:examination/candidates/preview', ({ db, params, body, account }) =>
    previewCandidates(db, params.examination, body, account),
  ),
  route('POST /examinations/:examination/candidates', ({ db, params, body, account }) =>
    importCandidates(db, params.examination, body, account),
  ),
  route('POST /examinations/:examination/candidates/from-cohort', ({ db, params, body, account }) =>
    takeCohort(db, params.examination, body, account),
  ),
  route('PUT /candidates/:candidate/state', ({ db, params, body, account }) =>
    changeCandidateState(db, params.candidate, body, account),
  ),
  route('POST /examinations/:examination/plan', ({ db, params, account }) =>
    planSheets(db, params.examination, account),
  ),
  route('PUT /examinations/:examination/warning', ({ db, params, body, account }) =>
    service.changeWarning(db, params.examination, body, account),
  ),
  route('PUT /examinations/:examination/marking', async ({ db, hints, params, body, account }) => {
    const now = await service.setMarkingOpen(db, params.examination, body.open, account);
    hints.examinationChanged(params.examination);
    return now;
  }),
];
