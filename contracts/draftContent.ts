import type { DraftContent, DraftItem, DraftScale } from '@kritikos/core/checklists/draftChecklist';
import { CRITICALITIES, DOMAINS, OBSERVABILITIES } from '@kritikos/core/scoring/checklist';
import { z } from 'zod';
import { key, textAsTyped } from './primitives.ts';

// A checklist while it is written: what a published one must have may be missing, and texts may be
// too long until somebody shortens them. Nothing may be in it that a published one has no place for.

export const words = (longest: number) => textAsTyped(2 * longest);
const typedNumber = z.number().min(-10_000).max(10_000).nullable();

const option = z.object({ key, label: words(40), call: z.int().nullable() });
const answer = z.union([key, z.literal('')]);

const done = { kind: z.literal('done') };
const graded = { kind: z.literal('graded'), anchors: z.array(words(120)).max(6) };
const measured = {
  kind: z.literal('measured'),
  unit: words(12),
  lower: typedNumber,
  upper: typedNumber,
  fullTolerance: typedNumber,
  halfTolerance: typedNumber,
  step: typedNumber,
  minimum: typedNumber,
  maximum: typedNumber,
};
const band = {
  lower: typedNumber,
  upper: typedNumber,
  halfTolerance: typedNumber,
  maximum: typedNumber,
};
const count = { kind: z.literal('count'), unit: words(20), ...band };
const hold = { kind: z.literal('hold'), ...band };
const choice = {
  kind: z.literal('choice'),
  options: z.array(option).max(8),
  answer,
  partly: z.array(key).max(8).optional(),
};

const scale = z.discriminatedUnion('kind', [
  z.object(done),
  z.object(graded),
  z.object(measured),
  z.object(count),
  z.object(hold),
  z.object(choice),
]) satisfies z.ZodType<DraftScale>;

const sides = { kind: z.literal('sides'), left: scale, right: scale };
const retest = {
  kind: z.literal('retest'),
  before: scale,
  after: scale,
  settings: z.array(words(60)).max(8),
};
const cluster = {
  kind: z.literal('cluster'),
  options: z.array(z.object({ key, label: words(60) })).max(12),
  needs: z.array(key).max(12),
  from: z.object({ atLeast: z.int().positive().max(12), of: z.array(key).max(12) }).optional(),
  never: z.array(key).max(12).optional(),
};

const itemBase = {
  key,
  text: words(160),
  domain: z.enum(DOMAINS),
  weight: z.number().min(0).max(1000).nullable(),
  observability: z.enum(OBSERVABILITIES),
  criticality: z.enum(CRITICALITIES),
  criticalReason: words(160).optional(),
  safety: z.boolean(),
  saidEarns: z.boolean(),
  variants: z.array(key).max(20).optional(),
  procedure: key.optional(),
  declared: z.boolean().optional(),
};
export const draftItem = z.discriminatedUnion('kind', [
  z.object({ ...itemBase, ...done }),
  z.object({ ...itemBase, ...graded }),
  z.object({ ...itemBase, ...measured }),
  z.object({ ...itemBase, ...count }),
  z.object({ ...itemBase, ...hold }),
  z.object({ ...itemBase, ...choice }),
  z.object({ ...itemBase, ...sides }),
  z.object({ ...itemBase, ...retest }),
  z.object({ ...itemBase, ...cluster }),
]) satisfies z.ZodType<DraftItem>;

const variant = z.object({ key, label: words(40), description: words(240) });

/** What stands around the items, part by part. */
export const around = {
  procedures: z
    .array(
      z.object({
        procedure: key,
        title: words(120),
        variants: z.array(variant).min(1).max(20),
        usualVariant: key,
      }),
    )
    .min(1)
    .max(6),
  faults: z
    .array(z.object({ key, text: words(60), item: key, grade: z.int().nonnegative().max(5) }))
    .max(60),
  order: z.array(z.object({ earns: key, before: key })).max(40),
  branches: z
    .array(
      z.object({
        when: key,
        is: z.array(z.union([z.number(), key])).max(12),
        skips: z.array(key).max(40),
      }),
    )
    .max(40),
  withheld: z
    .array(
      z.object({
        procedure: key,
        why: words(160),
        acts: z.array(words(160)).max(40),
        whole: z.literal(true).optional(),
      }),
    )
    .max(6)
    .optional(),
  attempts: z.object({ allowed: z.int().min(1).max(3), counts: z.enum(['last', 'best']) }),
  simulatedPatient: words(900),
  task: words(400),
  cautions: z.array(words(240)).max(40),
  stopRule: words(240),
};

/** A whole draft. What is not said of a checklist that comes from a file is empty. */
export const draftContent = z.object({
  ...around,
  format: z.literal(2).default(2),
  items: z.array(draftItem).max(80),
  faults: around.faults.default([]),
  order: around.order.default([]),
  branches: around.branches.default([]),
  attempts: around.attempts.default({ allowed: 1, counts: 'last' }),
  simulatedPatient: around.simulatedPatient.default(''),
  task: around.task.default(''),
  cautions: around.cautions.default([]),
  stopRule: around.stopRule.default(''),
}) satisfies z.ZodType<DraftContent>;
