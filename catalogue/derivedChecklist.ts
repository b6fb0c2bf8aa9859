import { respond } from '@kritikos/core/catalogue/response';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import { patientHas } from './chosenPatient.ts';
import type { ChosenPatient } from './chosenPatient.ts';
import { checklistFor } from './define.ts';
import type { KnownProcedures } from './known.ts';
import { NotKnown } from './notKnown.ts';
import { stationChecklist } from './stationChecklist.ts';
import type { ExaminedProcedure } from './stationChecklist.ts';

/** A procedure of a station, and where the whole would not fit, the items that are asked of it. */
export interface ChosenProcedure {
  readonly procedure: string;
  readonly keeps?: readonly string[] | undefined;
}

/** A patient on whom a procedure must not be done, at a station that is not made for refraining. */
export class MustNotBeDone extends RangeError {
  constructor(
    readonly procedure: string,
    readonly title: string,
    readonly why: string,
  ) {
    super(`${title} must not be done on this patient: ${why}`);
  }
}

/** A station made for refraining whose patient may be tested. */
export class NothingForbidden extends RangeError {
  constructor() {
    super('Nothing at this station is forbidden on this patient.');
  }
}

/**
 * The checklist of a station: what its procedures ask, with the key of its patient. Without a
 * patient it is the one that its procedure describes.
 *
 * Throws `NotKnown` for a procedure or condition that is not known, `MustNotBeDone` where a patient
 * may not be tested and the station is not made for that, `NothingForbidden` where it is made for it
 * in vain.
 */
export function derivedChecklist(
  procedures: readonly ChosenProcedure[],
  patient: ChosenPatient | null,
  known: KnownProcedures,
): ChecklistContent {
  const examined = procedures.map(({ procedure }) => keyed(known, procedure, patient));
  if (patient?.refrain && examined.every(({ checklist }) => !checklist.withheld)) {
    throw new NothingForbidden();
  }
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
  const has = patientHas(patient);
  const forbidden = respond(procedure, has.lesions).refrain;
  if (forbidden && !patient.refrain) throw new MustNotBeDone(id, title, forbidden.why);
  return { id, title, checklist: checklistFor(procedure, has, patient.side) };
}
