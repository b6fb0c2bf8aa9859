import { connectedSets } from '../reliability/connectedness.ts';

export interface StationExaminers {
  readonly station: number;
  readonly circuit: number;
  /** Marks every candidate of the circuit at the station. */
  readonly examiner: number;
}

export interface DoubleMark {
  readonly candidate: number;
  readonly station: number;
  readonly first: number;
  readonly second: number;
}

export interface DoubleMarkingPlan {
  readonly pairs: readonly DoubleMark[];
  /** Sheets double-marked, as a share of all. */
  readonly share: number;
  /** 1 where all examiners can be compared through common candidates; more where they fall apart. */
  readonly connectedSets: number;
  readonly notes: readonly string[];
}

/**
 * Who is watched by a second examiner: about `share` of every station's candidates, spread evenly,
 * the second examiners taking turns over stations and circuits, so that everybody is connected to
 * everybody through candidates whom both have marked (the condition for comparing severities).
 *
 * `conflicts` hold pairs `examiner:candidate` that must not meet. A second examiner is never the
 * first one of the same sheet. Throws `RangeError` for a share outside [0, 1].
 * Worked value: 2 circuits of 1 station, 12 candidates each, one second examiner, share 1/3:
 * 8 pairs, all three examiners connected.
 */
export function planDoubleMarking(
  candidatesOf: readonly (readonly number[])[],
  stations: readonly StationExaminers[],
  seconds: readonly number[],
  share: number,
  conflicts: ReadonlySet<string> = new Set(),
): DoubleMarkingPlan {
  if (!(share >= 0 && share <= 1)) throw new RangeError('The share must lie between 0 and 1.');
  const pairs: DoubleMark[] = [];
  let sheets = 0;
  let skipped = 0;
  for (const [turn, { station, circuit, examiner }] of stations.entries()) {
    const candidates = candidatesOf[circuit] ?? [];
    sheets += candidates.length;
    const wanted = Math.round(share * candidates.length);
    for (let k = 0; k < wanted; k++) {
      // Evenly over the circuit, every station starting one later, so that not always the same are watched.
      const at = (Math.floor((k * candidates.length) / wanted) + turn) % candidates.length;
      const candidate = candidates[at] as number;
      const allowed = seconds.filter(
        (second) => second !== examiner && !conflicts.has(`${second}:${candidate}`),
      );
      const second = allowed[(turn + k) % Math.max(1, allowed.length)];
      if (second === undefined) skipped++;
      else pairs.push({ candidate, station, first: examiner, second });
    }
  }
  const sets = countSets(candidatesOf, stations, pairs);
  const notes: string[] = [];
  if (skipped > 0)
    notes.push(`${skipped} pairs were left out: no second examiner without a conflict.`);
  if (sets > 1) {
    notes.push(
      `The examiners fall apart into ${sets} groups without a common candidate; let a second examiner serve more than one circuit.`,
    );
  }
  return { pairs, share: sheets === 0 ? 0 : pairs.length / sheets, connectedSets: sets, notes };
}

function countSets(
  candidatesOf: readonly (readonly number[])[],
  stations: readonly StationExaminers[],
  pairs: readonly DoubleMark[],
): number {
  const meetings = [
    ...stations.flatMap(({ circuit, examiner }) =>
      (candidatesOf[circuit] ?? []).map((candidate) => [candidate, examiner] as const),
    ),
    ...pairs.map(({ candidate, second }) => [candidate, second] as const),
  ];
  const codesOf = (values: readonly number[]) => {
    const known = new Map([...new Set(values)].map((value, code) => [value, code]));
    return {
      levels: known.size,
      level: Int32Array.from(values, (value) => known.get(value) as number),
    };
  };
  return connectedSets([
    { name: 'candidate', ...codesOf(meetings.map(([candidate]) => candidate)) },
    { name: 'examiner', ...codesOf(meetings.map(([, examiner]) => examiner)) },
  ]).length;
}
