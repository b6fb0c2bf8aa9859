import type { ChecklistContent } from '@kritikos/catalogue/procedure';
import { CRITICALITIES, DOMAINS, OBSERVABILITIES } from '@kritikos/core/scoring/checklist';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { z } from 'zod';
import { id, instant, key, text } from './primitives.ts';

const itemBase = {
  key,
  text: text(160),
  domain: z.enum(DOMAINS),
  weight: z.number().positive().max(100),
  observability: z.enum(OBSERVABILITIES),
  criticality: z.enum(CRITICALITIES),
  criticalReason: text(160).optional(),
  safety: z.boolean(),
  saidEarns: z.boolean(),
  variants: z.array(key).min(1).optional(),
};
const finite = z.number().min(-10_000).max(10_000);

const doneItem = z.object({ ...itemBase, kind: z.literal('done') });
const gradedItem = z.object({
  ...itemBase,
  kind: z.literal('graded'),
  anchors: z.array(text(120)).min(3).max(6),
});
const measuredItem = z.object({
  ...itemBase,
  kind: z.literal('measured'),
  unit: text(12),
  lower: finite,
  upper: finite,
  fullTolerance: finite.nonnegative(),
  halfTolerance: finite.nonnegative(),
  step: finite.positive(),
  minimum: finite,
  maximum: finite,
});
const choiceItem = z.object({
  ...itemBase,
  kind: z.literal('choice'),
  options: z
    .array(z.object({ key, label: text(40), call: z.int().nullable() }))
    .min(2)
    .max(8),
  answer: key,
  partly: z.array(key).optional(),
});

export const checklistItem = z.discriminatedUnion('kind', [
  doneItem,
  gradedItem,
  measuredItem,
  choiceItem,
]) satisfies z.ZodType<ChecklistItem>;

/** A checklist as it is stored and frozen. Every reference inside it must lead somewhere. */
export const checklistContent = z
  .object({
    items: z.array(checklistItem).min(8).max(40),
    faults: z.array(
      z.object({ key, text: text(60), item: key, grade: z.int().nonnegative().max(5) }),
    ),
    variants: z.array(z.object({ key, label: text(40), description: text(240) })).min(1),
    usualVariant: key,
    simulatedPatient: text(900),
    task: text(400),
    cautions: z.array(text(240)).min(1),
    stopRule: text(240),
  })
  .superRefine((content, context) => {
    const complain = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path, message });
    const keys = content.items.map((item) => item.key);
    const variants = new Set(content.variants.map((v) => v.key));
    for (const [i, item] of content.items.entries()) {
      const at = ['items', i];
      if (keys.indexOf(item.key) !== i) complain([...at, 'key'], 'is used by another item too');
      for (const variant of item.variants ?? []) {
        if (!variants.has(variant)) complain([...at, 'variants'], `no variant named ${variant}`);
      }
      if (item.kind === 'choice' && !item.options.some((o) => o.key === item.answer)) {
        complain([...at, 'answer'], 'is not one of the options');
      }
      if (item.kind === 'measured') {
        if (item.lower > item.upper) complain([...at, 'lower'], 'lies above the upper limit');
        if (item.fullTolerance > item.halfTolerance) {
          complain([...at, 'halfTolerance'], 'is narrower than the full-mark tolerance');
        }
        if (item.minimum > item.lower || item.maximum < item.upper) {
          complain([...at, 'minimum'], 'the possible range must contain the band');
        }
      }
    }
    for (const [i, fault] of content.faults.entries()) {
      if (!keys.includes(fault.item)) complain(['faults', i, 'item'], 'is not an item');
    }
    if (!variants.has(content.usualVariant)) complain(['usualVariant'], 'is not a variant');
  }) satisfies z.ZodType<ChecklistContent>;

export const checklistVersion = z.object({
  id,
  checklistId: id,
  procedureId: key,
  title: z.string(),
  region: z.string(),
  version: z.int().positive(),
  frozenAt: instant.nullable(),
  content: checklistContent,
});
export type ChecklistVersion = z.infer<typeof checklistVersion>;

export const checklistSummary = z.object({
  checklistId: id,
  versionId: id,
  procedureId: key,
  title: z.string(),
  region: z.string(),
  version: z.int().positive(),
  items: z.int(),
  frozenAt: instant.nullable(),
});
export type ChecklistSummary = z.infer<typeof checklistSummary>;
