import { MANNERS, OBSERVATIONS } from '@kritikos/core/scoring/mark';
import { z } from 'zod';
import { checklistVersion } from './checklists.ts';
import { id, instant, key, text, textAsTyped } from './primitives.ts';

const value = z.union([z.number().min(-10_000).max(10_000), z.string().max(60), z.null()]);

export const eventBody = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('mark'),
    item: key,
    value,
    observation: z.enum(OBSERVATIONS),
    manner: z.enum(MANNERS),
    prompted: z.boolean(),
  }),
  z.object({ type: z.literal('clear'), item: key }),
  z.object({ type: z.literal('fault'), fault: key, present: z.boolean() }),
  z.object({ type: z.literal('variant'), variant: key }),
  z.object({ type: z.literal('comment'), text: textAsTyped(2000) }),
  z.object({ type: z.literal('rating'), grade: z.int().min(1).max(5) }),
  z.object({
    type: z.literal('clock'),
    running: z.boolean(),
    /** Seconds left when the event was made. */
    remaining: z.number().min(-36_000).max(36_000),
  }),
  z.object({
    type: z.literal('safety'),
    note: text(500, 0),
    remaining: z.number().min(-36_000).max(36_000),
  }),
  z.object({ type: z.literal('submit') }),
]);
export type EventBody = z.infer<typeof eventBody>;

/** One tap, as the device recorded it. The id is made there, so that a retry is known again. */
export const markEvent = z.object({
  id,
  device: z.string().regex(/^[\w-]{1,64}$/, 'must be a device id'),
  sequence: z.int().nonnegative(),
  at: instant,
  body: eventBody,
});
export type MarkEvent = z.infer<typeof markEvent>;

export const recordEvents = z.object({
  checklistVersionId: id,
  events: z.array(markEvent).min(1).max(200),
});
export type RecordEvents = z.infer<typeof recordEvents>;

/** Every event of the batch is on disk, those that were there before included. */
export const recorded = z.object({ acknowledged: z.array(id), submittedAt: instant.nullable() });
export type Recorded = z.infer<typeof recorded>;

export const sheetMark = z.object({
  item: key,
  value,
  observation: z.enum(OBSERVATIONS),
  manner: z.enum(MANNERS),
  prompted: z.boolean(),
  at: z.number(),
});
export type SheetMark = z.infer<typeof sheetMark>;

export const clock = z.object({ running: z.boolean(), remaining: z.number(), since: instant });
export type Clock = z.infer<typeof clock>;

/** What is on a sheet now: the projection of its events. */
export const sheetState = z.object({
  marks: z.array(sheetMark),
  faults: z.array(key),
  variant: key,
  comment: z.string(),
  rating: z.int().nullable(),
  clock: clock.nullable(),
  safetyEvents: z.int(),
  submittedAt: instant.nullable(),
});
export type SheetState = z.infer<typeof sheetState>;

export const sheet = z.object({
  id,
  stationId: id,
  station: z.string(),
  position: z.int(),
  minutes: z.int(),
  examinationTitle: z.string(),
  candidateNumber: z.int(),
  examiner: z.string(),
  checklist: checklistVersion,
  state: sheetState,
});
export type Sheet = z.infer<typeof sheet>;

/** One event as the record shows it to the lead: what was done, when, and when it arrived. */
export const sheetRecord = z.object({
  sheet,
  percent: z.number().nullable(),
  events: z.array(
    z.object({ id, sequence: z.int(), at: instant, receivedAt: instant, body: eventBody }),
  ),
});
export type SheetRecord = z.infer<typeof sheetRecord>;

export const ownStation = z.object({
  stationId: id,
  position: z.int(),
  title: z.string(),
  examinationTitle: z.string(),
  procedureTitle: z.string(),
  minutes: z.int(),
  markingOpen: z.boolean(),
  briefingConfirmed: z.boolean(),
  sheets: z.array(
    z.object({
      id,
      candidateNumber: z.int(),
      startedAt: instant.nullable(),
      submittedAt: instant.nullable(),
    }),
  ),
});
export type OwnStation = z.infer<typeof ownStation>;

export const markingProgress = z.object({
  open: z.boolean(),
  stations: z.array(
    z.object({
      stationId: id,
      position: z.int(),
      title: z.string(),
      examiners: z.array(
        z.object({
          examinerId: id,
          name: z.string(),
          planned: z.int(),
          started: z.int(),
          submitted: z.int(),
        }),
      ),
    }),
  ),
  /** Sheets that want a look: safety events, missing marks, started and never submitted. */
  attention: z.array(
    z.object({
      sheetId: id,
      station: z.string(),
      candidateNumber: z.int(),
      examiner: z.string(),
      reason: z.string(),
    }),
  ),
});
export type MarkingProgress = z.infer<typeof markingProgress>;
