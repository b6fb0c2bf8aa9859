import { respond } from '@kritikos/core/catalogue/response';
import { patientHas } from './chosenPatient.ts';
import type { ChosenPatient } from './chosenPatient.ts';
import { conditionsFor, CONDITIONS, NOTHING_WRONG } from './conditions.ts';
import type { Condition } from './conditions.ts';
import type { Procedure } from './procedure.ts';

/** Patients for a station, by what its procedures can show of them. */
export interface PatientsFor {
  /** Who shows something under one of them. */
  readonly telling: readonly Condition[];
  /** A sound one, and those of the region who look alike and show nothing. */
  readonly silent: readonly Condition[];
  /** On whom one of them must not be done. */
  readonly forbidden: readonly Condition[];
  /** Of other regions: nothing to see here. */
  readonly others: readonly Condition[];
}

/** Whom a station of these procedures can be set with, fitting ones first. */
export function patientsFor(procedures: readonly Procedure[]): PatientsFor {
  const each = procedures.map(conditionsFor);
  const isForbidden = ({ lesions }: Condition) =>
    procedures.some((procedure) => respond(procedure, lesions).refrain !== null);
  const forbidden = CONDITIONS.filter(isForbidden);
  const telling = CONDITIONS.filter(
    (own) => !forbidden.includes(own) && each.some((one) => one.telling.includes(own)),
  );
  const silent = CONDITIONS.filter(
    (own) =>
      !forbidden.includes(own) &&
      !telling.includes(own) &&
      (own === NOTHING_WRONG || each.some((one) => one.silent.includes(own))),
  );
  const placed = new Set([...forbidden, ...telling, ...silent]);
  return { forbidden, telling, silent, others: CONDITIONS.filter((own) => !placed.has(own)) };
}

/** What whoever chooses a patient should know of the choice. */
export interface ChoiceOfPatient {
  /** The procedures that must not be done on this patient, each with its reason. */
  readonly forbids: readonly { readonly procedure: Procedure; readonly why: string }[];
  /** Those that cannot be set up on this patient: their key is void. */
  readonly cannot: readonly { readonly procedure: Procedure; readonly why: string }[];
  /** Something is wrong with this patient that none of the procedures shows. */
  readonly showsNothing: boolean;
}

/** `null` where the catalogue does not know the condition, as one that came with a file may be. */
export function choiceOfPatient(
  procedures: readonly Procedure[],
  chosen: Omit<ChosenPatient, 'side'>,
): ChoiceOfPatient | null {
  const named = [chosen.condition, ...(chosen.also === undefined ? [] : [chosen.also])];
  if (named.some((id) => !CONDITIONS.some((own) => own.id === id))) return null;
  const { lesions } = patientHas(chosen);
  const answers = procedures.map((procedure) => ({
    procedure,
    response: respond(procedure, lesions),
  }));
  const said = answers.some(
    ({ response: { shown, refrain, voidStages, ...response } }) =>
      shown.length > 0 || refrain !== null || response.void !== null || voidStages.length > 0,
  );
  return {
    forbids: answers.flatMap(({ procedure, response: { refrain } }) =>
      refrain ? [{ procedure, why: refrain.why }] : [],
    ),
    cannot: answers.flatMap(({ procedure, response }) =>
      response.void !== null && response.refrain === null
        ? [{ procedure, why: response.void }]
        : [],
    ),
    showsNothing: procedures.length > 0 && lesions.length > 0 && !said,
  };
}
