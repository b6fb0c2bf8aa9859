import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A seeded source of chance: the same seed gives the same sequence on every machine. */
export interface Chance {
  /** A number in [0, 1). */
  uniform(): number;
  /** A whole number in [0, below). */
  below(below: number): number;
  /**
   * Fills an array with whole numbers in [0, below), faster than one by one. They are even to
   * `below` in 2^32, which no resample can tell from even.
   */
  fill(into: Int32Array, below: number): void;
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
    fill: (into, below) => {
      for (let i = 0; i < into.length; i++) {
        into[i] = Math.floor(((generator.next() >>> 0) * below) / 2 ** 32);
      }
    },
    normal: () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
  };
}
