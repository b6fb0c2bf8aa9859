import { z } from 'zod';
import {
  account,
  chosenPassword,
  disabling,
  examinationLead,
  examinationLeads,
  invitation,
  linkLook,
  newAccount,
  openedLink,
  passwordChange,
  person,
  post,
  ROLES,
  rolesChange,
  session,
  signIn,
} from './accounts.ts';
import { agreementOverview, agreementTable, comparison } from './agreement.ts';
import { trail, trailPage } from './audit.ts';
import { briefing, confirmations } from './calibration.ts';
import { writtenChecklist, checklistSummary, checklistVersion } from './checklists.ts';
import type { ByRight, Contract, Method, Owned, Params } from './contract.ts';
import {
  candidate,
  candidatePage,
  countdownWarning,
  examination,
  examinationSummary,
  importPreview,
  newExamination,
  planned,
  stationChange,
  stationExaminers,
  stationReadings,
} from './examinations.ts';
import { job } from './jobs.ts';
import {
  markingProgress,
  ownStation,
  recorded,
  recordEvents,
  sheet,
  sheetRecord,
} from './marking.ts';
import {
  candidateStateChange,
  cohort,
  cohortCandidates,
  newCohort,
  newStudent,
  retirement,
  student,
  studentPage,
  studentSearch,
} from './people.ts';
import { id, key, nothing, page } from './primitives.ts';
import { candidateReport, results } from './results.ts';
import { importQuestion, upload, uploadQuery } from './studentImport.ts';
import { bankStation, newBankStation, newStation } from './stations.ts';
import {
  decision,
  release,
  rereading,
  signOff,
  standardSettings,
  standardsPage,
} from './standards.ts';

/** A row or column of a table, from 0. */
const place = z.coerce.number().int().min(0).max(60);

const SIGNED_IN = { roles: ROLES } as const;
const ADMINISTRATOR = { roles: ['administrator'] } as const;
const LEAD = { roles: ['lead'] } as const;
const EXAMINER = { roles: ['examiner'] } as const;

/** Whoever leads the examination that the thing is of. */
const leads = (whose: Owned): ByRight => ({ roles: ['lead'], whose, may: ['lead'] });
/** Whoever leads that examination, or may read it. */
const reads = (whose: Owned): ByRight => ({ roles: ['lead'], whose, may: ['read'] });
/** The examiner of the station or of the sheet. */
const marks = (whose: 'station' | 'sheet'): ByRight => ({
  roles: ['examiner'],
  whose,
  may: ['mark'],
});

/**
 * Every address of the API, in the order in which an examination is run: one contract a route, from
 * which the server is mounted, the browser's calls are typed, and the description for others is
 * made. Every name in a path is an id.
 */
export const api = {
  'GET /session': {
    says: 'Who is signed in here',
    access: 'anyone',
    answers: session,
  },
  'POST /session': {
    says: 'Sign in',
    access: 'anyone',
    body: signIn,
    answers: session,
  },
  'DELETE /session': {
    says: 'Sign out',
    access: SIGNED_IN,
    answers: nothing,
  },
  'POST /accounts/first-administrator': {
    says: 'Make the first account of an empty installation',
    access: 'anyone',
    body: newAccount,
    answers: session,
  },
  'GET /accounts/examiners': {
    says: 'The examiners who have an account',
    access: LEAD,
    answers: z.array(account),
  },
  'GET /accounts/leads': {
    says: 'Everybody who holds the role of a lead',
    access: LEAD,
    answers: z.array(account),
  },
  'POST /accounts/examiners': {
    says: 'Invite an examiner, by a link with which they choose a password',
    access: LEAD,
    body: invitation.omit({ roles: true }),
    answers: account,
  },
  'GET /accounts': {
    says: 'Everybody, with their roles',
    access: ADMINISTRATOR,
    answers: z.array(person),
  },
  'POST /accounts': {
    says: 'Invite somebody, by a link with which they choose a password',
    access: ADMINISTRATOR,
    body: invitation,
    answers: person,
  },
  'PUT /accounts/:account/roles': {
    says: 'Give and take roles; the last administrator stays one',
    access: ADMINISTRATOR,
    body: rolesChange,
    answers: person,
  },
  'PUT /accounts/:account/disabling': {
    says: 'Disable an account, which ends its sessions at once, or enable it again',
    access: ADMINISTRATOR,
    body: disabling,
    answers: person,
  },
  'POST /accounts/:account/link': {
    says: 'Send somebody a new link: the invitation again, or one for a new password',
    access: ADMINISTRATOR,
    answers: person,
  },
  'GET /links/invitation': {
    says: 'Whom a link for choosing a password is for',
    access: 'anyone',
    query: linkLook,
    answers: openedLink,
  },
  'POST /links/invitation': {
    says: 'Choose a password by a link, once',
    access: 'anyone',
    body: chosenPassword,
    answers: session,
  },
  'GET /post': {
    says: 'The letters that were written, the newest first',
    access: ADMINISTRATOR,
    answers: post,
  },
  'PUT /accounts/own/password': {
    says: 'Change the own password; every other session ends',
    access: SIGNED_IN,
    body: passwordChange,
    answers: session,
  },

  'GET /cohorts': {
    says: 'The cohorts, the newest first',
    access: LEAD,
    answers: z.array(cohort),
  },
  'POST /cohorts': {
    says: 'Make a cohort',
    access: LEAD,
    body: newCohort,
    answers: cohort,
  },
  'GET /cohorts/:cohort': {
    says: 'One cohort',
    access: LEAD,
    answers: cohort,
  },
  'GET /cohorts/:cohort/students': {
    says: 'A page of the students of a cohort',
    access: LEAD,
    query: studentSearch,
    answers: studentPage,
  },
  'POST /cohorts/:cohort/students': {
    says: 'Add a student to a cohort',
    access: LEAD,
    body: newStudent,
    answers: student,
  },
  'POST /cohorts/:cohort/uploads': {
    says: 'Bring a list of students, CSV or XLSX; its columns are answered, and nothing is taken yet',
    access: LEAD,
    query: uploadQuery,
    body: z.instanceof(Uint8Array),
    takes: 'table',
    answers: upload,
  },
  'POST /cohorts/:cohort/uploads/:upload/preview': {
    says: 'Read a whole list by its mapped columns and say what it would change; a job',
    access: LEAD,
    body: importQuestion,
    answers: job,
  },
  'POST /cohorts/:cohort/uploads/:upload/import': {
    says: 'Take a list of students, all of it or nothing; a job',
    access: LEAD,
    body: importQuestion,
    answers: job,
  },
  'PUT /students/:student': {
    says: 'Change what is known of a student',
    access: LEAD,
    body: newStudent,
    answers: student,
  },
  'PUT /students/:student/retirement': {
    says: 'Retire a student, or take it back; examinations keep their candidates',
    access: LEAD,
    body: retirement,
    answers: student,
  },

  'GET /bank-stations': {
    says: 'The stations that can be used again, each in its newest version',
    access: LEAD,
    answers: z.array(bankStation),
  },
  'POST /bank-stations': {
    says: 'Make a station of the bank; its checklist follows from the procedures and the patient',
    access: LEAD,
    body: newBankStation,
    answers: bankStation,
  },
  'POST /bank-stations/:bank/versions': {
    says: 'Make the next version of a station of the bank',
    access: LEAD,
    body: newBankStation,
    answers: bankStation,
  },
  'PUT /bank-stations/:bank/retirement': {
    says: 'Take a station of the bank out of the choice, or bring it back',
    access: LEAD,
    body: retirement,
    answers: bankStation,
  },

  'GET /checklists': {
    says: 'The checklists, each with its newest version',
    access: LEAD,
    answers: z.array(checklistSummary),
  },
  'GET /checklist-versions/:version': {
    says: 'One version of a checklist',
    access: LEAD,
    answers: checklistVersion,
  },
  'POST /checklists/:checklist/versions': {
    says: 'Make the next version of a checklist',
    access: LEAD,
    body: writtenChecklist,
    answers: checklistVersion,
  },

  'GET /examinations': {
    says: 'The examinations, the newest first',
    access: LEAD,
    answers: z.array(examinationSummary),
  },
  'POST /examinations': {
    says: 'Make an examination',
    access: LEAD,
    body: newExamination,
    answers: examination,
  },
  'GET /examinations/:examination': {
    says: 'One examination with its stations and how far it is',
    access: reads('examination'),
    answers: examination,
  },
  'GET /examinations/:examination/leads': {
    says: 'Who leads the examination, and who may read it',
    access: reads('examination'),
    answers: z.array(examinationLead),
  },
  'PUT /examinations/:examination/leads': {
    says: 'Say who leads the examination and who may read it',
    access: leads('examination'),
    body: examinationLeads,
    answers: z.array(examinationLead),
  },
  'POST /examinations/:examination/stations': {
    says: 'Add a station, before marking is first opened',
    access: leads('examination'),
    body: newStation,
    answers: examination,
  },
  'PATCH /stations/:station': {
    says: 'Change a station to another version of its checklist, before marking is first opened',
    access: leads('station'),
    body: stationChange,
    answers: examination,
  },
  'PUT /stations/:station/readings': {
    says: 'Keep what was measured on this very simulated patient',
    access: leads('station'),
    body: stationReadings,
    answers: examination,
  },
  'PUT /stations/:station/examiners': {
    says: 'Say who marks at a station, and how often',
    access: leads('station'),
    body: stationExaminers,
    answers: examination,
  },
  'GET /examinations/:examination/candidates': {
    says: 'A page of the candidates',
    access: reads('examination'),
    query: page,
    answers: candidatePage,
  },
  'POST /examinations/:examination/candidates/preview': {
    says: 'What a file of candidates would bring in, and what is wrong with it; nothing is kept',
    access: leads('examination'),
    body: z.string(),
    takes: 'csv',
    answers: importPreview,
  },
  'POST /examinations/:examination/candidates': {
    says: 'Bring in a file of candidates, all of it or nothing',
    access: leads('examination'),
    body: z.string(),
    takes: 'csv',
    answers: examination,
  },
  'POST /examinations/:examination/candidates/from-cohort': {
    says: 'Take the students of the cohort as candidates; who is one already stays',
    access: leads('examination'),
    body: cohortCandidates,
    answers: examination,
  },
  'PUT /candidates/:candidate/state': {
    says: 'Say that a candidate is absent or has withdrawn, and why; or is expected again',
    access: leads('candidate'),
    body: candidateStateChange,
    answers: candidate,
  },
  'POST /examinations/:examination/plan': {
    says: 'Plan who marks whom; sheets that are begun stay',
    access: leads('examination'),
    answers: planned,
  },
  'PUT /examinations/:examination/warning': {
    says: 'Say how long before the end the clock warns',
    access: leads('examination'),
    body: countdownWarning,
    answers: examination,
  },
  'PUT /examinations/:examination/marking': {
    says: 'Open or close marking',
    access: leads('examination'),
    body: z.object({ open: z.boolean() }),
    answers: examination,
  },

  'GET /stations/:station/briefing': {
    says: 'What an examiner reads before marking at a station',
    access: { roles: ['lead', 'examiner'], whose: 'station', may: ['read', 'mark'] },
    answers: briefing,
  },
  'POST /stations/:station/briefing/confirmation': {
    says: 'Say that the briefing has been read',
    access: marks('station'),
    answers: briefing,
  },
  'GET /examinations/:examination/calibration': {
    says: 'Who has read which briefing',
    access: reads('examination'),
    answers: confirmations,
  },

  'GET /own/stations': {
    says: 'The stations at which the examiner marks, with the sheets',
    access: EXAMINER,
    answers: z.array(ownStation),
  },
  'GET /sheets/:sheet': {
    says: 'One of the examiner’s own sheets, with its checklist',
    access: marks('sheet'),
    answers: sheet,
  },
  'POST /sheets/:sheet/events': {
    says: 'Record taps; each is answered for itself',
    access: { ...marks('sheet'), asksItself: true },
    body: recordEvents,
    answers: recorded,
  },
  'GET /sheets/:sheet/record': {
    says: 'Everything that was tapped on a sheet',
    access: reads('sheet'),
    answers: sheetRecord,
  },
  'GET /examinations/:examination/marking': {
    says: 'How far marking is, and which sheets want a look',
    access: reads('examination'),
    answers: markingProgress,
  },

  'GET /examinations/:examination/agreement': {
    says: 'Where two examiners saw the same candidate, and how far they agree',
    access: reads('examination'),
    answers: agreementOverview,
  },
  'GET /stations/:station/agreement/table': {
    says: 'The table behind a coefficient: of one item, or of the whole station',
    access: reads('station'),
    query: z.object({
      item: key.optional(),
      /** The cell whose pairs are wanted; without it, those that differ. */
      row: place.optional(),
      column: place.optional(),
    }),
    answers: agreementTable,
  },
  'GET /sheets/:sheet/comparison': {
    says: 'Two sheets of one candidate side by side',
    access: reads('sheet'),
    query: z.object({ with: id }),
    answers: comparison,
  },

  'GET /examinations/:examination/standards': {
    says: 'What the standard is set from, the draft, and the decisions that were signed',
    access: reads('examination'),
    answers: standardsPage,
  },
  'PUT /examinations/:examination/standards/draft': {
    says: 'Keep the draft of a standard',
    access: leads('examination'),
    body: standardSettings,
    answers: standardSettings,
  },
  'POST /examinations/:examination/decisions': {
    says: 'Sign a decision; it is never changed, only followed by another',
    access: leads('examination'),
    body: signOff,
    answers: decision,
  },
  'GET /decisions/:decision': {
    says: 'A signed decision',
    access: reads('decision'),
    answers: decision,
  },
  'POST /decisions/:decision/release': {
    says: 'Release the results of the newest decision to the candidates',
    access: leads('decision'),
    answers: release,
  },
  'GET /decisions/:decision/rereading': {
    says: 'What a signed decision would say of the marks as they are today',
    access: reads('decision'),
    answers: rereading,
  },

  'GET /examinations/:examination/results': {
    says: 'A page of the results',
    access: reads('examination'),
    query: page,
    answers: results,
  },
  'GET /examinations/:examination/results.csv': {
    says: 'All results, for the spreadsheet',
    access: reads('examination'),
    answers: 'csv',
  },
  'GET /examinations/:examination/results/candidates/:candidate': {
    says: 'What one candidate did, station by station, and why the outcome is what it is',
    access: reads('examination'),
    answers: candidateReport,
  },

  'POST /examinations/:examination/recomputation': {
    says: 'Score every submitted sheet anew and compare what is kept; a job',
    access: reads('examination'),
    answers: job,
  },
  'GET /jobs/:job': {
    says: 'How far a job is, and what came of it',
    access: SIGNED_IN,
    answers: job,
  },
  'DELETE /jobs/:job': {
    says: 'Call a job off',
    access: SIGNED_IN,
    answers: job,
  },
  'GET /hints': {
    says: 'A stream that tells when something of an examination changed that the caller may read',
    access: SIGNED_IN,
    answers: 'events',
  },

  'GET /audit': {
    says: 'Who did what and when, a page of it',
    access: ADMINISTRATOR,
    query: trailPage,
    answers: trail,
  },

  'GET /openapi.json': {
    says: 'This description of the API (OpenAPI 3.1)',
    access: SIGNED_IN,
    answers: z.looseObject({ openapi: z.string(), paths: z.record(z.string(), z.unknown()) }),
  },
} as const satisfies Readonly<Record<`${Method} /${string}`, Contract>>;

type Api = typeof api;
/** The method and path of a route. */
export type Address = keyof Api;

type Part<A extends Address, Name extends string> = Api[A] extends { readonly [N in Name]: infer P }
  ? P
  : undefined;

type QuerySent<Query> = Query extends z.ZodType
  ? Partial<z.input<Query>> extends z.input<Query>
    ? { readonly query?: z.input<Query> }
    : { readonly query: z.input<Query> }
  : unknown;

/** What a route is sent, as the caller writes it. */
export type Sent<A extends Address> = (keyof Params<A> extends never
  ? unknown
  : { readonly params: Params<A> }) &
  QuerySent<Part<A, 'query'>> &
  (Part<A, 'takes'> extends 'csv' | 'table'
    ? { readonly body: Blob | string }
    : Part<A, 'body'> extends z.ZodType
      ? { readonly body: z.input<Part<A, 'body'>> }
      : unknown);

/** What a route takes, once it has been read. */
export interface Taken<A extends Address> {
  readonly params: Params<A>;
  readonly query: Part<A, 'query'> extends z.ZodType ? z.output<Part<A, 'query'>> : undefined;
  readonly body: Part<A, 'body'> extends z.ZodType ? z.output<Part<A, 'body'>> : undefined;
}

/** What a route answers: as the server writes it, and as the caller reads it. */
export type Written<A extends Address> =
  Part<A, 'answers'> extends z.ZodType ? z.input<Part<A, 'answers'>> : never;
export type Answer<A extends Address> =
  Part<A, 'answers'> extends z.ZodType ? z.output<Part<A, 'answers'>> : never;

/** Addresses whose answer is a file. */
export type FileAddress = { [A in Address]: Part<A, 'answers'> extends 'csv' ? A : never }[Address];
