import { stringify } from 'csv-stringify/sync';
import type { Hints } from '../hints/hints.ts';
import { route } from '../http/route.ts';
import { inviteExaminers } from './inviting.ts';
import { keepPlaces, placeAll } from './places.ts';
import { publishPlan } from './publishing.ts';
import { takeFile } from './resourceFiles.ts';
import * as resources from './resources.ts';
import { planRest } from './rest.ts';
import * as service from './service.ts';
import { planTable } from './table.ts';
import { askPlan } from './work.ts';

/** What changed is said to whoever looks at the examination, once it has changed. */
async function telling<T>(hints: Hints, examination: string, change: Promise<T>): Promise<T> {
  const answer = await change;
  hints.examinationChanged(examination);
  return answer;
}

export const timetableRoutes = [
  route('GET /examinations/:examination/resources', ({ db, params, account }) =>
    resources.readResources(db, params.examination, account),
  ),
  route(
    'POST /examinations/:examination/examiners',
    ({ db, hints, house, params, body, account }) =>
      telling(
        hints,
        params.examination,
        inviteExaminers(db, params.examination, body, account, house),
      ),
  ),
  route(
    'PUT /examinations/:examination/resources/examiners',
    ({ db, hints, params, body, account }) =>
      telling(
        hints,
        params.examination,
        resources.keepExaminers(db, params.examination, body, account),
      ),
  ),
  route(
    'PUT /examinations/:examination/resources/patients',
    ({ db, hints, params, body, account }) =>
      telling(
        hints,
        params.examination,
        resources.keepPatients(db, params.examination, body, account),
      ),
  ),
  route('PUT /examinations/:examination/resources/rooms', ({ db, hints, params, body, account }) =>
    telling(hints, params.examination, resources.keepRooms(db, params.examination, body, account)),
  ),
  route('PUT /examinations/:examination/resources/places', ({ db, hints, params, body, account }) =>
    telling(hints, params.examination, keepPlaces(db, params.examination, body, account)),
  ),
  route('POST /examinations/:examination/resources/places', ({ db, hints, params, account }) =>
    telling(hints, params.examination, placeAll(db, params.examination, account)),
  ),
  route(
    'PUT /examinations/:examination/resources/equipment',
    ({ db, hints, params, body, account }) =>
      telling(
        hints,
        params.examination,
        resources.keepEquipment(db, params.examination, body, account),
      ),
  ),
  route(
    'POST /examinations/:examination/resources/file',
    ({ db, hints, params, query, body, account }) =>
      telling(hints, params.examination, takeFile(db, params.examination, query.of, body, account)),
  ),
  route('GET /examinations/:examination/timetable', ({ db, params, account }) =>
    service.readTimetable(db, params.examination, account),
  ),
  route('PUT /examinations/:examination/timetable', ({ db, hints, params, body, account }) =>
    telling(hints, params.examination, service.keepWish(db, params.examination, body, account)),
  ),
  route('POST /examinations/:examination/timetable', ({ db, jobs, params, account }) =>
    askPlan(db, jobs, params.examination, account),
  ),
  route('GET /examinations/:examination/timetables/:timetable', ({ db, params, account }) =>
    service.readPlan(db, params.examination, params.timetable, account),
  ),
  route(
    'DELETE /examinations/:examination/timetables/:timetable',
    ({ db, hints, params, account }) =>
      telling(
        hints,
        params.examination,
        service.dropDraft(db, params.examination, params.timetable, account),
      ),
  ),
  route(
    'POST /examinations/:examination/timetables/:timetable/changes',
    ({ db, hints, params, body, account }) =>
      telling(
        hints,
        params.examination,
        service.changePlan(db, params.examination, params.timetable, body, account),
      ),
  ),
  route(
    'POST /examinations/:examination/timetables/:timetable/undoing',
    ({ db, hints, params, body, account }) =>
      telling(
        hints,
        params.examination,
        service.undoChange(db, params.examination, params.timetable, body.revision, account),
      ),
  ),
  route(
    'POST /examinations/:examination/timetables/:timetable/rest',
    ({ db, params, body, account }) =>
      planRest(db, params.examination, params.timetable, body, account),
  ),
  route(
    'PUT /examinations/:examination/timetables/:timetable/publication',
    ({ db, hints, params, body, account }) =>
      telling(
        hints,
        params.examination,
        publishPlan(db, params.examination, params.timetable, body.revision, account),
      ),
  ),
  route(
    'POST /examinations/:examination/timetables/:timetable/copies',
    async ({ db, params, account }) => {
      const { fileName, rows } = await planTable(db, params.examination, params.timetable, account);
      return { fileName, content: stringify(rows, { bom: true, escape_formulas: true }) };
    },
  ),
];
