import { mean } from '../numerics/summary.ts';
import type { ExaminedScore } from '../reliability/examinerEffects.ts';
import { hardness } from './performance.ts';

/** Fewer candidates than this say nothing of a station (common practice, no source). */
const FEWEST = 10;

/** The groups of candidates that are left out one at a time. */
const GROUPS = 40;
/** The fixed point is as near as it need be after fewer. */
const STEPS = 60;

/**
 * How far ability told at each station of an earlier examination, by the number under which its
 * scores stand: 1 as at the usual station, 0 not at all.
 *
 * Where a score is `station mean + c x ability + the rest`, two stations s and t covary by
 * `c_s c_t var(ability)`. The c are those of which the sums of the covariances of each station with the
 * others come out, with a mean of 1. As far as they may differ by chance they are drawn towards 1: by
 * 1 - (mean squared standard error) / (variance of the estimates), wholly where that is negative
 * (empirical Bayes after Efron & Morris 1973, from memory). The standard errors are those of a
 * jackknife that leaves out a group of candidates at a time (Kott 2001, from memory). None is below 0.
 *
 * Only candidates who were at every station count. Empty where there are fewer than ten of them, or
 * fewer than three stations, or where the stations have nothing in common.
 */
export function stationCarries(scores: readonly ExaminedScore[]): Map<number, number> {
  const stations = [...new Set(scores.map(({ station }) => station))].sort((a, b) => a - b);
  const rows = completeRows(scores, stations);
  const [n, k] = [rows.length, stations.length];
  if (n < FEWEST || k < 3) return new Map();
  const groups = Math.min(n, GROUPS);
  const estimates = carriesOf(rows);
  const without = Array.from({ length: groups }, (_, group) =>
    carriesOf(rows.filter((_, i) => i % groups !== group)),
  );
  if (!estimates || without.some((own) => own === null)) return new Map();
  const errors = estimates.map((_, s) => {
    const own = without.map((left) => left?.[s] as number);
    const centre = mean(own) as number;
    return ((groups - 1) / groups) * total(own.map((one) => (one - centre) ** 2));
  });
  const between = total(estimates.map((own) => (own - 1) ** 2)) / (k - 1);
  const kept = between > 0 ? Math.max(0, 1 - total(errors) / k / between) : 0;
  return new Map(
    stations.map((station, s) => [station, Math.max(0, 1 + kept * ((estimates[s] as number) - 1))]),
  );
}

/** What each station carries, as estimated; `null` where the stations have nothing in common. */
function carriesOf(rows: readonly (readonly number[])[]): number[] | null {
  const k = rows[0]?.length ?? 0;
  const centres = Array.from({ length: k }, (_, s) => mean(rows.map((row) => row[s] as number)));
  // Of each station the sum of its covariances with the others.
  const common = new Array<number>(k).fill(0);
  for (const row of rows) {
    const off = row.map((score, s) => score - (centres[s] as number));
    const all = total(off);
    for (const [s, own] of off.entries()) common[s] = (common[s] as number) + own * (all - own);
  }
  if (total(common) <= 0) return null;
  let carries = common.map(() => 1);
  for (let step = 0; step < STEPS; step++) {
    // A station's sum is c_s (k - c_s) var(ability), since all the c come to k.
    const next = common.map((own, s) => own / Math.max(0.5, k - (carries[s] as number)));
    const centre = total(next) / k;
    carries = next.map((own) => own / centre);
  }
  return carries;
}

/** The mean score of each candidate at each station, of those who were everywhere. */
function completeRows(scores: readonly ExaminedScore[], stations: readonly number[]): number[][] {
  const places = new Map(stations.map((station, s) => [station, s]));
  const sums = new Map<ExaminedScore['candidate'], { sum: number; count: number }[]>();
  for (const { candidate, station, percent } of scores) {
    const row = sums.get(candidate) ?? stations.map(() => ({ sum: 0, count: 0 }));
    const cell = row[places.get(station) as number] as { sum: number; count: number };
    cell.sum += percent;
    cell.count += 1;
    sums.set(candidate, row);
  }
  return [...sums.values()]
    .filter((row) => row.every(({ count }) => count > 0))
    .map((row) => row.map(({ sum, count }) => sum / count));
}

/**
 * The standard deviation of the difficulty of items, in logits, within stations and pooled over them;
 * `null` where no station has two items of known facility. `facilities` are shares in [0, 1].
 */
export function itemSpread(
  stations: readonly { readonly facilities: Readonly<Record<string, number>> }[],
): number | null {
  let [squares, free] = [0, 0];
  for (const { facilities } of stations) {
    const hard = Object.values(facilities).map(hardness);
    if (hard.length < 2) continue;
    const centre = mean(hard) as number;
    squares += total(hard.map((own) => (own - centre) ** 2));
    free += hard.length - 1;
  }
  return free > 0 ? Math.sqrt(squares / free) : null;
}

function total(values: readonly number[]): number {
  return values.reduce((sum, own) => sum + own, 0);
}
