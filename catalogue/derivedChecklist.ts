import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import { CONDITIONS } from './conditions.ts';
import { checklistFor } from './define.ts';
import type { KnownProcedures } from './known.ts';
import { stationChecklist } from './stationChecklist.ts';
import type { ExaminedProcedure } from './stationChecklist.ts';

/** What a simulated patient has: a condition of the catalogue, on a side, perhaps to another degree. */
export interface ChosenPatient {
  readonly condition: string;
  readonly side: 'left' | 'right';
  /** 1 to 3; `null` is as the condition says. */
  readonly degree: number | null;
}

/** A procedure of a station, and where the whole would not fit, the items that are asked of it. */
export interface ChosenProcedure {
  readonly procedure: string;
  readonly keeps?: readonly string[] | undefined;
}

/** What was chosen and nobody knows. */
export class NotKnown extends RangeError {
  constructor(
    readonly what: 'procedure' | 'condition',
    readonly id: string,
  ) {
    super(`There is no ${what} "${id}".`);
  }
}

/**
 * The checklist of a station: what its procedures ask, with the key of its patient. Without a
 * patient it is the one that its procedure describes.
 *
 * Throws `NotKnown` for a procedure or condition that is not known.
 */
export function derivedChecklist(
  procedures: readonly ChosenProcedure[],
  patient: ChosenPatient | null,
  known: KnownProcedures,
): ChecklistContent {
  const examined = procedures.map(({ procedure }) => keyed(known, procedure, patient));
  const keeps = Object.fromEntries(
    procedures.flatMap(({ procedure, keeps: kept }) => (kept ? [[procedure, kept]] : [])),
  );
  return stationChecklist(examined, keeps);
}

function keyed(
  known: KnownProcedures,
  id: string,
  patient: ChosenPatient | null,
): ExaminedProcedure {
  const procedure = known.find(id);
  if (!procedure) throw new NotKnown('procedure', id);
  const title = procedure.names[0] ?? procedure.title;
  if (patient === null) return { id, title, checklist: procedure.checklist };
  const condition = CONDITIONS.find((known) => known.id === patient.condition);
  if (!condition) throw new NotKnown('condition', patient.condition);
  const { degree, side } = patient;
  const lesions = condition.lesions.map((lesion) =>
    degree === null ? lesion : { ...lesion, degree: degree as typeof lesion.degree },
  );
  return { id, title, checklist: checklistFor(procedure, { ...condition, lesions }, side) };
}
