import type { ProcedureChecklist } from '@kritikos/catalogue/procedure';
import { CRITICALITIES, DOMAINS, OBSERVABILITIES } from '@kritikos/core/scoring/checklist';
import type { ChecklistContent, ChecklistItem, Scale } from '@kritikos/core/scoring/checklist';
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
const howMuch = z.number().min(0).max(3600);

const option = z.object({ key, label: text(40), call: z.int().nullable() });
const done = { kind: z.literal('done') };
const graded = { kind: z.literal('graded'), anchors: z.array(text(120)).min(3).max(6) };
const measured = {
  kind: z.literal('measured'),
  unit: text(12),
  lower: finite,
  upper: finite,
  fullTolerance: finite.nonnegative(),
  halfTolerance: finite.nonnegative(),
  step: finite.positive(),
  minimum: finite,
  maximum: finite,
};
const choice = {
  kind: z.literal('choice'),
  options: z.array(option).min(2).max(8),
  answer: key,
  partly: z.array(key).optional(),
};
const band = { lower: howMuch, upper: howMuch, halfTolerance: howMuch, maximum: howMuch };
const count = { kind: z.literal('count'), unit: text(20), ...band };
const hold = { kind: z.literal('hold'), ...band };

/** The scales on which one value can be marked. */
const scale = z.discriminatedUnion('kind', [
  z.object(done),
  z.object(graded),
  z.object(measured),
  z.object(count),
  z.object(hold),
  z.object(choice),
]) satisfies z.ZodType<Scale>;

const sides = { kind: z.literal('sides'), left: scale, right: scale };
const retest = {
  kind: z.literal('retest'),
  before: scale,
  after: scale,
  settings: z.array(text(60)).max(8),
};
const cluster = {
  kind: z.literal('cluster'),
  options: z
    .array(z.object({ key, label: text(60) }))
    .min(2)
    .max(12),
  needs: z.array(key),
  from: z.object({ atLeast: z.int().positive(), of: z.array(key).min(1) }).optional(),
  never: z.array(key).optional(),
};

const itemBefore = z.discriminatedUnion('kind', [
  z.object({ ...itemBase, ...done }),
  z.object({ ...itemBase, ...graded }),
  z.object({ ...itemBase, ...measured }),
  z.object({ ...itemBase, ...choice }),
]);
const itemNow = { ...itemBase, procedure: key.optional(), declared: z.boolean().optional() };
export const checklistItem = z.discriminatedUnion('kind', [
  z.object({ ...itemNow, ...done }),
  z.object({ ...itemNow, ...graded }),
  z.object({ ...itemNow, ...measured }),
  z.object({ ...itemNow, ...count }),
  z.object({ ...itemNow, ...hold }),
  z.object({ ...itemNow, ...choice }),
  z.object({ ...itemNow, ...sides }),
  z.object({ ...itemNow, ...retest }),
  z.object({ ...itemNow, ...cluster }),
]) satisfies z.ZodType<ChecklistItem>;

const variant = z.object({ key, label: text(40), description: text(240) });
const faults = z.array(
  z.object({ key, text: text(60), item: key, grade: z.int().nonnegative().max(5) }),
);
const around = {
  simulatedPatient: text(900),
  task: text(400),
  withheld: z
    .array(
      z.object({
        procedure: key,
        why: text(160),
        acts: z.array(text(160)).max(40),
        whole: z.literal(true).optional(),
      }),
    )
    .max(6)
    .optional(),
  cautions: z.array(text(240)).min(1),
  stopRule: text(240),
};

type Complain = (path: (string | number)[], message: string) => void;

/**
 * The checklist of one procedure, as the first version of the format wrote it and as the catalogue
 * does. Files of it are read for ever.
 */
export const procedureChecklist = z
  .object({
    items: z.array(itemBefore).min(8).max(40),
    faults,
    variants: z.array(variant).min(1),
    usualVariant: key,
    ...around,
  })
  .superRefine((content, context) => {
    const complain: Complain = (path, message) =>
      context.addIssue({ code: 'custom', path, message });
    const variants = new Set(content.variants.map((v) => v.key));
    checkItems(content.items, variants, complain);
    checkFaults(content, complain);
    if (!variants.has(content.usualVariant)) complain(['usualVariant'], 'is not a variant');
  }) satisfies z.ZodType<ProcedureChecklist>;

/**
 * A checklist of one or several procedures as it was stored and frozen, in the second version of the
 * format. Every reference inside it must lead somewhere.
 */
export const storedChecklist = z
  .object({
    format: z.literal(2),
    procedures: z
      .array(
        z.object({
          procedure: key,
          title: text(120),
          variants: z.array(variant).min(1),
          usualVariant: key,
        }),
      )
      .min(1)
      .max(6),
    items: z.array(checklistItem).min(4).max(40),
    faults,
    order: z.array(z.object({ earns: key, before: key })).max(40),
    branches: z
      .array(
        z.object({
          when: key,
          is: z.array(z.union([z.number(), key])).min(1),
          skips: z.array(key).min(1),
        }),
      )
      .max(40),
    attempts: z.object({ allowed: z.int().min(1).max(3), counts: z.enum(['last', 'best']) }),
    ...around,
  })
  .superRefine((content, context) => {
    const complain: Complain = (path, message) =>
      context.addIssue({ code: 'custom', path, message });
    const procedures = content.procedures.map((own) => own.procedure);
    const variants = content.procedures.flatMap((own) => own.variants.map((v) => v.key));
    for (const [i, own] of content.procedures.entries()) {
      if (procedures.indexOf(own.procedure) !== i) {
        complain(['procedures', i, 'procedure'], 'is here twice');
      }
      if (!own.variants.some((v) => v.key === own.usualVariant)) {
        complain(['procedures', i, 'usualVariant'], 'is not a variant of the procedure');
      }
    }
    const twice = variants.find((name, i) => variants.indexOf(name) !== i);
    if (twice) complain(['procedures'], `two variants have the key ${twice}`);
    checkItems(content.items, new Set(variants), complain);
    for (const [i, { procedure }] of content.items.entries()) {
      if (procedure !== undefined && !procedures.includes(procedure)) {
        complain(['items', i, 'procedure'], `no procedure named ${procedure}`);
      }
    }
    checkFaults(content, complain);
    checkRules(content, complain);
  }) satisfies z.ZodType<ChecklistContent>;

/** The same as it may be brought in and published from now on: every item can be earned. */
export const checklistContent = storedChecklist.superRefine(({ order }, context) => {
  for (const [i, { earns }] of order.entries()) {
    const circle = circleFrom(earns, order);
    if (!circle || circle.some((key) => order.findIndex((rule) => rule.earns === key) < i))
      continue;
    const message = `can never be kept: ${circle.join(' must come before ')} must come before ${earns}`;
    context.addIssue({ code: 'custom', path: ['order', i], message });
  }
});

/** Items that each earn only before the next, and the last only before the first. */
function circleFrom(first: string, order: ChecklistContent['order']): string[] | null {
  const search = (path: readonly string[]): string[] | null => {
    for (const { earns, before } of order) {
      if (earns !== path.at(-1) || earns === before) continue;
      if (before === first) return [...path];
      const found = path.includes(before) ? null : search([...path, before]);
      if (found) return found;
    }
    return null;
  };
  return search([first]);
}

/** A checklist in whichever version of the format it was written. */
export const writtenChecklist = z.union([checklistContent, procedureChecklist]);

function checkItems(
  items: readonly ChecklistItem[],
  variants: ReadonlySet<string>,
  complain: Complain,
): void {
  const keys = items.map((item) => item.key);
  for (const [i, item] of items.entries()) {
    const at = ['items', i];
    if (keys.indexOf(item.key) !== i) complain([...at, 'key'], 'is used by another item too');
    for (const name of item.variants ?? []) {
      if (!variants.has(name)) complain([...at, 'variants'], `no variant named ${name}`);
    }
    switch (item.kind) {
      case 'sides':
        checkPair(item.left, item.right, [...at, 'right'], complain);
        checkScale(item.left, [...at, 'left'], complain);
        checkScale(item.right, [...at, 'right'], complain);
        break;
      case 'retest':
        checkPair(item.before, item.after, [...at, 'after'], complain);
        checkScale(item.before, [...at, 'before'], complain);
        checkScale(item.after, [...at, 'after'], complain);
        break;
      case 'cluster': {
        const known = item.options.map((o) => o.key);
        const named = [...item.needs, ...(item.from?.of ?? []), ...(item.never ?? [])];
        const strange = named.find((name) => !known.includes(name));
        if (strange) complain([...at, 'needs'], `${strange} is not one of the options`);
        if (item.needs.length === 0 && !item.from) complain([...at, 'needs'], 'asks for nothing');
        if (item.from && item.from.atLeast > item.from.of.length) {
          complain([...at, 'from'], 'asks for more than there are');
        }
        break;
      }
      default:
        checkScale(item, at, complain);
    }
  }
}

function checkPair(one: Scale, other: Scale, at: (string | number)[], complain: Complain): void {
  if (one.kind !== other.kind) complain([...at, 'kind'], 'is another kind than its counterpart');
}

function checkScale(on: Scale, at: (string | number)[], complain: Complain): void {
  if (on.kind === 'choice' && !on.options.some((o) => o.key === on.answer)) {
    complain([...at, 'answer'], 'is not one of the options');
  }
  if (on.kind !== 'measured' && on.kind !== 'count' && on.kind !== 'hold') return;
  if (on.lower > on.upper) complain([...at, 'lower'], 'lies above the upper limit');
  if (on.kind === 'measured') {
    if (on.fullTolerance > on.halfTolerance) {
      complain([...at, 'halfTolerance'], 'is narrower than the full-mark tolerance');
    }
    if (on.minimum > on.lower || on.maximum < on.upper) {
      complain([...at, 'minimum'], 'the possible range must contain the band');
    }
  } else if (on.maximum < on.upper) {
    complain([...at, 'maximum'], 'the possible range must contain the band');
  }
}

function checkFaults(
  content: Pick<ChecklistContent, 'items' | 'faults'>,
  complain: Complain,
): void {
  for (const [i, fault] of content.faults.entries()) {
    if (!content.items.some((item) => item.key === fault.item)) {
      complain(['faults', i, 'item'], 'is not an item');
    }
  }
}

function checkRules(content: ChecklistContent, complain: Complain): void {
  const keys = new Set(content.items.map((item) => item.key));
  const refuseStrange = (path: (string | number)[], names: readonly string[]) => {
    for (const name of names) if (!keys.has(name)) complain(path, `no item named ${name}`);
  };
  for (const [i, { earns, before }] of content.order.entries()) {
    refuseStrange(['order', i], [earns, before]);
    if (earns === before) complain(['order', i], 'an item cannot come before itself');
  }
  for (const [i, { when, skips }] of content.branches.entries()) {
    refuseStrange(['branches', i], [when, ...skips]);
    if (skips.includes(when)) complain(['branches', i, 'skips'], 'an item cannot skip itself');
  }
}

export const checklistVersion = z.object({
  id,
  checklistId: id,
  procedureId: key,
  title: z.string(),
  region: z.string(),
  version: z.int().positive(),
  frozenAt: instant.nullable(),
  content: storedChecklist,
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
