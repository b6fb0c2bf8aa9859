import type { RandomGenerator } from '@kritikos/core/numerics/random';
import { reachesCut } from '@kritikos/core/standards/reachesCut';
import type { Estimate } from '@kritikos/core/numerics/estimate';
import { borderlineGroup } from '@kritikos/core/standards/borderlineGroup';
import { borderlineRegression } from '@kritikos/core/standards/borderlineRegression';
import { bootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import { cohenRelative } from '@kritikos/core/standards/cohenRelative';
import { contrastingGroups } from '@kritikos/core/standards/contrastingGroups';
import { fixedPercent, meanMinusSd } from '@kritikos/core/standards/fixedCuts';
import { asBadInput } from './badInput.ts';
import { leftOutNotes, readColumns } from './readColumns.ts';

export const STANDARD_METHODS = [
  'borderline-regression',
  'borderline-group',
  'contrasting-groups',
  'cohen',
  'mean-sd',
  'fixed',
] as const;

export interface StandardFlags {
  method: (typeof STANDARD_METHODS)[number];
  score: string;
  grade: string;
  borderline: number;
  percentile: number;
  multiplier: number;
  k: number;
  percent: number;
  resamples?: number;
  seed: number;
  generator: RandomGenerator;
}

/** A cut from a file of scores and, where the method asks for them, overall grades. */
export async function standard(file: string, flags: StandardFlags) {
  const needsGrades = ['borderline-regression', 'borderline-group', 'contrasting-groups'].includes(
    flags.method,
  );
  const { values, leftOut } = await readColumns(
    file,
    needsGrades ? [flags.score, flags.grade] : [flags.score],
  );
  const [scores = [], grades = []] = values;
  const missing = leftOutNotes(leftOut, needsGrades ? 'score or grade' : 'score');
  const found = asBadInput(() => cutBy(scores, grades, flags));
  const reach = (score: number) => found.cut !== null && reachesCut(score, found.cut);
  return {
    ...found,
    n: scores.length,
    passRate: found.cut === null ? null : scores.filter(reach).length / scores.length,
    notes: [...found.notes, ...missing],
  };
}

interface Found {
  readonly cut: number | null;
  readonly standardError: number | null;
  readonly notes: readonly string[];
  readonly [more: string]: unknown;
}

function cutBy(scores: readonly number[], grades: readonly number[], flags: StandardFlags): Found {
  switch (flags.method) {
    case 'borderline-regression':
      return byRegression(scores, grades, flags);
    case 'borderline-group': {
      const { mean, median } = borderlineGroup(scores, grades, flags.borderline);
      return { ...fromEstimate(mean), median };
    }
    case 'contrasting-groups': {
      // Who is graded exactly at the borderline is in neither group.
      const group = (side: 1 | -1) =>
        scores.filter((_, i) => Math.sign((grades[i] as number) - flags.borderline) === side);
      const cuts = contrastingGroups(group(-1), group(1));
      const cut = cuts.normal ?? cuts.leastMisclassified;
      const notes =
        cut === null && cuts.notes.length === 0 ? ['Nothing parts the two groups.'] : cuts.notes;
      return { cut, standardError: null, ...cuts, notes };
    }
    case 'cohen': {
      const cut = cohenRelative(scores, flags.percentile, flags.multiplier);
      return { cut, standardError: null, notes: [] };
    }
    case 'mean-sd':
      return fromEstimate(meanMinusSd(scores, flags.k));
    case 'fixed':
      return fromEstimate(fixedPercent(flags.percent));
  }
}

function byRegression(
  scores: readonly number[],
  grades: readonly number[],
  { borderline, resamples, seed, generator }: StandardFlags,
): Found {
  // A loop, because a spread of a million scores is more than a call takes.
  const range = scores.reduce(
    ([low, high], s): [number, number] => [Math.min(low, s), Math.max(high, s)],
    [0, -Infinity] as [number, number],
  );
  const { cut, line } = borderlineRegression(scores, grades, borderline, range);
  return {
    cut: cut.estimate,
    standardError: cut.standardError,
    lower: cut.lower,
    upper: cut.upper,
    slope: line?.slope ?? null,
    intercept: line?.intercept ?? null,
    rSquared: line?.rSquared ?? null,
    ...(resamples === undefined
      ? {}
      : { bootstrap: bootstrapCut(scores, grades, borderline, resamples, seed, generator) }),
    notes: resamples === undefined ? cut.notes : [...cut.notes, BOOTSTRAP_NOTE],
  };
}

const BOOTSTRAP_NOTE =
  'The bootstrap’s percentile limits are too short for a cohort: they hold in 85 to 93 of 100 cases. The limits beside the cut are t intervals, which hold.';

function fromEstimate({ estimate, standardError, lower, upper, notes }: Estimate): Found {
  return { cut: estimate, standardError, lower, upper, notes };
}
