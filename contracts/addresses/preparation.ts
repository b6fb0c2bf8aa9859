import { z } from 'zod';
import { examinationLead, examinationLeads } from '../accounts.ts';
import { blueprint, nextExamination, wantedWeights } from '../blueprint.ts';
import {
  candidate,
  candidatePage,
  countdownWarning,
  examination,
  examinationPutAway,
  examinationSummary,
  importPreview,
  newExamination,
  planned,
  stationChange,
  stationExaminers,
  stationReadings,
} from '../examinations.ts';
import { candidateStateChange, cohortCandidates } from '../people.ts';
import { nothing, page } from '../primitives.ts';
import { newStation, stationOrder } from '../stations.ts';
import type { Contracts } from '../contract.ts';
import { LEAD, leads, reads } from './access.ts';

/** Preparation: examinations, their blueprint and stations, candidates, the plan. */
export const preparation = {
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
  'PUT /examinations/:examination': {
    says: 'Change what an examination says of itself, as far as nothing hangs on it',
    access: leads('examination'),
    body: newExamination,
    answers: examination,
  },
  'DELETE /examinations/:examination': {
    says: 'Delete an examination that nothing is in',
    access: leads('examination'),
    answers: nothing,
  },
  'PUT /examinations/:examination/put-away': {
    says: 'Put an examination away that was made by mistake, or bring it back',
    access: leads('examination'),
    body: examinationPutAway,
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
  'GET /examinations/:examination/blueprint': {
    says: 'What the stations of an examination ask by region, kind or structure, and what is wanted',
    access: reads('examination'),
    answers: blueprint,
  },
  'PUT /examinations/:examination/blueprint': {
    says: 'Say how much of an examination is wanted in which cell of its blueprint',
    access: leads('examination'),
    body: wantedWeights,
    answers: blueprint,
  },
  'PUT /examinations/:examination/stations/order': {
    says: 'Put the stations in another order, before marking is first opened',
    access: leads('examination'),
    body: stationOrder,
    answers: examination,
  },
  'POST /examinations/:examination/next': {
    says: 'Make an examination like this one for another cohort; its stations are anchors',
    access: reads('examination'),
    body: nextExamination,
    answers: examination,
  },
  'DELETE /stations/:station': {
    says: 'Take a station out of its examination, before marking is first opened',
    access: leads('station'),
    answers: examination,
  },
  'POST /stations/:station/renewal': {
    says: 'Take the newest version of the bank in a station’s place, before marking is first opened',
    access: leads('station'),
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
} as const satisfies Contracts;
