import { MANNERS, OBSERVATIONS } from '@kritikos/core/scoring/mark';
import { z } from 'zod';
import { checklistVersion } from './checklists.ts';
import { id, instant, key, text, textAsTyped } from './primitives.ts';

const single = z.union([z.number().min(-10_000).max(10_000), z.string().max(60), z.null()]);
/** One value, a pair of sides, a pair before and after, or the findings that were named. */
const value = z.union([
  single,
  z.object({ left: single, right: single }),
  z.object({
    before: single,
    after: single,
    changed: z.array(z.string().max(60)).max(8).readonly(),
  }),
  z.array(z.string().max(60)).max(12).readonly(),
]);
const attempt = z.int().min(1).max(3);
/** On the clock of a station; negative in overtime. */
const secondsLeft = z.number().min(-36_000).max(36_000);

export const eventBody = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('mark'),
    item: key,
    value,
    observation: z.enum(OBSERVATIONS),
    manner: z.enum(MANNERS),
    prompted: z.boolean(),
    attempt: attempt.optional(),
    /** The fault that made it, where no hand did. */
    byFault: key.optional(),
  }),
  z.object({ type: z.literal('clear'), item: key, attempt: attempt.optional() }),
  z.object({ type: z.literal('fault'), fault: key, present: z.boolean() }),
  /** Where a station has several procedures, the one that the variant is of is named. */
  z.object({ type: z.literal('variant'), variant: key, procedure: key.optional() }),
  z.object({ type: z.literal('comment'), text: textAsTyped(2000) }),
  /** `null` takes a grade back. */
  z.object({ type: z.literal('rating'), grade: z.int().min(1).max(5).nullable() }),
  z.object({
    type: z.literal('clock'),
    running: z.boolean(),
    /** Seconds left when the event was made. */
    remaining: secondsLeft,
  }),
  z.object({
    type: z.literal('safety'),
    note: text(500, 0),
    remaining: secondsLeft,
  }),
  /** Of a safety event, by the id of its tap: what happened and what was done. */
  z.object({ type: z.literal('safety-note'), safety: id, note: textAsTyped(500) }),
  /** It was a slip; the clock goes on from here. It stays in the stream, taken back. */
  z.object({
    type: z.literal('safety-taken-back'),
    safety: id,
    running: z.boolean(),
    remaining: secondsLeft,
  }),
  /** A refused tap that the examiner let go: what it was, and why. It changes nothing on the sheet. */
  z.object({ type: z.literal('dropped'), what: text(300), why: text(300) }),
  z.object({ type: z.literal('submit') }),
]);
export type EventBody = z.infer<typeof eventBody>;

/** The largest number that a sequence can have: PostgreSQL's integer. */
const LARGEST_INTEGER = 2_147_483_647;

/**
 * One tap, as the device recorded it. The id is made there, so that a retry is known again; `at`
 * is the device's own time and `clockAhead` by how many milliseconds that device was ahead of the
 * server, as measured at its last answer.
 */
export const markEvent = z.object({
  id,
  device: z.string().regex(/^[\w-]{1,64}$/, 'must be a device id'),
  sequence: z.int().nonnegative().max(LARGEST_INTEGER),
  at: instant,
  clockAhead: z.int().min(-LARGEST_INTEGER).max(LARGEST_INTEGER),
  checklistVersionId: id,
  /** The sheet's place in its stream (`stamp`) that the device had been told of; none where it knew of none. */
  seen: z.int().nonnegative().optional(),
  body: eventBody,
});
export type MarkEvent = z.infer<typeof markEvent>;

/**
 * A batch of taps on one sheet by one account. Each tap is read and answered by itself, so that
 * one that cannot be read does not hold up the others.
 */
export const recordEvents = z.object({
  account: id,
  events: z.array(z.unknown()).min(1).max(200),
});
export type RecordEvents = z.infer<typeof recordEvents>;

/**
 * What became of one tap. *Kept*: on disk, and on the sheet. *Late*: on disk and shown to the lead,
 * but the sheet was submitted, or its checklist changed, before the tap arrived. *Refused*: not
 * written, for the reason given.
 */
export const tapAnswer = z.discriminatedUnion('outcome', [
  z.object({ outcome: z.literal('kept'), id }),
  z.object({ outcome: z.literal('late'), id }),
  z.object({ outcome: z.literal('refused'), id: id.nullable(), reason: z.string() }),
]);
export type TapAnswer = z.infer<typeof tapAnswer>;

/** One answer a tap, in the order of the batch. */
export const recorded = z.object({
  answers: z.array(tapAnswer),
  /** The sheet's place in its stream before and after; it only grows. */
  before: z.int(),
  stamp: z.int(),
  submittedAt: instant.nullable(),
});
export type Recorded = z.infer<typeof recorded>;

export const sheetMark = z.object({
  item: key,
  value,
  observation: z.enum(OBSERVATIONS),
  manner: z.enum(MANNERS),
  prompted: z.boolean(),
  attempt,
  /** The fault that made it, until a hand marks the item. */
  byFault: key.nullable(),
  at: z.number(),
});
export type SheetMark = z.infer<typeof sheetMark>;

export const clock = z.object({ running: z.boolean(), remaining: z.number(), since: instant });
export type Clock = z.infer<typeof clock>;

/** A safety stop that stands, known by the id of its tap. */
export const safetyEvent = z.object({
  id,
  at: instant,
  remaining: z.number(),
  note: z.string(),
});
export type SafetyEvent = z.infer<typeof safetyEvent>;

/** A submitted sheet put back into its examiner's hand by a lead. */
export const reopening = z.object({
  at: instant,
  by: z.string(),
  reason: z.string(),
  /** What the sheet had scored. */
  percent: z.number().nullable(),
});
export type Reopening = z.infer<typeof reopening>;
export const reopenSheet = z.object({ reason: text(1000, 10) });

/** What is on a sheet now: the projection of its events. */
export const sheetState = z.object({
  marks: z.array(sheetMark),
  faults: z.array(key),
  /** The variant seen of each procedure. */
  variants: z.record(key, key),
  comment: z.string(),
  rating: z.int().nullable(),
  clock: clock.nullable(),
  safety: z.array(safetyEvent),
  submittedAt: instant.nullable(),
});
export type SheetState = z.infer<typeof sheetState>;

export const sheet = z.object({
  id,
  stationId: id,
  station: z.string(),
  position: z.int(),
  minutes: z.int(),
  /** How many seconds before the end the clock warns; 0 for not at all. */
  warningSeconds: z.int(),
  examinationTitle: z.string(),
  candidateNumber: z.int(),
  examiner: z.string(),
  checklist: checklistVersion,
  state: sheetState,
  /** The newest, while the sheet is not submitted again. */
  reopened: reopening.nullable(),
  /** The place in the stream that `state` was read at. */
  stamp: z.int(),
  /** The taps that are in `state`, so that a device does not add one twice. */
  tapped: z.array(id),
});
export type Sheet = z.infer<typeof sheet>;

/**
 * One event as the record shows it to the lead: what was done and when, by the clock of the server,
 * on which device, when it arrived, and why it came too late to count where it did.
 */
export const sheetRecord = z.object({
  sheet,
  percent: z.number().nullable(),
  /** From the first to the newest. */
  reopenings: z.array(reopening),
  /** False where a decision knows the sheet, or it is not submitted. */
  reopenable: z.boolean(),
  events: z.array(
    z.object({
      id,
      account: z.string(),
      device: z.string(),
      sequence: z.int(),
      at: instant,
      clockAhead: z.int(),
      happenedAt: instant,
      receivedAt: instant,
      checklistVersion: z.int(),
      late: z.enum(['after-submission', 'other-version']).nullable(),
      body: eventBody,
    }),
  ),
});
export type SheetRecord = z.infer<typeof sheetRecord>;

export const ownStation = z.object({
  stationId: id,
  position: z.int(),
  title: z.string(),
  examinationTitle: z.string(),
  /** Two examinations can have one title; cohort and day tell them apart. */
  cohort: z.string(),
  heldOn: z.string(),
  procedureTitle: z.string(),
  minutes: z.int(),
  markingOpen: z.boolean(),
  /** False where the lead took this examiner off: what was begun can be finished, no more. */
  assigned: z.boolean(),
  briefingConfirmed: z.boolean(),
  /** The examination's, in which the times are read. */
  zone: z.string(),
  /** In the order of the timetable, or by number where none is published. */
  sheets: z.array(
    z.object({
      id,
      candidateNumber: z.int(),
      /** When the candidate comes, by the timetable. */
      due: instant.nullable(),
      startedAt: instant.nullable(),
      submittedAt: instant.nullable(),
      /** Why the lead put it back, until it is submitted again. */
      reopened: z.string().nullable(),
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
