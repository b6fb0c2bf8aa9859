import { z } from 'zod';
import { KINDS, REGIONS } from '@kritikos/catalogue/procedure';
import { DOMAINS } from '@kritikos/core/scoring/checklist';
import { draftContent } from './draftContent.ts';
import { id, instant, key, page, text } from './primitives.ts';
import { simulatedPatient } from './simulatedPatient.ts';

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

/** How a station behaved in the last examination in which it was marked. */
export const stationBehaviour = z.object({
  examination: z.string(),
  heldOn: z.string(),
  candidates: z.int(),
  /** The mean percent. */
  facility: z.number().nullable(),
  /** By borderline regression, in percent. */
  cut: z.number().nullable(),
  /** Candidates whom two examiners marked, and the share of their marks that agree. */
  pairs: z.int(),
  agreement: z.number().nullable(),
  /** Items on which two examiners did not agree. */
  disputed: z.int(),
});
export type StationBehaviour = z.infer<typeof stationBehaviour>;

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
  behaviour: stationBehaviour.nullable(),
  /** The draft that is open of it. */
  draftId: id.nullable(),
  madeAt: instant,
});
export type BankStation = z.infer<typeof bankStation>;

const percent = z.coerce.number().min(0).max(100);
export const BANK_ORDERS = ['title', 'used', 'facility', 'agreement', 'disputed'] as const;
/** What a station of the bank is looked for by. What is left out is not asked for. */
export const bankSearch = page.extend({
  words: z.string().trim().max(120).optional(),
  region: z.enum(REGIONS).optional(),
  kind: z.enum(KINDS).optional(),
  structure: z.string().trim().max(80).optional(),
  condition: key.optional(),
  /** At least a quarter of its weight is of this domain. */
  domain: z.enum(DOMAINS).optional(),
  mostMinutes: z.coerce.number().int().min(1).max(60).optional(),
  leastUses: z.coerce.number().int().min(0).max(1000).optional(),
  leastFacility: percent.optional(),
  mostFacility: percent.optional(),
  leastCut: percent.optional(),
  mostCut: percent.optional(),
  /** In percent of marks that agree. */
  mostAgreement: percent.optional(),
  leastDisputed: z.coerce.number().int().min(0).max(1000).optional(),
  retired: z.enum(['with', 'without']).default('without'),
  order: z.enum(BANK_ORDERS).default('title'),
});
export type BankSearch = z.infer<typeof bankSearch>;

export const bankPage = z.object({
  total: z.int(),
  stations: z.array(bankStation),
});
export type BankPage = z.infer<typeof bankPage>;

/** A station like another: of the bank, or as it was used in an examination. */
export const bankCopy = z.object({ bankVersionId: id, title: text(80) });
export type BankCopy = z.infer<typeof bankCopy>;
/** A station from a checklist file, which may be unfinished. */
export const bankFromFile = z.object({
  title: text(80),
  minutes: z.int().min(1).max(60),
  checklist: draftContent,
});
export type BankFromFile = z.infer<typeof bankFromFile>;
/** A station that was made, and the draft in which what it lacks can be written. */
export const bankMade = z.object({ station: bankStation, draftId: id.nullable() });
export type BankMade = z.infer<typeof bankMade>;

/** A station that is examined: one of the bank, or one made from a checklist, which joins the bank. */
export const newStation = z.union([
  z.object({
    bankVersionId: id,
    /** Where it stands; at the end unless said. */
    position: z.int().min(1).max(100).optional(),
  }),
  z.object({ title: text(80), minutes: z.int().min(1).max(60), checklistVersionId: id }),
]);
export type NewStation = z.infer<typeof newStation>;

export const stationOrder = z.object({
  stations: z
    .array(id)
    .min(1)
    .max(100)
    .refine((list) => new Set(list).size === list.length, 'names a station twice'),
});
