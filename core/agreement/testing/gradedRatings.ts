import { seededChance } from '../../numerics/random.ts';
import { tally } from '../tally.ts';
import type { Tally } from '../tally.ts';

/** Graded marks of several raters who mostly agree, some of them missing; a seed gives the same ones. */
export function gradedRatings(subjects: number, raters: number, seed: number, missing = 0): Tally {
  const chance = seededChance(seed);
  const marks = Array.from({ length: subjects }, () => {
    const truth = chance.below(4);
    return Array.from({ length: raters }, () => {
      if (chance.uniform() < missing) return null;
      return chance.uniform() < 0.7 ? truth : chance.below(4);
    });
  });
  return tally({ raters, marks }, [0, 1, 2, 3]);
}
