import { z } from 'zod';
import { account, newAccount, passwordChange, session, signIn } from './accounts.ts';
import { agreementOverview, agreementTable, comparison } from './agreement.ts';
import { trail, trailPage } from './audit.ts';
import { briefing, confirmations } from './calibration.ts';
import { checklistContent, checklistSummary, checklistVersion } from './checklists.ts';
import type { Contract, Method, Params } from './contract.ts';
import {
  candidatePage,
  countdownWarning,
  examination,
  examinationSummary,
  importPreview,
  newExamination,
  newStation,
  planned,
  stationChange,
  stationExaminers,
  stationReadings,
} from './examinations.ts';
import {
  markingProgress,
  ownStation,
  recorded,
  recordEvents,
  sheet,
  sheetRecord,
} from './marking.ts';
import { id, key, nothing, page } from './primitives.ts';
import { candidateReport, results } from './results.ts';
import { decision, rereading, signOff, standardSettings, standardsPage } from './standards.ts';

const LEAD = ['lead'] as const;
const EXAMINER = ['examiner'] as const;
const EITHER = ['lead', 'examiner'] as const;

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
    access: EITHER,
    answers: nothing,
  },
  'POST /accounts/first-lead': {
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
  'POST /accounts/examiners': {
    says: 'Make an account for an examiner',
    access: LEAD,
    body: newAccount,
    answers: account,
  },
  'PUT /accounts/own/password': {
    says: 'Change the own password; every other session ends',
    access: EITHER,
    body: passwordChange,
    answers: session,
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
    body: checklistContent,
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
    access: LEAD,
    answers: examination,
  },
  'POST /examinations/:examination/stations': {
    says: 'Add a station, before marking is first opened',
    access: LEAD,
    body: newStation,
    answers: examination,
  },
  'PATCH /stations/:station': {
    says: 'Change a station to another version of its checklist, before marking is first opened',
    access: LEAD,
    body: stationChange,
    answers: examination,
  },
  'PUT /stations/:station/readings': {
    says: 'Keep what was measured on this very simulated patient',
    access: LEAD,
    body: stationReadings,
    answers: examination,
  },
  'PUT /stations/:station/examiners': {
    says: 'Say who marks at a station, and how often',
    access: LEAD,
    body: stationExaminers,
    answers: examination,
  },
  'GET /examinations/:examination/candidates': {
    says: 'A page of the candidates',
    access: LEAD,
    query: page,
    answers: candidatePage,
  },
  'POST /examinations/:examination/candidates/preview': {
    says: 'What a file of candidates would bring in, and what is wrong with it; nothing is kept',
    access: LEAD,
    body: z.string(),
    takes: 'csv',
    answers: importPreview,
  },
  'POST /examinations/:examination/candidates': {
    says: 'Bring in a file of candidates, all of it or nothing',
    access: LEAD,
    body: z.string(),
    takes: 'csv',
    answers: examination,
  },
  'POST /examinations/:examination/plan': {
    says: 'Plan who marks whom; sheets that are begun stay',
    access: LEAD,
    answers: planned,
  },
  'PUT /examinations/:examination/warning': {
    says: 'Say how long before the end the clock warns',
    access: LEAD,
    body: countdownWarning,
    answers: examination,
  },
  'PUT /examinations/:examination/marking': {
    says: 'Open or close marking',
    access: LEAD,
    body: z.object({ open: z.boolean() }),
    answers: examination,
  },

  'GET /stations/:station/briefing': {
    says: 'What an examiner reads before marking at a station',
    access: EITHER,
    answers: briefing,
  },
  'POST /stations/:station/briefing/confirmation': {
    says: 'Say that the briefing has been read',
    access: EXAMINER,
    answers: briefing,
  },
  'GET /examinations/:examination/calibration': {
    says: 'Who has read which briefing',
    access: LEAD,
    answers: confirmations,
  },

  'GET /own/stations': {
    says: 'The stations at which the examiner marks, with the sheets',
    access: EXAMINER,
    answers: z.array(ownStation),
  },
  'GET /sheets/:sheet': {
    says: 'One of the examiner’s own sheets, with its checklist',
    access: EXAMINER,
    answers: sheet,
  },
  'POST /sheets/:sheet/events': {
    says: 'Record taps; each is answered for itself',
    access: EXAMINER,
    body: recordEvents,
    answers: recorded,
  },
  'GET /sheets/:sheet/record': {
    says: 'Everything that was tapped on a sheet',
    access: LEAD,
    answers: sheetRecord,
  },
  'GET /examinations/:examination/marking': {
    says: 'How far marking is, and which sheets want a look',
    access: LEAD,
    answers: markingProgress,
  },

  'GET /examinations/:examination/agreement': {
    says: 'Where two examiners saw the same candidate, and how far they agree',
    access: LEAD,
    answers: agreementOverview,
  },
  'GET /stations/:station/agreement/table': {
    says: 'The table behind a coefficient: of one item, or of the whole station',
    access: LEAD,
    query: z.object({ item: key.optional() }),
    answers: agreementTable,
  },
  'GET /agreement/comparison': {
    says: 'Two sheets of one candidate side by side',
    access: LEAD,
    query: z.object({ first: id, second: id }),
    answers: comparison,
  },

  'GET /examinations/:examination/standards': {
    says: 'What the standard is set from, the draft, and the decisions that were signed',
    access: LEAD,
    answers: standardsPage,
  },
  'PUT /examinations/:examination/standards/draft': {
    says: 'Keep the draft of a standard',
    access: LEAD,
    body: standardSettings,
    answers: standardSettings,
  },
  'POST /examinations/:examination/decisions': {
    says: 'Sign a decision; it is never changed, only followed by another',
    access: LEAD,
    body: signOff,
    answers: decision,
  },
  'GET /decisions/:decision': {
    says: 'A signed decision',
    access: LEAD,
    answers: decision,
  },
  'GET /decisions/:decision/rereading': {
    says: 'What a signed decision would say of the marks as they are today',
    access: LEAD,
    answers: rereading,
  },

  'GET /examinations/:examination/results': {
    says: 'A page of the results',
    access: LEAD,
    query: page,
    answers: results,
  },
  'GET /examinations/:examination/results.csv': {
    says: 'All results, for the spreadsheet',
    access: LEAD,
    answers: 'csv',
  },
  'GET /examinations/:examination/results/candidates/:candidate': {
    says: 'What one candidate did, station by station, and why the outcome is what it is',
    access: LEAD,
    answers: candidateReport,
  },

  'GET /audit': {
    says: 'Who did what and when, a page of it',
    access: LEAD,
    query: trailPage,
    answers: trail,
  },

  'GET /openapi.json': {
    says: 'This description of the API (OpenAPI 3.1)',
    access: EITHER,
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
  (Part<A, 'takes'> extends 'csv'
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
