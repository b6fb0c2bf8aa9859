import { DETAILS } from '@kritikos/core/examinations/heldDetails';
import { z } from 'zod';
import { candidateState } from './people.ts';
import { day, id, instant, key, text } from './primitives.ts';

/** A city or region as the IANA zone database names it. */
const zone = z.string().max(60).refine(isZone, 'must be a time zone such as Europe/Lisbon');

/** What an examination says of itself; its cohort by name. */
export const examinationDetails = z.object({
  title: text(120),
  school: text(120),
  cohort: text(60),
  heldOn: day,
  zone,
});

/** A cohort that there is; by name that of the day’s year, which is made where there is none. */
export const cohortChoice = z.union([text(60), z.object({ id })]);
export type CohortChoice = z.infer<typeof cohortChoice>;

export const newExamination = examinationDetails.extend({ cohort: cohortChoice });
export type NewExamination = z.infer<typeof newExamination>;

export const PHASES = ['prepare', 'calibrate', 'mark', 'agree', 'standard', 'report'] as const;
export type Phase = (typeof PHASES)[number];

/** How far one phase of the cycle has come: `done` of `of`, and what that counts. */
export const phaseProgress = z.object({
  phase: z.enum(PHASES),
  done: z.int(),
  of: z.int(),
  unit: z.string(),
});
export type PhaseProgress = z.infer<typeof phaseProgress>;

export const stationExaminer = z.object({
  accountId: id,
  name: z.string(),
  /** The first examiner marks every candidate, a second one every n-th. */
  every: z.int().positive(),
  /** The circuit whose candidates are marked; `null` is all of them. */
  circuit: z.string().nullable(),
  /** How many sheets are planned for them here. */
  sheets: z.int(),
});

export const station = z.object({
  id,
  position: z.int().positive(),
  title: z.string(),
  minutes: z.int().positive(),
  /** The version of the bank that it was made from. */
  bankVersionId: id,
  checklistVersionId: id,
  procedureId: z.string(),
  procedureTitle: z.string(),
  region: z.string(),
  version: z.int(),
  items: z.int(),
  frozenAt: instant.nullable(),
  examiners: z.array(stationExaminer),
  /** A corrected version from the catalogue, for a station that nobody has marked at. */
  offered: z.object({ versionId: id, version: z.int() }).nullable(),
  /** Numbers read on the person who plays the patient, by the key of their item. */
  patientReadings: z.record(key, z.number()),
  /** The items whose number is read off the patient, with the derived one. */
  readable: z.array(
    z.object({ item: key, text: z.string(), unit: z.string(), derived: z.string() }),
  ),
});
export type Station = z.infer<typeof station>;

export const examinationSummary = z.object({
  id,
  title: z.string(),
  school: z.string(),
  cohort: z.string(),
  cohortId: id,
  heldOn: day,
  zone: z.string(),
  /** Made by mistake: it stands among those that count no more. */
  putAway: z.boolean(),
  candidates: z.int(),
  stations: z.int(),
  sheets: z.int(),
  submitted: z.int(),
});
export type ExaminationSummary = z.infer<typeof examinationSummary>;

export const examination = examinationSummary.extend({
  /** When marking was first opened; from then on the stations stay as they are. */
  markingOpenedAt: instant.nullable(),
  /** False before marking opens and during a break. */
  markingOpen: z.boolean(),
  /** How many seconds before the end a station's clock warns; 0 for not at all. */
  warningSeconds: z.int(),
  /** The circuits that candidates are dealt over. */
  circuits: z.array(z.string()),
  progress: z.array(phaseProgress),
  /** Which of its details can be changed no more, and why. */
  held: z.partialRecord(z.enum(DETAILS), z.string()),
  /** Whether nothing is in it that would be lost with it. */
  deletable: z.boolean(),
  stationList: z.array(station),
});
export type Examination = z.infer<typeof examination>;

export const examinationPutAway = z.object({ putAway: z.boolean() });

export const stationReadings = z.object({
  readings: z.record(key, z.number().min(-10_000).max(10_000)),
});
export type StationReadings = z.infer<typeof stationReadings>;

export const countdownWarning = z.object({ seconds: z.int().min(0).max(600) });
export type CountdownWarning = z.infer<typeof countdownWarning>;

export const stationChange = z.object({ checklistVersionId: id });

export const stationExaminers = z.object({
  examiners: z
    .array(
      z.object({
        accountId: id,
        every: z.int().min(1).max(100),
        circuit: text(40).nullable().default(null),
      }),
    )
    .max(6)
    .refine(
      (list) => new Set(list.map((e) => e.accountId)).size === list.length,
      'names an examiner twice',
    ),
});
export type StationExaminers = z.infer<typeof stationExaminers>;

export const candidate = z.object({
  id,
  number: z.int(),
  name: z.string(),
  circuit: z.string(),
  studentNumber: z.string(),
  state: candidateState,
  stateSince: instant.nullable(),
  stateReason: z.string().nullable(),
});
export type Candidate = z.infer<typeof candidate>;

/** One cell of an import that cannot be taken, as the spreadsheet shows it: row 1 is the header. */
export const cellError = z.object({ row: z.int(), column: z.string(), detail: z.string() });
export type CellError = z.infer<typeof cellError>;

export const importPreview = z.object({
  rows: z.array(
    z.object({
      number: z.int(),
      name: z.string(),
      circuit: z.string(),
      /** The student’s own number, where the list names it. */
      student: z.string().nullable(),
    }),
  ),
  errors: z.array(cellError),
});
export type ImportPreview = z.infer<typeof importPreview>;

export const candidatePage = z.object({ total: z.int(), candidates: z.array(candidate) });
export type CandidatePage = z.infer<typeof candidatePage>;

/** The plan as it is in the database, and what planning changed. */
export const planned = z.object({
  sheets: z.int(),
  doubleMarked: z.int(),
  added: z.int(),
  removed: z.int(),
  /** Sheets with marks on them that the plan no longer wants; they stay. */
  unplanned: z.int(),
});
export type Planned = z.infer<typeof planned>;

function isZone(name: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: name }).format() !== '';
  } catch {
    return false;
  }
}
