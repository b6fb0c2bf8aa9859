import { seededChance } from '@kritikos/core/numerics/random';
import { bootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import { report } from './report.ts';

/** 2,000 bootstrap resamples of a station of 300 candidates. */
export async function benchCut(): Promise<void> {
  const chance = seededChance(1);
  const grades = Array.from({ length: 300 }, () => 1 + chance.below(5));
  const scores = grades.map((g) => 28 + 12 * g + 8 * chance.normal());
  bootstrapCut(scores, grades, 2.5, 200, 1);
  const started = performance.now();
  bootstrapCut(scores, grades, 2.5, 2000, 1);
  report('2,000 resamples of a cut, 300 candidates', performance.now() - started, 1000, 'ms');
}
