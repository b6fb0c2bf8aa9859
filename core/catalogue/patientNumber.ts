import type { Lesion, State } from './lesion.ts';

/** A number that is read off the patient: what it is in health, and what each degree makes of it. */
export interface PatientNumber {
  /** The measured item that asks for it. */
  readonly item: string;
  readonly healthy: number;
  /** How far off a right reading of the instrument may be, for full and for half marks. */
  readonly tolerance: number;
  readonly half: number;
  readonly by: readonly {
    readonly structure: string;
    readonly state: State;
    /** At the first, second and third degree. */
    readonly values: readonly [number, number, number];
  }[];
}

/**
 * What the number is on the affected side of a patient with these lesions: the value of the lesion
 * that takes it farthest from health.
 * Worked value: a gap of 12 cm in health that a rupture of degree 2 makes 2 cm is 2.
 */
export function numberOf({ healthy, by }: PatientNumber, lesions: readonly Lesion[]): number {
  let value = healthy;
  for (const { structure, state, values } of by) {
    for (const lesion of lesions) {
      if (lesion.structure !== structure || lesion.state !== state) continue;
      const own = values[lesion.degree - 1] as number;
      if (Math.abs(own - healthy) > Math.abs(value - healthy)) value = own;
    }
  }
  return value;
}
