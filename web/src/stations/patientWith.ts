import type { BankStation } from '@kritikos/contracts/stations';

type Patient = NonNullable<BankStation['patient']>;

/** What is changed of a patient; what is not so is taken out. */
export interface PatientParts {
  readonly condition?: string;
  readonly side?: Patient['side'];
  readonly degree?: number | null;
  readonly also?: string | null;
  readonly guards?: boolean;
  readonly loose?: boolean;
  readonly refrain?: boolean;
}

/** The patient with these parts. Another condition begins anew what is to be left undone. */
export function patientWith(before: Patient | null, parts: PatientParts): Patient {
  const { condition, side, degree, also, guards, loose, refrain } = {
    ...{ condition: '', side: 'left' as const, degree: null },
    ...before,
    ...(parts.condition === undefined ? {} : { refrain: false }),
    ...parts,
  };
  return {
    ...{ condition, side, degree },
    ...(also && also !== condition ? { also } : {}),
    ...(guards ? { guards } : {}),
    ...(loose ? { loose } : {}),
    ...(refrain ? { refrain } : {}),
  };
}
