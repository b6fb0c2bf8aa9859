import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { clusteredAgreement, clusteredKappa } from './clusteredKappa.ts';
import type { ClusteredPair } from './clusteredKappa.ts';
import { cohenKappa } from './cohenKappa.ts';
import { crossTable } from './crossTable.ts';

const chance = seededChance(7);
const singles: ClusteredPair[] = Array.from({ length: 40 }, (_, candidate) => {
  const first = chance.uniform() < 0.6 ? 1 : 0;
  return { candidate, first, second: chance.uniform() < 0.8 ? first : 1 - first };
});
const twelveEach = singles.flatMap((pair) => Array.from({ length: 12 }, () => ({ ...pair })));

describe('kappa over all items of a station', () => {
  it('is Cohen’s kappa where every candidate has one pair', () => {
    const own = clusteredKappa(singles, [0, 1]);
    const plain = cohenKappa(crossTable(singles.map((p) => [p.first, p.second] as const)));
    expect(own.estimate).toBeCloseTo(plain.estimate ?? NaN, 12);
    expect(own.standardError).toBeCloseTo((plain.standardError ?? NaN) * Math.sqrt(40 / 39), 12);
  });

  it('learns nothing from twelve marks of a candidate that are one and the same', () => {
    const one = clusteredKappa(singles, [0, 1]);
    const twelve = clusteredKappa(twelveEach, [0, 1]);
    expect(twelve.estimate).toBeCloseTo(one.estimate ?? NaN, 12);
    expect(twelve.standardError).toBeCloseTo(one.standardError ?? NaN, 12);
    expect(twelve.n).toBe(40);
    // Taken as 480 independent pairs the error would be less than a third of it.
    const naive = cohenKappa(crossTable(twelveEach.map((p) => [p.first, p.second] as const)));
    expect(naive.standardError).toBeLessThan(0.3 * (twelve.standardError ?? 0));
  });

  it('leaves out pairs with a missing mark, and candidates without a pair', () => {
    const own = clusteredKappa([...singles, { candidate: 99, first: 1, second: null }], [0, 1]);
    expect(own).toEqual(clusteredKappa(singles, [0, 1]));
    expect(clusteredKappa([], [0, 1]).notes[0]).toMatch(/No candidate was marked by both/);
  });

  it('gives the share of agreement the same error by candidates', () => {
    const shares = [1, 0.5, 0.5, 1, 0.75, 1];
    const pairs = shares.flatMap((share, candidate) =>
      Array.from({ length: 4 }, (_, i) => ({ candidate, first: 1, second: i < 4 * share ? 1 : 0 })),
    );
    const { estimate, standardError, n } = clusteredAgreement(pairs, [0, 1]);
    // The mean of six shares and its error, by hand: SD .2458 of six values over root 6.
    expect(estimate).toBeCloseTo(4.75 / 6, 12);
    expect(standardError).toBeCloseTo(0.1003, 3);
    expect(n).toBe(6);
  });
});
