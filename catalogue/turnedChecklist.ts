import type { DraftContent, DraftItem } from '@kritikos/core/checklists/draftChecklist';
import type { ChecklistContent, ChecklistItem } from '@kritikos/core/scoring/checklist';
import type { ChosenPatient } from './chosenPatient.ts';
import { derivedChecklist } from './derivedChecklist.ts';
import type { KnownProcedures } from './known.ts';
import { isOfRefraining } from './refraining.ts';

type MayWithhold = Pick<ChecklistContent, 'withheld'>;

/** Whether a checklist withholds what this patient's own does, and nothing else. */
export function withholdsTheSame(own: MayWithhold, ofPatient: MayWithhold): boolean {
  const by = ({ withheld = [] }: MayWithhold) =>
    withheld.map(({ procedure, why }) => `${procedure} ${why}`).join('\n');
  return by(own) === by(ofPatient);
}

/**
 * A checklist under somebody's hand, turned to a patient on whom something must not be done, or back
 * to one on whom it may be. What must not be done goes, with its faults and rules, and what
 * refraining earns by comes; the other way round what was withheld comes back in the catalogue's
 * words. What was written otherwise stays as it was written, in its order.
 *
 * Throws what `derivedChecklist` throws. Procedures that nobody knows any more are left alone.
 */
export function turnedChecklist(
  draft: DraftContent,
  patient: ChosenPatient | null,
  known: KnownProcedures,
): DraftContent {
  const asked = draft.procedures.filter(({ procedure }) => known.find(procedure));
  const usual = derivedChecklist(asked, null, known);
  const ofPatient = derivedChecklist(asked, patient, known);
  const forbidden = forbiddenIn(usual, ofPatient);
  const kept = draft.items.filter(({ key }) => !isOfRefraining(key) && !forbidden.has(key));
  const back = new Set((draft.withheld ?? []).flatMap(({ acts }) => acts));
  const comes = ({ key, text }: ChecklistItem) => isOfRefraining(key) || back.has(text);
  const items = withComing(kept, ofPatient.items, comes);

  const stands = (key: string) => has(items, key);
  const faults = [
    ...ofPatient.faults.filter(({ item }) => stands(item) && !has(kept, item)),
    ...draft.faults.filter(({ item }) => has(kept, item)),
  ];
  const branches = draft.branches
    .map((own) => ({ ...own, skips: own.skips.filter(stands) }))
    .filter(({ when, skips }) => stands(when) && skips.length > 0);
  return {
    ...draft,
    withheld: ofPatient.withheld,
    items,
    faults,
    branches,
    order: draft.order.filter(({ earns, before }) => stands(earns) && stands(before)),
    simulatedPatient: ofPatient.simulatedPatient,
  };
}

/**
 * The keys of what must not be done. They are told by procedure and words: at a station of several
 * procedures a key may be another one where what had it first is not asked any more.
 */
function forbiddenIn(usual: ChecklistContent, ofPatient: ChecklistContent): ReadonlySet<string> {
  const [first] = usual.procedures;
  const acts = new Set(
    (ofPatient.withheld ?? []).flatMap((own) => own.acts.map((act) => `${own.procedure} ${act}`)),
  );
  const asked = ({ key, text }: ChecklistItem) =>
    ofPatient.items.some((own) => own.key === key && own.text === text);
  return new Set(
    usual.items
      .filter((item) => acts.has(`${item.procedure ?? first?.procedure} ${item.text}`))
      .filter((item) => !asked(item))
      .map(({ key }) => key),
  );
}

/** Puts each item that comes behind the one that it follows in the catalogue's order. */
function withComing(
  kept: readonly DraftItem[],
  all: readonly ChecklistItem[],
  comes: (item: ChecklistItem) => boolean,
): readonly DraftItem[] {
  const items = [...kept];
  for (const [i, item] of all.entries()) {
    if (has(items, item.key) || !comes(item)) continue;
    const before = all.slice(0, i).findLast(({ key }) => has(items, key));
    items.splice(items.findIndex(({ key }) => key === before?.key) + 1, 0, item);
  }
  return items;
}

function has(items: readonly { readonly key: string }[], wanted: string): boolean {
  return items.some(({ key }) => key === wanted);
}
