import { z } from 'zod';
import { examinersInvited, examinersJoined } from '../accounts.ts';
import { job } from '../jobs.ts';
import type { Contracts } from '../contract.ts';
import {
  atRevision,
  equipmentWanted,
  examinersWanted,
  happened,
  patientsWanted,
  placesWanted,
  plan,
  planChanged,
  replanned,
  RESOURCE_FILES,
  resourceFileTaken,
  resources,
  roomsWanted,
  timetable,
  timetableWish,
} from '../timetable.ts';
import { leads, reads } from './access.ts';

/** The timetable: who and what may be used, the plans, and what changes them. */
export const timetables = {
  'GET /examinations/:examination/resources': {
    says: 'Who and what may be used for an examination',
    access: reads('examination'),
    answers: resources,
  },
  'POST /examinations/:examination/examiners': {
    says: 'Invite examiners, all of them or nobody; from then on they take part',
    access: leads('examination'),
    body: examinersInvited,
    answers: examinersJoined,
  },
  'PUT /examinations/:examination/resources/examiners': {
    says: 'Say which examiners take part, when, for which regions, and whom they must not mark',
    access: leads('examination'),
    body: examinersWanted,
    answers: resources,
  },
  'PUT /examinations/:examination/resources/patients': {
    says: 'Say which simulated patients take part, when, and what they must not undergo',
    access: leads('examination'),
    body: patientsWanted,
    answers: resources,
  },
  'PUT /examinations/:examination/resources/rooms': {
    says: 'Say which rooms there are, and how many couches stand in them',
    access: leads('examination'),
    body: roomsWanted,
    answers: resources,
  },
  'PUT /examinations/:examination/resources/places': {
    says: 'Say at which couch of which room each station of each circuit stands',
    access: leads('examination'),
    body: placesWanted,
    answers: resources,
  },
  'POST /examinations/:examination/resources/places': {
    says: 'Give every station of every circuit a couch, circuit by circuit',
    access: leads('examination'),
    answers: resources,
  },
  'PUT /examinations/:examination/resources/equipment': {
    says: 'Say how many pieces there are of what the stations need',
    access: leads('examination'),
    body: equipmentWanted,
    answers: resources,
  },
  'POST /examinations/:examination/resources/file': {
    says: 'Bring in a file of examiners, simulated patients, rooms or equipment, all of it or nothing',
    access: leads('examination'),
    query: z.object({ of: z.enum(RESOURCE_FILES) }),
    body: z.string(),
    takes: 'csv',
    answers: resourceFileTaken,
  },
  'GET /examinations/:examination/timetable': {
    says: 'What the timetable is asked to be, and its plans',
    access: reads('examination'),
    answers: timetable,
  },
  'PUT /examinations/:examination/timetable': {
    says: 'Say what the timetable is asked to be',
    access: leads('examination'),
    body: timetableWish,
    answers: timetable,
  },
  'POST /examinations/:examination/timetable': {
    says: 'Plan the days as they are asked to be, in a job; the plan is a draft',
    access: leads('examination'),
    answers: job,
  },
  'GET /examinations/:examination/timetables/:timetable': {
    says: 'A plan with all its slots, and the question that it answers',
    access: reads('examination'),
    answers: plan,
  },
  'DELETE /examinations/:examination/timetables/:timetable': {
    says: 'Drop a draft of a plan',
    access: leads('examination'),
    answers: timetable,
  },
  'POST /examinations/:examination/timetables/:timetable/changes': {
    says: 'Change a draft by hand; what cannot be run is refused',
    access: leads('examination'),
    body: planChanged,
    answers: atRevision,
  },
  'POST /examinations/:examination/timetables/:timetable/undoing': {
    says: 'Undo the last change by hand that is not undone',
    access: leads('examination'),
    body: atRevision,
    answers: plan,
  },
  'POST /examinations/:examination/timetables/:timetable/rest': {
    says: 'Plan the rest of a day again, moving as few as possible; tell the difference, or keep it as a draft',
    access: leads('examination'),
    body: happened,
    answers: replanned,
  },
  'PUT /examinations/:examination/timetables/:timetable/publication': {
    says: 'Publish a draft: it is the plan from now on, and the sheets follow from it',
    access: leads('examination'),
    body: atRevision,
    answers: timetable,
  },
  'POST /examinations/:examination/timetables/:timetable/copies': {
    says: 'Take a plan as a table; that it was taken is written down, so that it can be named as stale',
    access: reads('examination'),
    answers: 'csv',
  },
} as const satisfies Contracts;
