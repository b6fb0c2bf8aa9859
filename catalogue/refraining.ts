import type { RefrainRule } from '@kritikos/core/catalogue/response';
import type { ChecklistItem, Fault } from '@kritikos/core/scoring/checklist';
import { critical, interpret, perform } from './items.ts';
import type { Procedure, ProcedureChecklist } from './procedure.ts';

/** The items by which a candidate earns what a patient asks for who must not be tested. */
const REFRAINS = 'refrains';
const SAYS_WHY = 'refrains-why';
const SAYS_WHAT_INSTEAD = 'refrains-instead';

/**
 * Whether an item is one of those by which refraining earns; at a station of several procedures the
 * name of its own may stand before its key.
 */
export function isOfRefraining(item: string): boolean {
  return [REFRAINS, SAYS_WHY, SAYS_WHAT_INSTEAD].some(
    (own) => item === own || item.endsWith(`-${own}`),
  );
}

/**
 * The checklist of a patient on whom it must not be done. Leaving it undone, saying why and what is
 * done instead earn, and doing it all the same fails the station. What would have been done is not
 * asked for, so that it counts neither in the score nor in the agreement; preparation is asked as
 * ever. Where only a stage is forbidden, only the items that the rule names are left out.
 */
export function refraining(
  { id, names, title }: Pick<Procedure, 'id' | 'names' | 'title'>,
  checklist: ProcedureChecklist,
  rule: RefrainRule,
): ProcedureChecklist {
  const name = names[0] ?? title;
  const { items, faults } = checklist;
  const isForbidden = (item: ChecklistItem) => rule.items?.includes(item.key) ?? wouldBeDone(item);
  const stays = items.filter((item) => !isForbidden(item));
  const allTheSame: Fault = {
    key: 'does-it-all-the-same',
    text: 'Does it all the same',
    item: REFRAINS,
    grade: 0,
  };
  return {
    ...checklist,
    items: [
      ...stays,
      perform.done(REFRAINS, rule.leaves ?? `Leaves undone: ${name}`, critical(rule.why)),
      interpret.done(SAYS_WHY, `Says why not: ${name}`, { weight: 2 }),
      interpret.done(SAYS_WHAT_INSTEAD, `Says what is done instead of: ${name}`, { weight: 2 }),
    ],
    faults: [allTheSame, ...faults.filter(({ item }) => stays.some(({ key }) => key === item))],
    withheld: [
      {
        procedure: id,
        why: rule.why,
        acts: items.filter(isForbidden).map(({ text }) => text),
        ...(rule.items ? {} : { whole: true }),
      },
    ],
  };
}

/** What hands would do, trying it out first too, and what could only be said after it. */
function wouldBeDone({ domain, observability, key }: ChecklistItem): boolean {
  if (domain === 'communication') return false;
  return domain !== 'preparation' || (observability !== 'spoken' && key !== 'hand-hygiene');
}
