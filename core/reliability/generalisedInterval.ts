import chisquareQuantile from '@stdlib/stats-base-dists-chisquare-quantile';

/** The mean squares of subjects crossed with raters, one mark in each cell. */
export interface CrossedSquares {
  readonly between: number;
  readonly judges: number;
  readonly error: number;
}

export interface GeneralisedInterval {
  readonly lower: number;
  readonly upper: number;
}

/**
 * A 95 % generalised interval of absolute agreement, of one rater and of the mean of k.
 *
 * Each sum of squares over its expected mean square is a chi-square. Turned round, a chi-square
 * drawn for each gives variances of subjects, raters and error that could have led to the squares
 * seen, and with them a correlation; the interval cuts off 2.5 % of those at each end
 * (Weerahandi 1993; compared with others by Ionan, Polley, McShane & Dobbin 2014). Two raters leave
 * the variance between them one degree of freedom, and the interval says so: it is long.
 *
 * The chi-squares are taken at the 4,095 points of a Halton sequence in place of random numbers, so
 * that the same marks always give the same interval, to about .005.
 *
 * @param n subjects, 2 or more
 * @param k raters, 2 or more
 */
export function generalisedAgreement(
  { between, judges, error }: CrossedSquares,
  n: number,
  k: number,
): { single: GeneralisedInterval; average: GeneralisedInterval } {
  const ofSubjects = chisquares(n - 1, 2);
  const ofRaters = chisquares(k - 1, 3);
  const ofError = chisquares((n - 1) * (k - 1), 5);
  const single: number[] = [];
  const average: number[] = [];
  for (let i = 0; i < POINTS; i++) {
    const errorMean = ((n - 1) * (k - 1) * error) / (ofError[i] as number);
    const subjectMean = ((n - 1) * between) / (ofSubjects[i] as number);
    const raterMean = ((k - 1) * judges) / (ofRaters[i] as number);
    const subject = Math.max(0, (subjectMean - errorMean) / k);
    const other = Math.max(0, (raterMean - errorMean) / n) + errorMean;
    const whole = subject + other;
    single.push(whole === 0 ? 0 : subject / whole);
    average.push(whole === 0 ? 0 : subject / (subject + other / k));
  }
  return { single: middle(single), average: middle(average) };
}

const POINTS = 4095;

// The points depend on the design alone, and one design is asked again and again.
const drawn = new Map<string, Float64Array>();
const KEPT = 30;

function chisquares(df: number, base: number): Float64Array {
  const key = `${df}/${base}`;
  const known = drawn.get(key);
  if (known) return known;
  const values = Float64Array.from({ length: POINTS }, (_, i) =>
    chisquareQuantile(radicalInverse(i + 1, base), df),
  );
  if (drawn.size >= KEPT) drawn.clear();
  drawn.set(key, values);
  return values;
}

/** The digits of `i` in `base`, mirrored at the point: a number between 0 and 1 (Halton 1960). */
function radicalInverse(i: number, base: number): number {
  let value = 0;
  let place = 1 / base;
  for (let rest = i; rest > 0; rest = Math.floor(rest / base)) {
    value += (rest % base) * place;
    place /= base;
  }
  return value;
}

function middle(values: number[]): GeneralisedInterval {
  const sorted = Float64Array.from(values).sort();
  const at = (share: number) => sorted[Math.round(share * (sorted.length - 1))] as number;
  return { lower: at(0.025), upper: at(0.975) };
}
