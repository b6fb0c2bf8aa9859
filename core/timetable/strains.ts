import type { OpenSlot } from './drawnSlots.ts';
import type { PlannedPatient, PlanningProblem } from './problem.ts';

/** How somebody has been used without a pause: at which joint last, and how often. */
interface Strain {
  readonly joint: string;
  readonly times: number;
  /** At whatever joint. */
  readonly inARow: number;
  readonly until: number;
}

/**
 * What one more slot asks of somebody who plays patients: nothing to speak of; to go on without the
 * pause that they are due, or at the joint that was stressed just now, which they agreed to bear so
 * often; or to bear it though nothing was agreed.
 */
export type Demand = 'easy' | 'bearable' | 'same joint again';
export const DEMANDS: readonly Demand[] = ['easy', 'bearable', 'same joint again'];

/** Keeps count of what simulated patients have borne. A round without a slot is a pause. */
export class Strains {
  private readonly last = new Map<string, Strain>();
  private readonly stations: ReadonlyMap<string, string | null>;
  private readonly pause: number;

  constructor({ stations, readingMinutes, changeMinutes }: PlanningProblem) {
    this.stations = new Map(stations.map(({ id, joint }) => [id, joint]));
    const shortest = Math.min(...stations.map(({ minutes }) => minutes));
    this.pause = shortest + readingMinutes + changeMinutes;
  }

  /** `null` where it is more than they agreed to. */
  demandOf(patient: PlannedPatient, slot: OpenSlot): Demand | null {
    const { times, inARow } = this.after(patient, slot);
    const { mostInARow } = patient;
    if (mostInARow !== null) {
      if (times > mostInARow) return null;
      return times === 1 && inARow <= mostInARow ? 'easy' : 'bearable';
    }
    const joint = this.stations.get(slot.station ?? '') ?? null;
    return times > 1 && joint !== null ? 'same joint again' : 'easy';
  }

  bear(patient: PlannedPatient, slot: OpenSlot): void {
    this.last.set(patient.id, this.after(patient, slot));
  }

  private after({ id }: PlannedPatient, { station, start, end }: OpenSlot): Strain {
    const joint = this.jointOf(station);
    const last = this.last.get(id);
    if (!last || start - last.until >= this.pause)
      return { joint, times: 1, inARow: 1, until: end };
    const times = last.joint === joint ? last.times + 1 : 1;
    return { joint, times, inARow: last.inARow + 1, until: end };
  }

  /** A station whose joint is not named counts as one of its own. */
  private jointOf(station: string | null): string {
    return this.stations.get(station ?? '') ?? `station ${station ?? ''}`;
  }
}
