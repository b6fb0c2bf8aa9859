import { z } from 'zod';
import { id, instant, key, text } from './primitives.ts';

/** What the simulated patient has; the key of the checklist and the script follow from it. */
export const simulatedPatient = z.object({
  condition: key,
  side: z.enum(['left', 'right']),
  /** How far, where it is to be another degree than the condition says: 1 to 3. */
  degree: z.int().min(1).max(3).nullable(),
});

/** A station as it can be used again: procedures, patient, minutes, what it needs. */
export const newBankStation = z.object({
  title: text(80),
  procedures: z
    .array(
      z.object({
        procedure: key,
        /** Where the whole would not fit: the items of this procedure that are asked. */
        keeps: z.array(key).optional(),
      }),
    )
    .min(1)
    .max(6)
    .refine(
      (list) => new Set(list.map((own) => own.procedure)).size === list.length,
      'names a procedure twice',
    ),
  /** Without one the patient is the one that the catalogue describes. */
  patient: simulatedPatient.nullable(),
  minutes: z.int().min(1).max(60),
  equipment: z.array(text(60)).max(20).default([]),
});
export type NewBankStation = z.infer<typeof newBankStation>;

export const bankStation = z.object({
  id,
  versionId: id,
  version: z.int(),
  title: z.string(),
  task: z.string(),
  procedures: z.array(z.string()),
  region: z.string(),
  patient: simulatedPatient.nullable(),
  minutes: z.int(),
  equipment: z.array(z.string()),
  checklistVersionId: id,
  items: z.int(),
  retired: z.boolean(),
  /** In how many examinations a version of it has been used, and on which day the last time. */
  uses: z.int(),
  lastUsed: z.string().nullable(),
  madeAt: instant,
});
export type BankStation = z.infer<typeof bankStation>;

/** A station that is examined: one of the bank, or one made from a checklist, which joins the bank. */
export const newStation = z.union([
  z.object({ bankVersionId: id }),
  z.object({ title: text(80), minutes: z.int().min(1).max(60), checklistVersionId: id }),
]);
export type NewStation = z.infer<typeof newStation>;
