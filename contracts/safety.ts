import { z } from 'zod';
import { id, instant, text } from './primitives.ts';

/** Whose doing a safety event was, as the lead found. */
export const LAID_TO = ['candidate', 'another cause'] as const;

/** What the lead found out about a safety event, and what was done about it. */
export const followUp = z.object({
  laidTo: z.enum(LAID_TO),
  text: text(1000, 10),
});
export type FollowUp = z.infer<typeof followUp>;

/** A safety stop that no examiner took back, known by the id of its tap. */
export const safetyOccurrence = z.object({
  id,
  sheetId: id,
  stationId: id,
  position: z.int(),
  station: z.string(),
  candidateId: id,
  candidateNumber: z.int(),
  examiner: z.string(),
  at: instant,
  /** Seconds left on the clock that it stopped. */
  remaining: z.number(),
  /** What the examiner wrote of it; '' where nothing. */
  note: z.string(),
  /** True where it arrived after the sheet was submitted. */
  late: z.boolean(),
  /** The newest; none while nobody has said what it was. */
  followUp: followUp.extend({ text: z.string(), by: z.string(), at: instant }).nullable(),
});
export type SafetyOccurrence = z.infer<typeof safetyOccurrence>;
