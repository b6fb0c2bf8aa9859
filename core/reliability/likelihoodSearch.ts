import { Matrix, solve } from 'ml-matrix';
import type { ProfiledModel } from './profiledLikelihood.ts';

/** Where the next step would change no ratio by more than this share, the search is over. */
const SMALL_CHANGE = 1e-5;
const MOST_ITERATIONS = 100;
/** A ratio below this is indistinguishable from none; where the slope is up there, it is zero. */
const NEAR_ZERO = 1e-8;

/** A step of the search, and how far the slope turned over it. */
interface Turn {
  readonly step: readonly number[];
  readonly turn: readonly number[];
}

/**
 * The variance ratios of the highest likelihood: Newton steps on the average information, corrected
 * by the turns of the slope seen so far, shortened where a step would go downhill.
 */
export function maximise(model: ProfiledModel) {
  let gamma = model.start();
  let point = model.at(gamma);
  let slope = model.slope(point, gamma);
  const turns: Turn[] = [];
  let iterations = 0;
  let lastChange = 1;
  while (iterations < MOST_ITERATIONS) {
    iterations++;
    const free = gamma.flatMap((g, f) => (g > NEAR_ZERO || (slope[f] as number) < 0 ? [f] : []));
    if (free.length === 0) break;
    const curvature = turns.reduce(corrected, model.curvature(point, gamma));
    // Marks that say nothing of a factor leave no curvature; its ratio then moves by itself at most.
    for (const [f, row] of curvature.entries()) {
      row[f] = Math.max(row[f] as number, Math.abs(slope[f] as number) / (gamma[f] as number));
    }
    const step = newtonStep(curvature, slope, free);
    let length = 1;
    let next = gamma.map((g, f) => moved(g, step[f] as number));
    let there = model.at(next);
    while (!(there.d <= point.d + 1e-12 * Math.abs(point.d)) && length > 1e-3) {
      length /= 4;
      next = gamma.map((g, f) => moved(g, length * (step[f] as number)));
      there = model.at(next);
    }
    const before = { gamma, slope };
    gamma = next;
    point = there;
    const change = Math.max(...gamma.map((g, f) => Math.abs(1 - g / (before.gamma[f] as number))));
    // The next step shrinks at the pace of the last two, or faster.
    const pace = Math.min(1, change / lastChange);
    lastChange = change;
    if (length <= 1e-3 || (length === 1 && change * pace < SMALL_CHANGE)) break;
    slope = model.slope(point, gamma);
    turns.push({
      step: gamma.map((g, f) => g - (before.gamma[f] as number)),
      turn: slope.map((s, f) => s - (before.slope[f] as number)),
    });
    if (turns.length > gamma.length) turns.shift();
  }
  const settled = gamma.map((g) => (g <= 10 * NEAR_ZERO ? 0 : g));
  if (settled.some((g, f) => g !== gamma[f])) point = model.at(settled);
  return { gamma: settled, point, iterations };
}

/** A ratio may fall to a fiftieth in one step, and not below what counts as nothing. */
function moved(gamma: number, step: number): number {
  return Math.max(gamma + step, gamma / 50, NEAR_ZERO);
}

/** The BFGS update of a curvature by a step and what the slope made of it. */
function corrected(curvature: number[][], { step, turn }: Turn): number[][] {
  const bent = curvature.map((row) => row.reduce((sum, c, j) => sum + c * (step[j] as number), 0));
  const along = step.reduce((sum, s, i) => sum + s * (turn[i] as number), 0);
  const through = step.reduce((sum, s, i) => sum + s * (bent[i] as number), 0);
  // Only a turn that the curvature can hardly be wrong about is believed.
  if (!(along > 0.3 * through && along < 3 * through)) return curvature;
  return curvature.map((row, i) =>
    row.map(
      (c, j) =>
        c +
        ((turn[i] as number) * (turn[j] as number)) / along -
        ((bent[i] as number) * (bent[j] as number)) / through,
    ),
  );
}

/** Newton's step over the free factors; the others stay. */
function newtonStep(curvature: number[][], slope: readonly number[], free: number[]): number[] {
  const step = slope.map(() => 0);
  const matrix = new Matrix(free.map((f) => free.map((g) => curvature[f]?.[g] as number)));
  const solved = solve(matrix, Matrix.columnVector(free.map((f) => -(slope[f] as number))), true);
  for (const [k, f] of free.entries()) step[f] = solved.get(k, 0);
  return step;
}
