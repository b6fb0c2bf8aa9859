import type { BankStation } from '@kritikos/contracts/stations';

type Patient = BankStation['patient'];

/** The simulated patient as the columns of a bank station's version say it. */
export interface PatientColumns {
  readonly condition: string | null;
  readonly side: 'left' | 'right' | null;
  readonly degree: number | null;
  readonly also: string | null;
  readonly guards: boolean;
  readonly loose: boolean;
  readonly refrain: boolean;
}

/** The columns, of the version under this name in a query. */
export function patientIn(version: string): string {
  return COLUMNS.map((column) => `${version}.${column}`).join(', ');
}
const COLUMNS = ['condition', 'side', 'degree', 'also', 'guards', 'loose', 'refrain'] as const;

/** Parts the columns of the patient from the rest of a row. */
export function withPatient<Row extends PatientColumns>(
  row: Row,
): Omit<Row, keyof PatientColumns> & { readonly patient: Patient } {
  const { condition, side, degree, also, guards, loose, refrain, ...rest } = row;
  return { ...rest, patient: patientOf({ condition, side, degree, also, guards, loose, refrain }) };
}

function patientOf(columns: PatientColumns): Patient {
  const { condition, side, degree, also, guards, loose, refrain } = columns;
  if (condition === null || side === null) return null;
  return {
    condition,
    side,
    degree,
    ...(also === null ? {} : { also }),
    ...(guards ? { guards } : {}),
    ...(loose ? { loose } : {}),
    ...(refrain ? { refrain } : {}),
  };
}

export function columnsOf(patient: Patient): PatientColumns {
  return {
    condition: patient?.condition ?? null,
    side: patient?.side ?? null,
    degree: patient?.degree ?? null,
    also: patient?.also ?? null,
    guards: patient?.guards ?? false,
    loose: patient?.loose ?? false,
    refrain: patient?.refrain ?? false,
  };
}
