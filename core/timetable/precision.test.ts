import { describe, expect, it } from 'vitest';
import { planDay } from './planDay.ts';
import {
  pairsFor,
  pairsForSeverity,
  simulatedKappa,
  simulatedSeverity,
  USUAL_SPREADS,
} from './precision.ts';
import { plainProblem } from './testing/problems.ts';

const KAPPA = {
  of: 'kappa',
  expected: 0.6,
  prevalence: 0.5,
  halfWidth: 0.2,
  each: 'station',
} as const;

describe('how many sheets are marked twice', () => {
  // Donner & Eliasziw 1992 and Bonett 2002, worked by hand in sampleSize.ts: 62 and 55.
  it('is the published number for a kappa and an intraclass correlation', () => {
    const size = { stations: 8, candidates: 100 };
    expect(pairsFor(KAPPA, size, null)).toMatchObject({
      needed: 8 * 62,
      pairs: 8 * 62,
      limit: null,
    });
    expect(pairsFor({ ...KAPPA, each: 'examination' }, size, null)).toMatchObject({
      needed: 62,
      pairs: 62,
    });
    const icc = { of: 'intraclass', expected: 0.8, halfWidth: 0.1, each: 'examination' } as const;
    const found = pairsFor(icc, size, null);
    expect([found.needed, found.halfWidth]).toEqual([55, expect.closeTo(0.1, 2)]);
  });

  it('says what candidates and hours allow, and how sure that is', () => {
    const few = pairsFor(KAPPA, { stations: 8, candidates: 48 }, null);
    expect(few).toMatchObject({ needed: 496, pairs: 384, limit: 'candidates' });
    // 1.96 sqrt(.64 / 48), from the same variance.
    expect(few.halfWidth).toBeCloseTo(0.2264, 3);
    const hours = pairsFor(
      KAPPA,
      { stations: 8, candidates: 48 },
      { second: 22, roundMinutes: 11 },
    );
    expect(hours).toMatchObject({
      pairs: 120,
      limit: 'hours',
      halfWidth: expect.closeTo(0.405, 2),
    });
    const none = pairsFor(
      { of: 'intraclass', expected: 0.8, halfWidth: 0.1, each: 'station' },
      { stations: 8, candidates: 3 },
      null,
    );
    expect([none.pairs, none.halfWidth]).toEqual([24, null]);
    expect(() =>
      pairsFor({ ...KAPPA, halfWidth: 0 }, { stations: 8, candidates: 48 }, null),
    ).toThrow(/half-width/);
    expect(() =>
      pairsFor({ ...KAPPA, expected: 1 }, { stations: 8, candidates: 48 }, null),
    ).toThrow(/between 0 and 1/);
  });

  // The formula is of large samples: there both must come to the same.
  it('gives the half-width that the product then shows, by simulation', () => {
    const many = simulatedKappa(KAPPA, 400, 200, 7);
    expect(many.halfWidth).toBeCloseTo(0.2 * Math.sqrt(62 / 400), 2);
    expect(many.shown).toBe(1);
    const few = simulatedKappa(KAPPA, 62, 400, 7);
    expect(Math.abs((few.halfWidth ?? 0) - 0.2)).toBeLessThan(0.02);
    expect(simulatedKappa(KAPPA, 62, 400, 7)).toEqual(few);
  });
});

describe('how sure a severity will be', () => {
  const BUDGET = { seed: 7, nodes: 500, seconds: 60 };
  const planOf = async (candidates: number, pairs: number) =>
    (
      await planDay(
        plainProblem(candidates, 4, 2, {
          pairs,
          examiners: Array.from({ length: 12 }, (_, i) => ({
            id: `e${i}`,
            stations: null,
            available: null,
          })),
        }),
        BUDGET,
      )
    ).slots;

  it('is surer with more candidates, and with more of them marked twice', async () => {
    const [few, many, twice] = [await planOf(12, 4), await planOf(48, 4), await planOf(12, 40)];
    const width = (slots: Awaited<ReturnType<typeof planOf>>) =>
      simulatedSeverity(slots, USUAL_SPREADS, 100, 7).halfWidth ?? NaN;
    expect(width(many)).toBeLessThan(width(few));
    expect(width(twice)).toBeLessThan(width(few));
  });

  it('says how many pairs a wished severity takes, or that the plan cannot give it', async () => {
    const problem = plainProblem(16, 4, 2, {
      examiners: Array.from({ length: 16 }, (_, i) => ({
        id: `e${i}`,
        stations: null,
        available: null,
      })),
    });
    const { slots } = await planDay(problem, BUDGET);
    const asked = { spreads: USUAL_SPREADS, simulations: 10, seed: 7 };
    const all = pairsForSeverity(problem, slots, 0.01, asked);
    expect([all.pairs, all.most.pairs]).toEqual([null, 64]);
    // One examiner a station cannot be told from it while nobody is marked twice.
    const alone = plainProblem(8, 4, 1);
    const own = (await planDay(alone, BUDGET)).slots;
    expect(pairsForSeverity(alone, own, 1, asked).none).toBeNull();
    const [most, none] = [all.most.halfWidth ?? NaN, all.none ?? NaN];
    expect(most).toBeLessThan(none);
    const middle = (most + none) / 2;
    const some = pairsForSeverity(problem, slots, middle, asked);
    expect(some.halfWidth ?? Infinity).toBeLessThanOrEqual(middle);
    expect(some.pairs).toBeGreaterThan(0);
    expect(some.pairs).toBeLessThan(64);
    expect(pairsForSeverity(problem, slots, none + 1, asked).pairs).toBe(0);
  });

  it('is nothing that could be told where one examiner marks everybody', async () => {
    const { slots } = await planDay(plainProblem(6, 1, 1), BUDGET);
    expect(simulatedSeverity(slots, USUAL_SPREADS, 3, 7)).toEqual({ halfWidth: null, worst: null });
  });
});

describe('who is marked twice', () => {
  it('is everybody before anybody is twice, and spread over ability where not all can be', async () => {
    const problem = plainProblem(12, 4, 1, {
      examiners: Array.from({ length: 8 }, (_, i) => ({
        id: `e${i}`,
        stations: null,
        available: null,
      })),
    });
    const twiceOf = async (pairs: number, abilities: (i: number) => number | null) => {
      const candidates = problem.candidates.map((one, i) => ({ ...one, ability: abilities(i) }));
      const { slots } = await planDay({ ...problem, candidates, pairs }, BUDGET_OF);
      const counts = new Map(candidates.map(({ id }) => [id, 0]));
      for (const { candidate, second } of slots)
        if (second) counts.set(candidate, (counts.get(candidate) ?? 0) + 1);
      return [...counts.values()];
    };
    const BUDGET_OF = { seed: 7, nodes: 500, seconds: 60 };
    const all = await twiceOf(30, () => null);
    expect([Math.min(...all), Math.max(...all)]).toEqual([2, 3]);
    // The first is the weakest: of 12 in thirds of ability, each third has one.
    const some = await twiceOf(3, (i) => i);
    expect([0, 4, 8].map((from) => some.slice(from, from + 4).filter((n) => n > 0).length)).toEqual(
      [1, 1, 1],
    );
  });

  // 48 candidates at 8 stations, 60 pairs: 7.5 a station, and nobody more than twice.
  it('is spread over the stations as evenly as over the candidates', async () => {
    const problem = plainProblem(48, 8, 1, {
      pairs: 60,
      examiners: Array.from({ length: 16 }, (_, i) => ({
        id: `e${i}`,
        stations: null,
        available: null,
      })),
    });
    const { slots } = await planDay(problem, { seed: 7, nodes: 500, seconds: 60 });
    const counts = problem.stations.map(
      ({ id }) => slots.filter(({ station, second }) => station === id && second !== null).length,
    );
    expect(counts.reduce((sum, count) => sum + count, 0)).toBe(60);
    expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(2);
  });
});
