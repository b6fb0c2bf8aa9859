import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A seeded source of chance: the same seed gives the same sequence on every machine. */
export interface Chance {
  /** A number in [0, 1). */
  uniform(): number;
  /** A whole number in [0, below). */
  below(below: number): number;
  /** A draw from the standard normal distribution (Box & Muller 1958). */
  normal(): number;
}

/** Makes a seeded source of chance (xoroshiro128+). `seed` is any integer. */
export function seededChance(seed: number): Chance {
  const generator = xoroshiro128plus(seed);
  const uniform = () => uniformFloat64(generator);
  return {
    uniform,
    below: (below) => uniformInt(generator, 0, below - 1),
    normal: () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
  };
}
