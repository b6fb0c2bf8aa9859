import type {
  ChecklistContent,
  ChecklistItem,
  Fault,
  ProcedureVariants,
} from '@kritikos/core/scoring/checklist';
import type { ProcedureChecklist } from './procedure.ts';
import { isOfRefraining } from './refraining.ts';

/** A procedure with its checklist, as a station takes it up. */
export interface ExaminedProcedure {
  readonly id: string;
  readonly title: string;
  readonly checklist: ProcedureChecklist;
}

/** A checklist of one procedure as the present format says it. */
export function liftChecklist({ id, title, checklist }: ExaminedProcedure): ChecklistContent {
  const { variants, usualVariant, items, faults, ...around } = checklist;
  return {
    format: 2,
    procedures: [{ procedure: id, title, variants, usualVariant }],
    items,
    faults,
    order: [],
    branches: [],
    attempts: { allowed: 1, counts: 'last' },
    ...around,
  };
}

/**
 * One checklist for a station of several procedures. What every procedure asks for in the same
 * words (hand hygiene, consent) is asked for once; the other items, faults and variants carry the
 * name of their procedure in their key where two would have the same.
 *
 * `keeps` shortens it: where it is given for a procedure, of that one only the items named are
 * asked, so that the whole still fits one screen and the minutes of the station.
 */
export function stationChecklist(
  procedures: readonly ExaminedProcedure[],
  keeps: Readonly<Record<string, readonly string[]>> = {},
): ChecklistContent {
  const [first, ...others] = procedures.map((own) => shortened(own, keeps[own.id]));
  if (!first) throw new RangeError('A station needs a procedure.');
  return others.map(liftChecklist).reduce(together, liftChecklist(first));
}

function shortened(own: ExaminedProcedure, kept: readonly string[] | undefined): ExaminedProcedure {
  if (!kept) return own;
  const { items, faults } = own.checklist;
  // What refraining earns by is of the patient, not of the choice what to ask.
  const stays = (key: string) => kept.includes(key) || isOfRefraining(key);
  return {
    ...own,
    checklist: {
      ...own.checklist,
      items: items.filter((item) => stays(item.key)),
      faults: faults.filter((fault) => stays(fault.item)),
    },
  };
}

function together(whole: ChecklistContent, next: ChecklistContent): ChecklistContent {
  const [own] = next.procedures as [ProcedureVariants];
  const variantName = renaming(
    whole.procedures.flatMap((p) => p.variants.map((v) => v.key)),
    own.procedure,
  );
  const asked = next.items.filter((item) => !whole.items.some((before) => sameAct(before, item)));
  const itemName = renaming(
    whole.items.map((item) => item.key),
    own.procedure,
  );
  const faultName = renaming(
    whole.faults.map((fault) => fault.key),
    own.procedure,
  );
  const items = asked.map((item): ChecklistItem => ({
    ...item,
    key: itemName(item.key),
    procedure: own.procedure,
    ...(item.variants ? { variants: item.variants.map(variantName) } : {}),
  }));
  const faults = next.faults
    .filter((fault) => asked.some((item) => item.key === fault.item))
    .map((fault): Fault => ({ ...fault, key: faultName(fault.key), item: itemName(fault.item) }));
  const withheld = [...(whole.withheld ?? []), ...(next.withheld ?? [])];
  return {
    ...whole,
    ...(withheld.length > 0 ? { withheld } : {}),
    procedures: [
      ...whole.procedures,
      {
        ...own,
        variants: own.variants.map((v) => ({ ...v, key: variantName(v.key) })),
        usualVariant: variantName(own.usualVariant),
      },
    ],
    items: [...whole.items, ...items],
    faults: [...whole.faults, ...faults],
    simulatedPatient: `${whole.simulatedPatient} ${next.simulatedPatient}`.slice(0, 900),
    task: `${whole.task} Then: ${next.task}`.slice(0, 400),
    cautions: [...new Set([...whole.cautions, ...next.cautions])],
    stopRule: whole.stopRule === next.stopRule ? whole.stopRule : longer(whole, next),
  };
}

/** The same act in the same words, of the same kind, asked whatever the variant. */
function sameAct(one: ChecklistItem, other: ChecklistItem): boolean {
  const always = one.variants === undefined && other.variants === undefined;
  return always && one.key === other.key && one.kind === other.kind && one.text === other.text;
}

/** Leaves a key as it is, unless it is taken; then the procedure goes before it. */
function renaming(taken: readonly string[], procedure: string): (key: string) => string {
  return (key) => (taken.includes(key) ? `${procedure}-${key}`.slice(0, 60) : key);
}

/** Both stop rules where they fit; otherwise the first, and the second among the cautions says the rest. */
function longer(whole: ChecklistContent, next: ChecklistContent): string {
  const both = `${whole.stopRule} ${next.stopRule}`;
  return both.length <= 240 ? both : whole.stopRule;
}
