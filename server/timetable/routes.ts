import { stringify } from 'csv-stringify/sync';
import { route } from '../http/route.ts';
import { publishPlan } from './publishing.ts';
import * as resources from './resources.ts';
import * as service from './service.ts';
import { askPlan } from './work.ts';

export const timetableRoutes = [
  route('GET /examinations/:examination/resources', ({ db, params, account }) =>
    resources.readResources(db, params.examination, account),
  ),
  route('PUT /examinations/:examination/resources/examiners', ({ db, params, body, account }) =>
    resources.keepExaminers(db, params.examination, body, account),
  ),
  route('PUT /examinations/:examination/resources/patients', ({ db, params, body, account }) =>
    resources.keepPatients(db, params.examination, body, account),
  ),
  route('PUT /examinations/:examination/resources/rooms', ({ db, params, body, account }) =>
    resources.keepRooms(db, params.examination, body, account),
  ),
  route('PUT /examinations/:examination/resources/places', ({ db, params, body, account }) =>
    resources.keepPlaces(db, params.examination, body, account),
  ),
  route('POST /examinations/:examination/resources/places', ({ db, params, account }) =>
    resources.placeAll(db, params.examination, account),
  ),
  route('PUT /examinations/:examination/resources/equipment', ({ db, params, body, account }) =>
    resources.keepEquipment(db, params.examination, body, account),
  ),
  route('POST /examinations/:examination/resources/file', ({ db, params, query, body, account }) =>
    resources.takeFile(db, params.examination, query.of, body, account),
  ),
  route('GET /examinations/:examination/timetable', ({ db, params, account }) =>
    service.readTimetable(db, params.examination, account),
  ),
  route('PUT /examinations/:examination/timetable', ({ db, params, body, account }) =>
    service.keepWish(db, params.examination, body, account),
  ),
  route('POST /examinations/:examination/timetable', ({ db, jobs, params, account }) =>
    askPlan(db, jobs, params.examination, account),
  ),
  route('GET /examinations/:examination/timetables/:timetable', ({ db, params, account }) =>
    service.readPlan(db, params.examination, params.timetable, account),
  ),
  route('DELETE /examinations/:examination/timetables/:timetable', ({ db, params, account }) =>
    service.dropDraft(db, params.examination, params.timetable, account),
  ),
  route(
    'POST /examinations/:examination/timetables/:timetable/changes',
    ({ db, params, body, account }) =>
      service.changePlan(db, params.examination, params.timetable, body, account),
  ),
  route(
    'POST /examinations/:examination/timetables/:timetable/undoing',
    ({ db, params, body, account }) =>
      service.undoChange(db, params.examination, params.timetable, body.revision, account),
  ),
  route(
    'POST /examinations/:examination/timetables/:timetable/rest',
    ({ db, params, body, account }) =>
      service.planRest(db, params.examination, params.timetable, body, account),
  ),
  route(
    'PUT /examinations/:examination/timetables/:timetable/publication',
    ({ db, params, body, account }) =>
      publishPlan(db, params.examination, params.timetable, body.revision, account),
  ),
  route(
    'GET /examinations/:examination/timetables/:timetable/table',
    async ({ db, params, account }) => {
      const { fileName, rows } = await service.planTable(
        db,
        params.examination,
        params.timetable,
        account,
      );
      return { fileName, content: stringify(rows, { bom: true, escape_formulas: true }) };
    },
  ),
];
