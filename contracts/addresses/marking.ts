import { z } from 'zod';
import {
  agreementLimits,
  agreementOverview,
  agreementTable,
  comparison,
  TABLE_FACETS,
} from '../agreement.ts';
import { briefing, confirmations } from '../calibration.ts';
import {
  markingProgress,
  ownStation,
  recordEvents,
  recorded,
  reopenSheet,
  sheet,
  sheetRecord,
} from '../marking.ts';
import { id, key } from '../primitives.ts';
import type { Contracts } from '../contract.ts';
import { followUp, safetyOccurrence } from '../safety.ts';
import { place, EXAMINER, leads, reads, marks } from './access.ts';

/** Marking, and what it is looked at beside: briefings, sheets, agreement. */
export const marking = {
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
  'POST /sheets/:sheet/reopening': {
    says: 'Put a submitted sheet back into its examiner’s hand, as long as no decision knows it',
    access: leads('sheet'),
    body: reopenSheet,
    answers: sheetRecord,
  },
  'GET /examinations/:examination/marking': {
    says: 'How far marking is, and which sheets want a look',
    access: reads('examination'),
    answers: markingProgress,
  },
  'GET /examinations/:examination/safety': {
    says: 'The safety events that stand, and what was found out about each',
    access: reads('examination'),
    answers: z.array(safetyOccurrence),
  },
  'POST /examinations/:examination/safety/:event': {
    says: 'Say what a safety event was and what was done about it; what was said before stays',
    access: leads('examination'),
    body: followUp,
    answers: z.array(safetyOccurrence),
  },
  'GET /examinations/:examination/agreement': {
    says: 'Where two examiners saw the same candidate, and how far they agree',
    access: reads('examination'),
    answers: agreementOverview,
  },
  'GET /stations/:station/agreement/table': {
    says: 'The table behind a coefficient, for two examiners: of one item, a part, or the whole station',
    access: reads('station'),
    query: z.object({
      item: key.optional(),
      facet: z.enum(TABLE_FACETS).optional(),
      /** Which domain, way of knowing or variant. */
      name: z.string().max(400).optional(),
      /** Which two examiners, by their place among the pairs. */
      pair: place.optional(),
      /** The cell whose pairs are wanted; without it, those that differ. */
      row: place.optional(),
      column: place.optional(),
    }),
    answers: agreementTable,
  },
  'GET /stations/:station/agreement/limits': {
    says: 'What two examiners read off for one number, with their limits of agreement',
    access: reads('station'),
    query: z.object({ item: key, pair: place.optional() }),
    answers: agreementLimits,
  },
  'GET /sheets/:sheet/comparison': {
    says: 'Two sheets of one candidate side by side',
    access: reads('sheet'),
    query: z.object({ with: id }),
    answers: comparison,
  },
} as const satisfies Contracts;
