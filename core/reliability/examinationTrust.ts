import { dStudy, dependabilityAtCut } from './dStudy.ts';
import type { DStudy } from './dStudy.ts';
import type { Factor } from './factor.ts';
import { crossed } from './generalizability.ts';
import { internalConsistency } from './internalConsistency.ts';
import type { InternalConsistency } from './internalConsistency.ts';
import { sampleOf } from '../numerics/sampleOf.ts';
import { varianceComponents } from './varianceComponents.ts';

/** The score of one sheet, in percent: whose, at which station. Several sheets may be of one pair. */
export interface SheetScorePoint {
  readonly candidate: number;
  readonly station: number;
  readonly percent: number;
}

/** Where differences between sheets come from, as shares of their variance that sum to 1. */
export interface VarianceShare {
  readonly source: 'candidate' | 'station' | 'candidate:station' | 'examiner' | 'rest';
  readonly variance: number;
  readonly share: number;
}

export interface ExaminationTrust {
  /** Alpha of the candidates' scores over the stations, with Feldt's interval. */
  readonly alpha: InternalConsistency['alpha'];
  readonly candidates: number;
  readonly stations: number;
  readonly shares: readonly VarianceShare[];
  /** What the examination is worth as it was held, one examiner a station. */
  readonly held: DStudy | null;
  /** How sure the side of the cut is; `null` without a cut. */
  readonly atCut: number | null;
  /** What other numbers of stations and examiners would be worth. */
  readonly designs: readonly DStudy[];
  /** Why something is not known. */
  readonly notes: readonly string[];
}

const MOST_CANDIDATES = 1000;

/**
 * How far an examination can be trusted, from the scores of its sheets.
 *
 * Model: score = mean + candidate + station + candidate:station + rest, all random, by REML
 * (`varianceComponents`); the rest is what two examiners of one performance differ by. Where no
 * performance was seen by two, candidate:station and examiner cannot be told apart and are one
 * share, the rest; nothing is then said of second examiners. From the components the D study
 * (Brennan 2001) says what a mean over so many stations with so many examiners each is worth.
 *
 * `stations` is how many there were; those at which nobody has a score are counted in a note and in
 * nothing else. Beyond 1,000 candidates so many are drawn (`sampleOf`), and a note says so.
 * Worked value: without error every share but the candidates' and the stations' is 0, and the
 * dependability of many stations goes to 1.
 */
export function examinationTrust(
  points: readonly SheetScorePoint[],
  { stations: all, cut = null }: { stations: number; cut?: number | null },
): ExaminationTrust {
  const notes: string[] = [];
  const marked = [...new Set(points.map((point) => point.station))];
  const stations = marked.length;
  if (stations < all) {
    notes.push(
      `Nobody has a score at ${all - stations} of the ${all} stations; the figures are of the others.`,
    );
  }
  const place = new Map(marked.map((station, i) => [station, i]));
  const used = thinned(
    points.map((point) => ({ ...point, station: place.get(point.station) ?? -1 })),
    notes,
  );
  const candidates = [...new Set(used.map((point) => point.candidate))];
  const { alpha } = internalConsistency(rowsOf(used, candidates, stations));
  const nothing = { alpha, candidates: candidates.length, stations, shares: [], designs: [] };
  if (stations < 2) {
    notes.push('One station alone does not tell candidates from what happened at that station.');
    return { ...nothing, held: null, atCut: null, notes };
  }
  if (candidates.length < 3) {
    notes.push('Fewer than three candidates have a score.');
    return { ...nothing, held: null, atCut: null, notes };
  }
  const alike = alwaysAlike(used);
  const twice = seenTwice(used);
  if (!twice) {
    notes.push(
      'No performance was marked by two examiners, so that an examiner’s part cannot be told from how a candidate gets on with a station.',
    );
  }
  let components: Record<string, number>;
  try {
    components = fit(alike ?? used, candidates, twice && !alike);
    if (alike) {
      // What two examiners differ by is nothing, and all that is left is candidate with station.
      const { residual = 0, ...rest } = components;
      components = { ...rest, 'candidate:station': residual, residual: 0 };
      notes.push('Examiners who saw the same performance always gave the same score.');
    }
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    notes.push(`The parts cannot be told apart: ${error.message}`);
    return { ...nothing, held: null, atCut: null, notes };
  }
  const total = Object.values(components).reduce((sum, x) => sum + x, 0);
  if (total === 0) {
    notes.push('All scores are the same, so that there is nothing to tell apart.');
    return { ...nothing, held: null, atCut: null, notes };
  }
  const sizes = (n: number, examiners: number): Record<string, number> =>
    twice ? { station: n, examiner: examiners } : { station: n };
  const mean = used.reduce((sum, point) => sum + point.percent, 0) / used.length;
  return {
    ...nothing,
    shares: Object.entries(components).map(([name, variance]) => ({
      source: sourceOf(name, twice),
      variance,
      share: variance / total,
    })),
    held: dStudy(components, sizes(stations, 1)),
    atCut:
      cut === null
        ? null
        : dependabilityAtCut(components, sizes(stations, 1), {
            mean,
            cut,
            candidates: candidates.length,
          }),
    designs: [...new Set([4, 6, 8, 10, 12, 16, stations])]
      .sort((a, b) => a - b)
      .flatMap((n) =>
        (twice ? [1, 2] : [1]).map((examiners) => dStudy(components, sizes(n, examiners))),
      ),
    notes,
  };
}

function sourceOf(name: string, twice: boolean): VarianceShare['source'] {
  if (name === 'residual') return twice ? 'examiner' : 'rest';
  return name as VarianceShare['source'];
}

/** The components under the names by which a D study knows them. */
function fit(
  points: readonly SheetScorePoint[],
  candidates: readonly number[],
  twice: boolean,
): Record<string, number> {
  const place = new Map(candidates.map((candidate, i) => [candidate, i]));
  const stations = [...new Set(points.map((point) => point.station))];
  const factor = (name: string, levels: number, of: (p: SheetScorePoint) => number): Factor => ({
    name,
    levels,
    level: Int32Array.from(points, of),
  });
  const candidate = factor('candidate', candidates.length, (p) => place.get(p.candidate) ?? 0);
  const station = factor('station', stations.length, (p) => stations.indexOf(p.station));
  const both = twice ? [crossed([candidate, station])] : [];
  const marks = Float64Array.from(points, (point) => point.percent);
  const { components, residual } = varianceComponents(marks, [candidate, station, ...both]);
  return { ...components, residual };
}

/** One sheet of each performance, where those of one performance never differ; `null` where they do. */
function alwaysAlike(points: readonly SheetScorePoint[]): SheetScorePoint[] | null {
  const first = new Map<string, SheetScorePoint>();
  for (const point of points) {
    const key = `${point.candidate}:${point.station}`;
    const known = first.get(key);
    if (!known) first.set(key, point);
    else if (Math.abs(known.percent - point.percent) > 1e-9) return null;
  }
  return first.size < points.length ? [...first.values()] : null;
}

function seenTwice(points: readonly SheetScorePoint[]): boolean {
  const seen = new Set<string>();
  return points.some(({ candidate, station }) => {
    const key = `${candidate}:${station}`;
    if (seen.has(key)) return true;
    seen.add(key);
    return false;
  });
}

function thinned(points: readonly SheetScorePoint[], notes: string[]): readonly SheetScorePoint[] {
  const all = [...new Set(points.map((point) => point.candidate))].sort((a, b) => a - b);
  if (all.length <= MOST_CANDIDATES) return points;
  const kept = new Set(sampleOf(all, MOST_CANDIDATES));
  notes.push(`${kept.size} of the ${all.length} candidates were drawn.`);
  return points.filter((point) => kept.has(point.candidate));
}

/** Mean scores in rows, a column a station; `null` where a candidate has none. */
function rowsOf(
  points: readonly SheetScorePoint[],
  candidates: readonly number[],
  stations: number,
): (number | null)[][] {
  const place = new Map(candidates.map((candidate, i) => [candidate, i]));
  const sums = candidates.map(() => Array.from({ length: stations }, () => [0, 0]));
  for (const { candidate, station, percent } of points) {
    const cell = sums[place.get(candidate) ?? -1]?.[station];
    if (!cell) continue;
    cell[0] = (cell[0] ?? 0) + percent;
    cell[1] = (cell[1] ?? 0) + 1;
  }
  return sums.map((row) => row.map(([sum = 0, n = 0]) => (n === 0 ? null : sum / n)));
}
