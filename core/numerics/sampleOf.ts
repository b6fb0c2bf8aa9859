import { seededChance } from './random.ts';

/**
 * So many of a longer list, spread over its whole length: it is cut into as many parts of one
 * length, and one is drawn from each, the same every time. Taking every k-th instead would fall
 * into step with a plan that has every k-th marked twice. Shorter lists stay whole.
 * Worked value: 2 of a, b, c, d are one of a and b, and one of c and d.
 */
export function sampleOf<T>(all: readonly T[], most: number, seed = 1): T[] {
  if (all.length <= most) return [...all];
  const chance = seededChance(seed);
  const edge = (i: number) => Math.floor((i * all.length) / most);
  return Array.from(
    { length: most },
    (_, i) => all[edge(i) + chance.below(edge(i + 1) - edge(i))] as T,
  );
}
