import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { borderlineGroup } from './borderlineGroup.ts';
import { borderlineRegression } from './borderlineRegression.ts';
import { cohenRelative } from './cohenRelative.ts';
import { contrastingGroups } from './contrastingGroups.ts';
import { fixedPercent, meanMinusSd } from './fixedCuts.ts';

/** The ways in which the cut of a station can follow from its scores and grades. */
export const STATION_METHODS = [
  'borderline-regression',
  'borderline-group',
  'borderline-median',
  'contrasting-normal',
  'contrasting-logistic',
  'contrasting-least',
  'cohen',
  'cohen-modified',
  'mean-minus-sd',
  'fixed-percent',
] as const;
export type StationMethod = (typeof STATION_METHODS)[number];

/** What the methods are told beside the marks. */
export interface MethodSettings {
  /** The point of the scale of overall grades that is borderline. */
  readonly borderline: number;
  /** The percentage of the fixed cut. */
  readonly fixedPercent: number;
  /** How many standard deviations below the mean. */
  readonly sds: number;
}

/** The marks of a station: one score in percent and one overall grade a candidate, in parallel. */
export interface GradedScores {
  readonly scores: readonly number[];
  readonly grades: readonly number[];
}

/**
 * The cut of a station by one method. Contrasting groups part those graded above the borderline
 * point from those below it; who is graded exactly on it is in neither. Methods without an error of
 * their own have no interval, and say so.
 * Worked value: grades 1..5 with scores 30, 45, 60, 75, 90 and borderline 2.5 are cut at 52.5 by
 * borderline regression.
 */
export function cutBy(
  method: StationMethod,
  marks: GradedScores,
  settings: MethodSettings,
): Estimate {
  const { scores, grades } = marks;
  switch (method) {
    case 'borderline-regression':
      return borderlineRegression(scores, grades, settings.borderline).cut;
    case 'borderline-group':
      return borderlineGroup(scores, grades, settings.borderline).mean;
    case 'borderline-median': {
      const { median, mean } = borderlineGroup(scores, grades, settings.borderline);
      return withoutError(median, 'median of the borderline group', mean.n, mean.notes);
    }
    case 'contrasting-normal':
    case 'contrasting-logistic':
    case 'contrasting-least':
      return byContrast(method, marks, settings.borderline);
    case 'cohen':
      return relative(scores, 0.95, 0.6, 'Cohen: 60 % of the 95th percentile');
    case 'cohen-modified':
      return relative(scores, 0.9, 0.65, 'Cohen, modified: 65 % of the 90th percentile');
    case 'mean-minus-sd':
      return meanMinusSd(scores, settings.sds);
    case 'fixed-percent':
      return fixedPercent(settings.fixedPercent);
  }
}

/** Every method side by side, in the order of `STATION_METHODS`. */
export function everyMethod(
  marks: GradedScores,
  settings: MethodSettings,
): { readonly method: StationMethod; readonly cut: Estimate }[] {
  return STATION_METHODS.map((method) => ({ method, cut: cutBy(method, marks, settings) }));
}

function byContrast(
  method: 'contrasting-normal' | 'contrasting-logistic' | 'contrasting-least',
  { scores, grades }: GradedScores,
  borderline: number,
): Estimate {
  const graded = (side: 1 | -1) =>
    scores.filter((_, i) => Math.sign((grades[i] ?? borderline) - borderline) === side);
  const [below, above] = [graded(-1), graded(1)];
  const { normal, logistic, leastMisclassified, notes } = contrastingGroups(below, above);
  const [cut, name] = {
    'contrasting-normal': [normal, 'contrasting groups, normal curves'] as const,
    'contrasting-logistic': [logistic, 'contrasting groups, logistic curve'] as const,
    'contrasting-least': [leastMisclassified, 'contrasting groups, fewest misplaced'] as const,
  }[method];
  const why = {
    'contrasting-normal': 'The two normal curves do not cross between their means.',
    'contrasting-logistic': 'The groups do not overlap, so that no curve can be drawn.',
    'contrasting-least': 'There is no score that parts the groups.',
  }[method];
  return withoutError(
    cut,
    name,
    below.length + above.length,
    cut === null && notes.length === 0 ? [why] : notes,
  );
}

function relative(
  scores: readonly number[],
  percentile: number,
  multiplier: number,
  method: string,
): Estimate {
  const cut = cohenRelative(scores, percentile, multiplier);
  return withoutError(cut, method, scores.length, cut === null ? ['Nobody has a score.'] : []);
}

/** A cut of a method that knows no error of its own. */
function withoutError(
  estimate: number | null,
  method: string,
  n: number,
  notes: readonly string[],
): Estimate {
  if (estimate === null) return undefinedEstimate(method, n, notes[0] ?? 'It has no cut.');
  return { estimate, lower: null, upper: null, standardError: null, method, n, notes };
}
