import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus, xoroshiro128plusFromState } from 'pure-rand/generator/xoroshiro128plus';
import type { JumpableRandomGenerator } from 'pure-rand/types/JumpableRandomGenerator';

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

/**
 * The ways in which a seed has become chance so far. Both draw with xoroshiro128+ (Blackman & Vigna
 * 2018). A figure that is kept for good names its own, so that it can be computed again.
 *
 * 1: the seed is a word of the state as it is. The first outputs of all small seeds are nearly the
 *    same, and those of neighbouring seeds are related; it stays for figures of that time alone.
 * 2: SplitMix64 (Steele, Lea & Flood 2014) mixes the seed into all of the state.
 */
export const GENERATORS = [1, 2] as const;
export type RandomGenerator = (typeof GENERATORS)[number];
export const GENERATOR: RandomGenerator = 2;

/** Makes a seeded source of chance. `seed` is any safe integer, otherwise throws `RangeError`. */
export function seededChance(seed: number, generator: RandomGenerator = GENERATOR): Chance {
  return chanceFrom(started(seed, generator));
}

/**
 * Streams of chance from one seed, from the `from`-th on, without end. They never overlap: each
 * begins 2^64 steps after the one before it (the jump of Blackman & Vigna 2018), further than
 * anything here draws. Those of the first generator are seeds beside each other.
 * Cost: 128 steps for each stream, those before `from` as well.
 */
export function* seededStreams(
  seed: number,
  from = 0,
  generator: RandomGenerator = GENERATOR,
): Generator<Chance, never> {
  if (generator === 1) {
    for (let i = from; ; i++) yield seededChance(seed * 7919 + i, generator);
  }
  const next = started(seed, generator);
  for (let i = 0; ; i++) {
    if (i >= from) yield chanceFrom(next.clone());
    next.jump();
  }
}

function started(seed: number, generator: RandomGenerator): JumpableRandomGenerator {
  if (!Number.isSafeInteger(seed)) throw new RangeError(`A seed is a whole number, not ${seed}`);
  if (generator === 1) return xoroshiro128plus(seed);
  const words = splitMix64(seed);
  return xoroshiro128plusFromState(
    [words.next().value, words.next().value].flatMap((word) => [
      Number(BigInt.asIntN(32, word >> 32n)),
      Number(BigInt.asIntN(32, word)),
    ]),
  );
}

/** SplitMix64: words of 64 bits, as unsigned whole numbers; every bit of the seed moves every bit. */
export function* splitMix64(seed: number): Generator<bigint, never> {
  const word = (x: bigint) => BigInt.asUintN(64, x);
  for (let state = word(BigInt(seed)); ;) {
    state = word(state + 0x9e3779b97f4a7c15n);
    let z = state;
    z = word((z ^ (z >> 30n)) * 0xbf58476d1ce4e5b9n);
    z = word((z ^ (z >> 27n)) * 0x94d049bb133111ebn);
    yield z ^ (z >> 31n);
  }
}

function chanceFrom(generator: JumpableRandomGenerator): Chance {
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
