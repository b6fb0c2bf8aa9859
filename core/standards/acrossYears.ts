import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import type { Estimate } from '../numerics/estimate.ts';
import { intervalAround, undefinedEstimate } from '../numerics/estimate.ts';
import { GENERATOR, seededChance } from '../numerics/random.ts';
import type { Chance, RandomGenerator } from '../numerics/random.ts';
import { standardDeviation } from '../numerics/summary.ts';
import { equateMoments } from './equating.ts';
import type { CohortMoments } from './equating.ts';

/** The scores of one sitting: a row a candidate, a column a station, in percent. */
export interface Sitting {
  readonly rows: readonly (readonly (number | null)[])[];
  /** The columns of the stations that the other sitting had too, in the same order as there. */
  readonly anchors: readonly number[];
}

/** Fewer common stations than this cannot tell a change of one of them from one of the cohort. */
export const FEWEST_ANCHORS = 3;

/** Why the interval of the paper's figure falls short by chained linear equating (room `years` of `npm run coverage`). */
export const LEANS =
  'Linear equating leans a little: some of what sets the cohorts apart it takes for the paper, so that with 100 candidates a sitting its interval for the paper holds in 88 to 93 of 100 cases.';

export interface AnchorDrift {
  /** The place of the anchor in both lists. */
  readonly anchor: number;
  /** By how much it changed beyond what the other anchors changed, in percent points. */
  readonly drift: Estimate;
  /** True where the drift is beyond what chance brings in 1 of 100 such comparisons of all anchors. */
  readonly beyondError: boolean;
}

export interface YearsApart {
  /** How much better this year's cohort is than the last, in percent points on the common stations. */
  readonly cohort: Estimate;
  /** How much easier this year's paper is for candidates of the same ability, in percent points. */
  readonly paper: Estimate;
  readonly method: 'mean' | 'linear';
  readonly drifts: readonly AnchorDrift[];
  /** The anchors that the two figures rest on; those that drifted are left out where enough remain. */
  readonly used: readonly number[];
}

export interface YearsOptions {
  readonly method?: 'mean' | 'linear';
  readonly resamples?: number;
  readonly seed?: number;
  readonly generator?: RandomGenerator;
}

/**
 * Tells a better cohort from an easier paper, through the stations that two sittings had in common.
 *
 * Equating is that of `equate` (chained, common-station design; Kolen & Brennan 2014, chapter 4); a
 * cohort's anchor score is the mean over the common stations, its total the mean over all. Errors
 * are bootstrapped: the candidates of each sitting are drawn anew by themselves (Kolen & Brennan
 * 2014, chapter 7). The interval is Student's t with the degrees of both sittings, and
 * the error of a mean of n drawn from n is made larger by root n / (n - 1): percentiles of so few
 * candidates are too narrow. Candidates who lack a station are left out
 * (listwise); `n` counts the others.
 *
 * First each anchor is held against the others: its change less their mean change. One that is
 * beyond its error (Student's t, 1 % shared among the anchors) is no common yardstick any more and is left out,
 * the furthest first and as long as three remain; a real anchor that only looks so costs precision,
 * one that is kept by mistake would be taken for ability.
 * Chained linear equating stretches the cohorts' difference by the observed spreads, in which a few
 * anchors have more noise than the whole paper; so the paper's figure leans towards the cohorts', and
 * a note says how its interval holds. Mean equating does not lean.
 * Undefined, with the reason, where fewer than three anchors or three candidates a sitting are left.
 * Worked value: anchors that all rise by 5 and a paper that rises by 10 give a cohort 5 better and a
 * paper 5 easier.
 */
export function yearsApart(
  thisYear: Sitting,
  lastYear: Sitting,
  { method = 'linear', resamples = 1000, seed = 1, generator = GENERATOR }: YearsOptions = {},
): YearsApart {
  const [now, then] = [complete(thisYear), complete(lastYear)];
  const n = now.length + then.length;
  const anchors = thisYear.anchors.map((_, i) => i);
  const refused = (reason: string): YearsApart => {
    const nothing = undefinedEstimate(named(method), n, reason);
    return { cohort: nothing, paper: nothing, method, drifts: [], used: [] };
  };
  if (anchors.length !== lastYear.anchors.length) {
    throw new RangeError('Two sittings have as many common stations as each other.');
  }
  if (anchors.length < FEWEST_ANCHORS) {
    return refused(
      `${counted(anchors.length)} in common: too few to tell a better cohort from an easier paper. Three or more are needed.`,
    );
  }
  if (now.length < 3 || then.length < 3) {
    return refused('A sitting has fewer than three candidates with a score at every station.');
  }
  const draws = resampled(now, then, resamples, seededChance(seed, generator));
  let used = anchors;
  for (;;) {
    const worst = driftsOf(draws, used)
      .filter((one) => one.beyondError)
      .sort((a, b) => Math.abs(b.drift.estimate ?? 0) - Math.abs(a.drift.estimate ?? 0))[0];
    if (!worst || used.length === FEWEST_ANCHORS) break;
    used = used.filter((anchor) => anchor !== worst.anchor);
  }
  const own = ({ now: a, then: b }: Draw) =>
    equateMoments(cohortOf(a, used), cohortOf(b, used), method);
  const note = used.length < anchors.length ? [leftOut(anchors.length - used.length)] : [];
  const figure = (of: 'cohortDifference' | 'paperDifference', more: readonly string[]): Estimate =>
    bootstrapped(draws, (draw) => own(draw)?.[of] ?? null, {
      method: named(method),
      note: [...note, ...more],
    });
  return {
    cohort: figure('cohortDifference', []),
    paper: figure('paperDifference', method === 'linear' ? [LEANS] : []),
    method,
    drifts: anchors.map((anchor) => driftOf(draws, anchor, used, anchors.length)),
    used,
  };
}

function named(method: 'mean' | 'linear'): string {
  return `${method} equating over common stations; bootstrap of candidates`;
}

function counted(anchors: number): string {
  if (anchors === 0) return 'No station is';
  return anchors === 1 ? 'One station is' : `${anchors} stations are`;
}

function leftOut(n: number): string {
  return n === 1
    ? 'One common station changed beyond its error and is left out.'
    : `${n} common stations changed beyond their error and are left out.`;
}

/** A candidate with every score: the mean over all stations, then each common station. */
type Complete = readonly [total: number, ...anchors: number[]];

function complete({ rows, anchors }: Sitting): Complete[] {
  return rows.flatMap((row): Complete[] => {
    const scores = row.filter((score) => score !== null);
    if (scores.length < row.length || row.length === 0) return [];
    const total = scores.reduce((sum, score) => sum + score, 0) / scores.length;
    return [[total, ...anchors.map((at) => row[at] ?? NaN)]];
  });
}

/** Means and sums of products about them, of the total and of each anchor: all that is ever asked. */
interface Moments {
  readonly n: number;
  readonly means: readonly number[];
  /** `products[i][j]`, divided by n - 1. */
  readonly covariances: readonly (readonly number[])[];
}

interface Draw {
  readonly now: Moments;
  readonly then: Moments;
}

/** The sittings as they are, and then with their candidates drawn anew so many times. */
function resampled(
  now: readonly Complete[],
  then: readonly Complete[],
  resamples: number,
  chance: Chance,
): Draw[] {
  const again = (from: readonly Complete[]) => {
    const places = new Int32Array(from.length);
    chance.fill(places, from.length);
    return momentsOf(from, places);
  };
  const asTheyAre = (from: readonly Complete[]) => momentsOf(from, from.keys());
  return [
    { now: asTheyAre(now), then: asTheyAre(then) },
    ...Array.from({ length: resamples }, () => ({ now: again(now), then: again(then) })),
  ];
}

/** Sums are taken about the first candidate to keep digits. */
function momentsOf(from: readonly Complete[], places: Iterable<number>): Moments {
  const about = from[0] as Complete;
  const k = about.length;
  const sums = new Float64Array(k);
  const products = new Float64Array(k * k);
  let n = 0;
  for (const place of places) {
    const scores = from[place] as Complete;
    n++;
    for (let i = 0; i < k; i++) {
      const x = (scores[i] as number) - (about[i] as number);
      sums[i] = (sums[i] as number) + x;
      for (let j = 0; j <= i; j++) {
        const y = (scores[j] as number) - (about[j] as number);
        products[i * k + j] = (products[i * k + j] as number) + x * y;
      }
    }
  }
  const at = (i: number, j: number) => products[Math.max(i, j) * k + Math.min(i, j)] as number;
  return {
    n,
    means: Array.from(sums, (sum, i) => (about[i] as number) + sum / n),
    covariances: Array.from({ length: k }, (_, i) =>
      Array.from(
        { length: k },
        (__, j) => (at(i, j) - ((sums[i] as number) * (sums[j] as number)) / n) / (n - 1),
      ),
    ),
  };
}

/** The cohort on the whole paper, and on the mean of the anchors that are used. */
function cohortOf({ means, covariances }: Moments, used: readonly number[]): CohortMoments {
  const variance = used
    .flatMap((i) => used.map((j) => covariances[i + 1]?.[j + 1] ?? NaN))
    .reduce((sum, x) => sum + x, 0);
  return {
    total: means[0] ?? NaN,
    anchor: average(means, used),
    totalSd: Math.sqrt(covariances[0]?.[0] ?? NaN),
    anchorSd: Math.sqrt(Math.max(0, variance)) / used.length,
  };
}

/** The mean over these anchors; the total stands before them. */
function average(means: readonly number[], anchors: readonly number[]): number {
  return anchors.reduce((sum, anchor) => sum + (means[anchor + 1] ?? NaN), 0) / anchors.length;
}

function driftsOf(draws: readonly Draw[], used: readonly number[]): AnchorDrift[] {
  return used.map((anchor) => driftOf(draws, anchor, used, used.length));
}

/**
 * How often an anchor is left out where none drifted. The intervals do not know of the choice, and
 * that of the paper, which hangs on the anchors far more than on the candidates, then mostly misses
 * the truth: at .05 it holds in one or two of 100 fewer.
 */
const LEFT_OUT_BY_CHANCE = 0.01;

/** Errors beyond which a drift is none of chance: two-sided, shared among so many (Bonferroni). */
function beyondAmong(comparisons: number, freedom: number): number {
  return tQuantile(1 - LEFT_OUT_BY_CHANCE / (2 * comparisons), freedom);
}

/** The change of one anchor less the mean change of the others that are used. */
function changeAgainst({ now, then }: Draw, anchor: number, used: readonly number[]): number {
  const others = used.filter((one) => one !== anchor);
  const change = (places: readonly number[]) =>
    average(now.means, places) - average(then.means, places);
  return change([anchor]) - change(others);
}

/** How far one anchor drifted, and whether that is beyond its error among so many comparisons. */
function driftOf(
  draws: readonly Draw[],
  anchor: number,
  used: readonly number[],
  comparisons: number,
): AnchorDrift {
  const drift = bootstrapped(draws, (draw) => changeAgainst(draw, anchor, used), {
    method: 'change of a common station less that of the others; bootstrap of candidates',
    note: [],
  });
  const { estimate, standardError } = drift;
  const beyondError =
    estimate !== null &&
    standardError !== null &&
    Math.abs(estimate) > beyondAmong(comparisons, drift.n - 2) * standardError;
  return { anchor, drift, beyondError };
}

/** A figure of the first draw with the error of the others, and Student's interval around it. */
function bootstrapped(
  draws: readonly Draw[],
  figure: (draw: Draw) => number | null,
  { method, note }: { method: string; note: readonly string[] },
): Estimate {
  const [first, ...again] = draws;
  const n = (first?.now.n ?? 0) + (first?.then.n ?? 0);
  const estimate = first ? figure(first) : null;
  if (estimate === null) {
    return undefinedEstimate(method, n, 'All candidates of a sitting have the same score.');
  }
  const figures = again.map(figure).filter((x): x is number => x !== null && Number.isFinite(x));
  const smaller = Math.min(first?.now.n ?? 0, first?.then.n ?? 0);
  const spread = standardDeviation(figures);
  return intervalAround({
    estimate,
    standardError: spread === null ? null : spread * Math.sqrt(smaller / (smaller - 1)),
    method,
    n,
    freedom: n - 2,
    notes: note,
  });
}
