import type { CriticalCount } from '../scoring/criticalItems.ts';
import type { StationRecord } from './setStandard.ts';

/**
 * The marks of a station in columns, a place for each candidate of a list that is kept beside them:
 * ten thousand candidates travel in a quarter of the letters that as many records take.
 */
export interface MarkColumns {
  /** Mean over the submitted sheets of the candidate at this place; `null` where there is none. */
  readonly percents: readonly (number | null)[];
  readonly grades: readonly (number | null)[];
  /** The few places where a critical item was missed, or observed by nobody. */
  readonly critical: readonly {
    readonly place: number;
    readonly counts: readonly CriticalCount[];
  }[];
}

/**
 * The same as records, one for each candidate who has something at the station.
 * Worked value: candidates a, b, percents 60, null, grades 3, null give one record, of a.
 * Throws a RangeError where the columns are not as long as the list.
 */
export function recordsOf(
  { percents, grades, critical }: MarkColumns,
  candidates: readonly string[],
): StationRecord[] {
  if (percents.length !== candidates.length || grades.length !== candidates.length) {
    throw new RangeError(
      `${candidates.length} candidates have ${percents.length} scores and ${grades.length} grades.`,
    );
  }
  const counts = new Map(critical.map((one) => [one.place, one.counts]));
  return candidates.flatMap((candidate, place): StationRecord[] => {
    const [percent, grade] = [percents[place] ?? null, grades[place] ?? null];
    const own = counts.get(place) ?? [];
    if (percent === null && grade === null && own.length === 0) return [];
    return [{ candidate, percent, grade, critical: own }];
  });
}
