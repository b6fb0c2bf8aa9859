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

  const stations = Array.from({ length: 12 }, (_, s) => {
    const own = Array.from({ length: 500 }, () => 1 + chance.below(5));
    return { own, marks: own.map((g) => 20 + s + 12 * g + 8 * chance.normal()) };
  });
  const all = performance.now();
  for (const { own, marks } of stations) bootstrapCut(marks, own, 2.5, 5000, 1);
  report('5,000 resamples of 12 cuts, 500 candidates', performance.now() - all, 1000, 'ms');
}
