import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { mean, standardDeviation } from '../numerics/summary.ts';

/** What one judge answers: the least score that should pass, and the share of passes to expect. */
export interface BeukAnswer {
  /** In the unit of the scores. */
  readonly cut: number;
  /** In [0, 1]. */
  readonly passRate: number;
}

/**
 * Beuk's compromise (1984) between what judges think a pass is worth and how many they expect to
 * pass. Through the point of their mean answers goes a line with the slope `SD(pass rates) /
 * SD(cuts)`: where judges agree on the cut it is steep and the cut moves little, where they agree
 * on the pass rate it is flat. The cut is where the line meets the curve of the share of candidates
 * who reach each score.
 *
 * `scores` and cuts in one unit within `range`. Judges who agree on both leave no slope and no cut;
 * a line that misses the curve gives none either. Throws `RangeError` for an answer outside.
 * Source: Beuk 1984, Journal of Educational Measurement 21:147.
 * Worked value: scores 1..100, judges (50, .4) and (60, .6): the line .5 + .02 (x - 55) meets the
 * curve between the steps at 53 and 54, at 53.5.
 */
export function beuk(
  scores: readonly number[],
  answers: readonly BeukAnswer[],
  range: readonly [number, number] = [0, 100],
): Estimate {
  const method = 'Beuk 1984';
  for (const { cut, passRate } of answers) {
    if (!(passRate >= 0 && passRate <= 1)) {
      throw new RangeError(`An expected pass rate lies between 0 and 1, not at ${passRate}.`);
    }
    if (!(cut >= range[0] && cut <= range[1])) {
      throw new RangeError(
        `A cut lies on the scale from ${range[0]} to ${range[1]}, not at ${cut}.`,
      );
    }
  }
  const n = scores.length;
  if (n === 0) return undefinedEstimate(method, 0, 'There is no score.');
  const middle = {
    cut: mean(answers.map((a) => a.cut)),
    passRate: mean(answers.map((a) => a.passRate)),
  };
  const [spreadCut, spreadRate] = [
    standardDeviation(answers.map((a) => a.cut)),
    standardDeviation(answers.map((a) => a.passRate)),
  ];
  if (
    middle.cut === null ||
    middle.passRate === null ||
    spreadCut === null ||
    spreadRate === null
  ) {
    return undefinedEstimate(
      method,
      n,
      'The compromise weighs judges by their spread; it needs two.',
    );
  }
  const given = (estimate: number): Estimate => ({
    estimate,
    lower: null,
    upper: null,
    standardError: null,
    method,
    n,
    notes: [],
  });
  if (spreadCut === 0 && spreadRate === 0) {
    return undefinedEstimate(
      method,
      n,
      'All judges gave the same answers, so nothing says which of the two should give way.',
    );
  }
  if (spreadCut === 0) return given(middle.cut);
  const sorted = [...scores].sort((a, b) => a - b);
  const slope = spreadRate / spreadCut;
  const line = (cut: number) =>
    (middle.passRate as number) + slope * (cut - (middle.cut as number));
  const above = (cut: number) => reaching(sorted, cut) > line(cut);
  let [low, high] = range;
  if (!above(low) || above(high)) {
    const way = above(high) ? 'more' : 'fewer';
    return undefinedEstimate(
      method,
      n,
      `At every score ${way} candidates pass than the judges’ line allows: the line misses the curve.`,
    );
  }
  // The curve falls and the line does not, so they cross once; halving finds it.
  for (let i = 0; i < 60; i++) {
    const half = (low + high) / 2;
    if (above(half)) low = half;
    else high = half;
  }
  return given(high);
}

/** Share of the sorted scores that reach the cut. */
function reaching(sorted: readonly number[], cut: number): number {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((sorted[middle] as number) < cut) low = middle + 1;
    else high = middle;
  }
  return (sorted.length - low) / sorted.length;
}
