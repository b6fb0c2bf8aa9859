import { BLUEPRINT_COLUMNS } from '@kritikos/core/examinations/blueprint';
import { DOMAINS } from '@kritikos/core/scoring/checklist';
import { z } from 'zod';
import { cohortChoice } from './examinations.ts';
import { day, id, key, text } from './primitives.ts';
import { simulatedPatient } from './simulatedPatient.ts';

/** What the rows of a blueprint are. */
export const BLUEPRINT_ROWS = ['region', 'kind', 'structure'] as const;
export type BlueprintRows = (typeof BLUEPRINT_ROWS)[number];

/** Per cent of the examination that is wanted in a cell. */
const wantedRow = z.partialRecord(z.enum(BLUEPRINT_COLUMNS), z.number().min(0).max(100));
const wantedCells = z.record(text(80), wantedRow);
export const wantedWeights = z.object({
  region: wantedCells,
  kind: wantedCells,
  structure: wantedCells,
});
export type WantedByRows = z.infer<typeof wantedWeights>;

/** An item as the blueprint weighs it. */
const weighedItem = z.object({
  key,
  text: z.string(),
  domain: z.enum(DOMAINS),
  weight: z.number(),
  safety: z.boolean(),
  procedure: key.optional(),
});

export const blueprintStation = z.object({
  id,
  position: z.int(),
  title: z.string(),
  minutes: z.int(),
  procedures: z.array(z.string()),
  patient: simulatedPatient.nullable(),
  equipment: z.array(z.string()),
  items: z.array(weighedItem),
  bankStationId: id,
  bankVersion: z.int(),
  /** What the bank has by now: a newer version, or the station retired. */
  newest: z.object({ versionId: id, version: z.int() }).nullable(),
  retired: z.boolean(),
  checklistTitle: z.string(),
});
export type BlueprintStationRead = z.infer<typeof blueprintStation>;

export const blueprint = z.object({
  wanted: wantedWeights,
  circuits: z.int(),
  /** The examination that this one was copied from. */
  follows: z.object({ id, title: z.string(), heldOn: z.string() }).nullable(),
  stations: z.array(blueprintStation),
});
export type Blueprint = z.infer<typeof blueprint>;

/** An examination like an earlier one, for another cohort. */
export const nextExamination = z.object({
  title: text(120),
  cohort: cohortChoice,
  heldOn: day,
});
export type NextExamination = z.infer<typeof nextExamination>;
