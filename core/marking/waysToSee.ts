import type { ChecklistContent, ProcedureVariants } from '../scoring/checklist.ts';

/** The procedures whose way of being done can be seen: not those of which this patient forbids all. */
export function waysToSee({
  procedures,
  withheld = [],
}: Pick<ChecklistContent, 'procedures' | 'withheld'>): readonly ProcedureVariants[] {
  const undone = withheld.filter(({ whole }) => whole).map(({ procedure }) => procedure);
  return procedures.filter(({ procedure }) => !undone.includes(procedure));
}
