import type { ScoredSheet } from './performance.ts';

/** Where candidates pass: the cut and the standard error of measurement, of the mean in percent. */
export interface Border {
  readonly cut: number | null;
  readonly sem: number | null;
  readonly candidates: number;
  readonly stations: number;
}

/** Candidates by what their outcome hangs on. */
export interface Dependence {
  /** Within a standard error of measurement of the cut. */
  readonly borderline: number;
  /** Those of them whom another examiner at every station would have put on the other side. */
  readonly byExaminer: number;
  /** Those whom another circuit would have; `null` with one circuit. */
  readonly byCircuit: number | null;
}

/**
 * How many of the borderline candidates stand where they stand by whom they met: an examiner of no
 * severity at every station, or those of another circuit, would have put them on the other side.
 */
export function dependence(
  scored: readonly ScoredSheet[],
  severity: Float64Array,
  { cut, sem, candidates, stations: n }: Border,
): Dependence {
  const circuits = [...new Set(scored.map(({ circuit }) => circuit))];
  const nothing = { borderline: 0, byExaminer: 0, byCircuit: circuits.length > 1 ? 0 : null };
  if (cut === null || sem === null) return nothing;
  // Means over the sheets of a candidate at a station, and of a station in a circuit.
  const score = new Means(candidates * n);
  const own = new Means(candidates * n);
  const there = new Means(circuits.length * n);
  const circuitOf = new Int32Array(candidates).fill(-1);
  for (const { candidate, station, examiner, circuit, percent } of scored) {
    const harsh = severity[examiner] as number;
    score.add(candidate * n + station, percent);
    own.add(candidate * n + station, harsh);
    const stands = circuits.indexOf(circuit);
    there.add(stands * n + station, harsh);
    circuitOf[candidate] = stands;
  }
  const passes = (total: number) => total >= cut;
  let [borderline, byExaminer, byCircuit] = [0, 0, 0];
  for (const [candidate, circuit] of circuitOf.entries()) {
    const total = score.over(candidate * n, n);
    const met = own.over(candidate * n, n);
    if (total === null || met === null || Math.abs(total - cut) > sem) continue;
    borderline++;
    const elsewhere = (severe: number) => passes(total + met - severe) !== passes(total);
    if (elsewhere(0)) byExaminer++;
    const others = circuits.map((_, c) => (c === circuit ? null : there.over(c * n, n)));
    if (others.some((severe) => severe !== null && elsewhere(severe))) byCircuit++;
  }
  return { borderline, byExaminer, byCircuit: circuits.length > 1 ? byCircuit : null };
}

/** Means by place, and over a row of places that all have one. */
class Means {
  private readonly sums: Float64Array;
  private readonly counts: Int32Array;

  constructor(places: number) {
    this.sums = new Float64Array(places);
    this.counts = new Int32Array(places);
  }

  add(place: number, value: number): void {
    this.sums[place] = (this.sums[place] as number) + value;
    this.counts[place] = (this.counts[place] as number) + 1;
  }

  over(from: number, length: number): number | null {
    let sum = 0;
    for (let place = from; place < from + length; place++) {
      const count = this.counts[place] as number;
      if (count === 0) return null;
      sum += (this.sums[place] as number) / count;
    }
    return sum / length;
  }
}
