import type { Estimate } from '../numerics/estimate.ts';
import { normalCumulative, normalQuantile } from '../numerics/normal.ts';
import { seededChance } from '../numerics/random.ts';
import type { RandomGenerator } from '../numerics/random.ts';
import { quantileOfSorted, standardDeviation } from '../numerics/summary.ts';
import type { Prepared, Tally } from './tally.ts';

export const INTERVALS = ['percentile', 'bca'] as const;
export type BootstrapInterval = (typeof INTERVALS)[number];

export interface BootstrapSettings {
  readonly resamples: number;
  readonly seed: number;
  readonly generator?: RandomGenerator | undefined;
  readonly interval?: BootstrapInterval;
}

const NO_SPREAD = 1e-9;
/** Below this a bootstrap interval is known to be too narrow (coverage table in docs/methods.md). */
const FEW_SUBJECTS = 50;
const FEW_NOTE =
  'With so few subjects a bootstrap interval is too narrow; the interval that is given without resampling holds.';

/** A coefficient as it stands, and ready to be evaluated on resamples. */
export interface Resampled {
  readonly whole: Estimate;
  readonly prepared: Prepared;
}

/**
 * Gives coefficients of one tally the interval and the standard error of a bootstrap over
 * subjects: subjects are drawn with replacement, seeded, the same draws for every coefficient.
 *
 * Interval: percentile (Efron & Tibshirani 1993, chapter 13), or bias-corrected and accelerated
 * (Efron 1987; chapter 14), whose acceleration comes from leaving out one subject at a time.
 * Resamples in which a coefficient is undefined are left out and counted in a note.
 * Cost: `resamples` x subjects draws, and as many evaluations as resamples.
 */
export function bootstrapSubjects<Name extends string>(
  tally: Tally,
  coefficients: Readonly<Record<Name, Resampled>>,
  { resamples, seed, generator, interval = 'percentile' }: BootstrapSettings,
): Record<Name, Estimate> {
  const entries = Object.entries<Resampled>(coefficients);
  const values = entries.map(() => [] as number[]);
  const n = tally.rowOf.length;
  if (entries.length > 0 && n >= 2 && resamples >= 2) {
    const chance = seededChance(seed, generator);
    const times = new Float64Array(tally.times.length);
    const drawn = new Int32Array(n);
    for (let resample = 0; resample < resamples; resample++) {
      times.fill(0);
      chance.fill(drawn, n);
      for (let draw = 0; draw < n; draw++) {
        const row = tally.rowOf[drawn[draw] as number] as number;
        times[row] = (times[row] as number) + 1;
      }
      for (const [c, [, { whole, prepared }]] of entries.entries()) {
        if (whole.estimate === null) continue;
        const value = prepared(times);
        if (value !== null) values[c]?.push(value);
      }
    }
  }
  return Object.fromEntries(
    entries.map(([name, { whole, prepared }], c) => {
      const own = (values[c] as number[]).sort((a, b) => a - b);
      if (own.length < 2) return [name, whole];
      if ((own.at(-1) as number) - (own[0] as number) < NO_SPREAD)
        return [name, withoutSpread(whole)];
      const left = resamples - own.length;
      const bounds =
        interval === 'bca'
          ? acceleratedBounds(own, whole.estimate as number, leaveOneOut(tally, prepared))
          : ([0.025, 0.975] as const);
      return [
        name,
        {
          ...whole,
          lower: quantileOfSorted(own, bounds[0]),
          upper: quantileOfSorted(own, bounds[1]),
          standardError: standardDeviation(own),
          method: `${whole.method}; ${interval} bootstrap, ${resamples} resamples`,
          notes: [
            ...whole.notes,
            ...(n < FEW_SUBJECTS ? [FEW_NOTE] : []),
            ...(left > 0
              ? [
                  `${left} of ${resamples} resamples were left out: the coefficient is undefined in them.`,
                ]
              : []),
          ],
        },
      ];
    }),
  ) as Record<Name, Estimate>;
}

/** Resamples that all came out the same say nothing about other subjects. */
function withoutSpread(whole: Estimate): Estimate {
  const note = 'Every resample came out the same, so resampling can give no interval.';
  return { ...whole, lower: null, upper: null, standardError: null, notes: [...whole.notes, note] };
}

interface LeftOut {
  readonly value: number;
  readonly times: number;
}

/** The coefficient without one subject of each row, and how many subjects show that row. */
function leaveOneOut(tally: Tally, prepared: Prepared): LeftOut[] {
  const times = Float64Array.from(tally.times);
  const without: LeftOut[] = [];
  for (const [row, t] of tally.times.entries()) {
    times[row] = t - 1;
    const value = prepared(times);
    times[row] = t;
    if (value !== null) without.push({ value, times: t });
  }
  return without;
}

/**
 * The probabilities at which a BCa interval reads the resampled values (Efron 1987):
 * z0 from the share of values below the estimate, acceleration
 * `sum d^3 / (6 (sum d^2)^1.5)` with d the jackknife deviations.
 */
export function acceleratedBounds(
  sorted: readonly number[],
  estimate: number,
  without: readonly LeftOut[],
): readonly [number, number] {
  const count = sorted.length;
  const below = sorted.filter((value) => value < estimate).length;
  const ties = sorted.filter((value) => value === estimate).length;
  const share = Math.min(Math.max((below + ties / 2) / count, 0.5 / count), 1 - 0.5 / count);
  const bias = normalQuantile(share);
  const n = without.reduce((sum, { times }) => sum + times, 0);
  const middle = without.reduce((sum, { value, times }) => sum + times * value, 0) / n;
  let squares = 0;
  let cubes = 0;
  for (const { value, times } of without) {
    squares += times * (middle - value) ** 2;
    cubes += times * (middle - value) ** 3;
  }
  const acceleration = squares === 0 ? 0 : cubes / (6 * squares ** 1.5);
  const read = (probability: number) => {
    const z = bias + normalQuantile(probability);
    return normalCumulative(bias + z / (1 - acceleration * z));
  };
  return [read(0.025), read(0.975)];
}
