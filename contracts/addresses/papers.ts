import type { Contracts } from '../contract.ts';
import { job } from '../jobs.ts';
import { examinationFile, examinationRead } from '../openExamination.ts';
import { packAsked, packs } from '../papers.ts';
import { EXAMINER, LEAD, leads, reads } from './access.ts';

/** What leaves the house: papers, calendars, tables. */
export const papers = {
  'GET /examinations/:examination/papers': {
    says: 'The archives of papers that were made, whether they still hold, and what one would lack now',
    access: reads('examination'),
    answers: packs,
  },
  'POST /examinations/:examination/papers': {
    says: 'Make all papers, calendars and tables as one archive, in a job',
    access: leads('examination'),
    body: packAsked,
    answers: job,
  },
  'GET /examinations/:examination/papers/:pack': {
    says: 'An archive of papers',
    access: reads('examination'),
    answers: 'zip',
  },
  'GET /examinations/:examination/file': {
    says: 'The whole examination as it is prepared, as one file in the open format',
    access: reads('examination'),
    answers: 'open file',
  },
  'POST /examinations/files': {
    says: 'Make an examination from a file in the open format: all of it, or nothing',
    access: LEAD,
    body: examinationFile,
    takes: 'open file',
    answers: examinationRead,
  },
  'GET /own/calendar': {
    says: 'What an examiner has to do in the timetables that are published, as a calendar',
    access: EXAMINER,
    answers: 'calendar',
  },
} as const satisfies Contracts;
