/** A stretch of time, in minutes from any fixed instant. */
export interface Interval {
  readonly start: number;
  readonly end: number;
}

export interface PlannedStation {
  readonly id: string;
  readonly minutes: number;
  /** What is stressed at it; without one the station itself counts as such. */
  readonly joint: string | null;
}

export interface PlannedCandidate {
  readonly id: string;
  /** The share of reading and station time that this candidate gets more, for example .25. */
  readonly extraTime: number;
  /** Examiners who must not mark this candidate. */
  readonly conflicts: readonly string[];
  /** How they did before, in any unit; `null` where that is not known. */
  readonly ability: number | null;
}

export interface PlannedExaminer {
  readonly id: string;
  /** The stations that may be examined; `null` for all. */
  readonly stations: readonly string[] | null;
  /** `null` for always. */
  readonly available: readonly Interval[] | null;
}

export interface PlannedPatient {
  readonly id: string;
  readonly stations: readonly string[];
  /**
   * How often the same joint may be stressed before a pause. `null` where nothing was agreed: not
   * twice, unless there is nobody else.
   */
  readonly mostInARow: number | null;
  /** `null` for always. */
  readonly available: readonly Interval[] | null;
}

/** A pause for everybody in a circuit: so many minutes after so many rounds. */
export interface Breaks {
  readonly afterRounds: number;
  readonly minutes: number;
}

/** Who and what there is for an examination; all times in minutes. */
export interface PlanningProblem {
  readonly days: readonly Interval[];
  /** Before every station, outside its door. */
  readonly readingMinutes: number;
  /** After every station, to the next door. */
  readonly changeMinutes: number;
  /** Rests of every candidate. */
  readonly rests: number;
  /** `null` where a circuit runs through. */
  readonly breaks: Breaks | null;
  /** Copies of all stations that run side by side. */
  readonly circuits: number;
  readonly stations: readonly PlannedStation[];
  readonly candidates: readonly PlannedCandidate[];
  readonly examiners: readonly PlannedExaminer[];
  /** Empty where nobody plays a patient. */
  readonly patients: readonly PlannedPatient[];
  /** Sheets that a second examiner marks too. */
  readonly pairs: number;
}

/** One candidate at one station of one circuit, or resting there. */
export interface Slot extends Interval {
  readonly candidate: string;
  /** Day and circuit, from 0. */
  readonly day: number;
  readonly circuit: number;
  /** Whom the candidate goes round with: the waves of a circuit and day, from 0. */
  readonly wave: number;
  /** `null` for a rest. */
  readonly station: string | null;
  /** `null` at a rest, and where nobody was found (`unmet` says why). */
  readonly examiner: string | null;
  readonly second: string | null;
  readonly patient: string | null;
}

/** A wish that could not be met: of which kind, for whom, and why. */
export interface Unmet {
  readonly rule:
    | 'examiner'
    | 'conflict'
    | 'circuit'
    | 'simulated-patient'
    | 'same-joint'
    | 'double-marking'
    | 'clock';
  readonly who: string;
  readonly why: string;
}

export interface Plan {
  readonly slots: readonly Slot[];
  /** No plan is shorter: minutes summed over the days, from the first reading to the last end. */
  readonly bound: number;
  readonly length: number;
  readonly unmet: readonly Unmet[];
}

/** The longest station decides when the bell rings. */
export function longestMinutes(stations: readonly PlannedStation[]): number {
  return Math.max(...stations.map(({ minutes }) => minutes));
}

export function overlap(one: Interval, other: Interval): boolean {
  return one.start < other.end && other.start < one.end;
}

/** Whether somebody is there for the whole of a stretch. */
export function isAvailable(available: readonly Interval[] | null, whole: Interval): boolean {
  return (
    available === null ||
    available.some(({ start, end }) => start <= whole.start && end >= whole.end)
  );
}

export function mayExamine({ stations }: PlannedExaminer, station: string): boolean {
  return stations === null || stations.includes(station);
}
