import { candidateReport, resultPage, results } from '../results.ts';
import {
  decision,
  release,
  rereading,
  signOff,
  standardParts,
  standardSettings,
  standardsPage,
} from '../standards.ts';
import { trust } from '../trust.ts';
import { stationYears, years } from '../years.ts';
import type { Contracts } from '../contract.ts';
import { LEAD, leads, reads } from './access.ts';

/** Standards, decisions and results. */
export const outcomes = {
  'GET /examinations/:examination/standards': {
    says: 'What the standard is set from, the draft, and the decisions that were signed',
    access: reads('examination'),
    answers: standardsPage,
  },
  'GET /examinations/:examination/standards/parts': {
    says: 'What everybody earned in each domain and for safety, which a rule can ask for',
    access: reads('examination'),
    answers: standardParts,
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
    query: resultPage,
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
  'GET /examinations/:examination/trust': {
    says: 'How far the examination can be trusted, and what more stations or examiners would buy',
    access: reads('examination'),
    answers: trust,
  },
  'GET /examinations/:examination/years': {
    says: 'The examination beside the sittings before it, the better cohort told from the easier paper',
    access: reads('examination'),
    answers: years,
  },
  'GET /bank-stations/:bank/years': {
    says: 'A station of the bank over the sittings that used it, and its items by what they say',
    access: LEAD,
    answers: stationYears,
  },
} as const satisfies Contracts;
