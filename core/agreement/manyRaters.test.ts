import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bootstrapSubjects } from './bootstrapSubjects.ts';
import { brennanPrediger } from './brennanPrediger.ts';
import { cohenKappa } from './cohenKappa.ts';
import { congerKappa } from './congerKappa.ts';
import { crossTable } from './crossTable.ts';
import { categoryKappas, fleissKappa } from './fleissKappa.ts';
import { gwetAC } from './gwetAC.ts';
import { krippendorffAlpha } from './krippendorffAlpha.ts';
import { lightKappa } from './lightKappa.ts';
import { prevalenceBias } from './prevalenceBias.ts';
import type { Ratings } from './ratings.ts';
import { scottPi } from './scottPi.ts';
import { agreementWeights } from './weights.ts';

/** Ratings from counts per subject and category, as Fleiss prints them; order within a row is free. */
function fromCounts(counts: readonly (readonly number[])[]): Ratings<number> {
  const marks = counts.map((row) => row.flatMap((n, k) => Array.from({ length: n }, () => k)));
  return { raters: marks[0]?.length ?? 0, marks };
}
function fromCells(a: number, b: number, c: number, d: number): Ratings<number> {
  const cell = (n: number, pair: number[]) => Array.from({ length: n }, () => pair);
  return {
    raters: 2,
    marks: [...cell(a, [1, 1]), ...cell(b, [1, 0]), ...cell(c, [0, 1]), ...cell(d, [0, 0])],
  };
}

// Fleiss 1971, table 1: 30 patients, 6 psychiatrists, 5 diagnoses (from memory).
const FLEISS = fromCounts([
  [0, 0, 0, 6, 0],
  [0, 3, 0, 0, 3],
  [0, 1, 4, 0, 1],
  [0, 0, 0, 0, 6],
  [0, 3, 0, 3, 0],
  [2, 0, 4, 0, 0],
  [0, 0, 4, 0, 2],
  [2, 0, 3, 1, 0],
  [2, 0, 0, 4, 0],
  [0, 0, 0, 0, 6],
  [1, 0, 0, 5, 0],
  [1, 1, 0, 4, 0],
  [0, 3, 3, 0, 0],
  [1, 0, 0, 5, 0],
  [0, 2, 0, 3, 1],
  [0, 0, 5, 0, 1],
  [3, 0, 0, 1, 2],
  [5, 1, 0, 0, 0],
  [0, 2, 0, 4, 0],
  [1, 0, 2, 0, 3],
  [0, 0, 0, 0, 6],
  [0, 1, 0, 5, 0],
  [0, 2, 0, 1, 3],
  [2, 0, 0, 4, 0],
  [1, 0, 0, 4, 1],
  [0, 5, 0, 1, 0],
  [4, 0, 0, 0, 2],
  [0, 2, 0, 4, 0],
  [1, 0, 5, 0, 0],
  [0, 0, 0, 0, 6],
]);

// Krippendorff 2011, section C: 4 observers, 12 units, missing marks.
const _ = null;
const OBSERVERS = [
  [1, 2, 3, 3, 2, 1, 4, 1, 2, _, _, _],
  [1, 2, 3, 3, 2, 2, 4, 1, 2, 5, _, 3],
  [_, 3, 3, 3, 2, 3, 4, 2, 2, 5, 1, _],
  [1, 2, 3, 3, 2, 4, 4, 1, 2, 5, 1, _],
];
const KRIPPENDORFF: Ratings = {
  raters: 4,
  marks: Array.from({ length: 12 }, (_unit, u) => OBSERVERS.map((o) => o[u] ?? null)),
};

describe('published values', () => {
  it('Fleiss 1971: kappa .430, and the categories .245 .245 .520 .471 .566', () => {
    expect(fleissKappa(FLEISS).estimate).toBeCloseTo(0.43, 3);
    const categories = [...categoryKappas(FLEISS).values()];
    for (const [k, expected] of [0.245, 0.245, 0.52, 0.471, 0.566].entries()) {
      expect(categories[k]).toBeCloseTo(expected, 3);
    }
  });

  // R's irr::kappam.fleiss prints z = 17.7 for these data, which is kappa over the error of
  // Fleiss, Nee & Landis (from memory).
  it('Fleiss, Nee & Landis 1979: z is 17.7 for Fleiss’ psychiatrists', () => {
    const { estimate, standardError } = fleissKappa(FLEISS);
    expect((estimate ?? 0) / (standardError ?? 1)).toBeCloseTo(17.7, 1);
  });

  it.each([
    ['nominal', 0.743],
    ['ordinal', 0.815],
    ['interval', 0.849],
    ['ratio', 0.797],
  ] as const)('Krippendorff 2011: alpha %s is %d', (level, alpha) => {
    expect(krippendorffAlpha(KRIPPENDORFF, level).estimate).toBeCloseTo(alpha, 3);
  });

  // Gwet's example of the paradox, 125 subjects: kappa -.02 beside AC1 .94 (from memory).
  it('Gwet: 118, 5 / 2, 0 give AC1 .94 where kappa is -.02', () => {
    const ratings = fromCells(118, 5, 2, 0);
    expect(gwetAC(ratings).estimate).toBeCloseTo(0.941, 3);
    expect(cohenKappa(crossTable(ratings.marks as [number, number][])).estimate).toBeCloseTo(
      -0.0234,
      3,
    );
  });

  it('Scott’s pi by hand: 20, 5 / 10, 15 give .3939', () => {
    expect(scottPi(fromCells(20, 5, 10, 15)).estimate).toBeCloseTo((0.7 - 0.505) / 0.495, 10);
  });
});

describe('how the coefficients belong together', () => {
  const marks = fc.array(
    fc.array(fc.option(fc.integer({ min: 1, max: 4 }), { freq: 5 }), {
      minLength: 3,
      maxLength: 3,
    }),
    { minLength: 3, maxLength: 25 },
  );
  const close = (a: number | null, b: number | null) =>
    a === null || b === null ? expect(a).toBe(b) : expect(a).toBeCloseTo(b, 9);

  it('Conger’s kappa is Cohen’s for two raters', () => {
    const pairs = fc.array(
      fc.tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 })),
      { minLength: 3, maxLength: 30 },
    );
    fc.assert(
      fc.property(pairs, (rows) => {
        close(
          congerKappa({ raters: 2, marks: rows }).estimate,
          cohenKappa(crossTable(rows)).estimate,
        );
      }),
    );
  });

  it('Brennan-Prediger is PABAK, and Fleiss is Scott, for two raters and two categories', () => {
    const ratings = fromCells(12, 4, 3, 9);
    const table = crossTable(ratings.marks as [number, number][]);
    close(brennanPrediger(ratings).estimate, prevalenceBias(table).pabak.estimate);
    close(fleissKappa(ratings).estimate, scottPi(ratings).estimate);
  });

  it('nominal alpha is Fleiss’ kappa up to its small-sample term', () => {
    const n = FLEISS.marks.length * 6;
    const kappa = fleissKappa(FLEISS).estimate ?? NaN;
    close(krippendorffAlpha(FLEISS, 'nominal').estimate, kappa + (1 - kappa) / n);
  });

  it('no coefficient changes when the raters change places', () => {
    fc.assert(
      fc.property(marks, (rows) => {
        const plain = { raters: 3, marks: rows };
        const turned = {
          raters: 3,
          marks: rows.map(([a, b, c]) => [c ?? null, a ?? null, b ?? null]),
        };
        for (const f of [fleissKappa, congerKappa, lightKappa, gwetAC, brennanPrediger, scottPi]) {
          close(f(plain).estimate, f(turned).estimate);
        }
        for (const level of ['nominal', 'ordinal', 'interval', 'ratio'] as const) {
          close(
            krippendorffAlpha(plain, level).estimate,
            krippendorffAlpha(turned, level).estimate,
          );
        }
      }),
    );
  });

  it('is 1 where all raters agree and the marks vary', () => {
    const ratings = { raters: 3, marks: [1, 2, 2, 3, 1].map((m) => [m, m, m]) };
    for (const f of [fleissKappa, congerKappa, lightKappa, gwetAC, brennanPrediger]) {
      expect(f(ratings).estimate).toBeCloseTo(1, 12);
    }
    expect(krippendorffAlpha(ratings, 'ordinal').estimate).toBe(1);
  });
});

describe('weights', () => {
  it('make AC2 and weighted Fleiss at least as large as the unweighted for neighbouring slips', () => {
    const ratings: Ratings = {
      raters: 2,
      marks: [
        [1, 1],
        [2, 3],
        [3, 3],
        [1, 2],
        [3, 2],
        [1, 1],
      ],
    };
    const linear = agreementWeights(3, 'linear');
    expect(gwetAC(ratings, linear).estimate).toBeGreaterThan(gwetAC(ratings).estimate ?? 1);
    expect(fleissKappa(ratings, linear).estimate).toBeGreaterThan(
      fleissKappa(ratings).estimate ?? 1,
    );
  });
});

describe('what cannot be computed is said', () => {
  it('for one category, one rater and nobody', () => {
    const one = {
      raters: 2,
      marks: [
        [1, 1],
        [1, 1],
      ],
    };
    const alone = { raters: 1, marks: [[1], [2]] };
    const nobody = { raters: 2, marks: [[null, null]] };
    for (const f of [fleissKappa, congerKappa, lightKappa, gwetAC, brennanPrediger, scottPi]) {
      for (const ratings of [one, alone, nobody]) {
        const result = f(ratings);
        expect(result.estimate).toBeNull();
        expect(result.notes[0]).toMatch(/\w+ .* \w+/);
      }
    }
    expect(krippendorffAlpha(one, 'nominal').notes[0]).toMatch(/one and the same category/);
    expect(() => krippendorffAlpha({ raters: 2, marks: [['a', 'b']] }, 'interval')).toThrow(
      /must be numbers/,
    );
  });
});

describe('the bootstrap over subjects', () => {
  it('is the same for one seed and lies around the estimate', () => {
    const alpha = (r: Ratings) => krippendorffAlpha(r, 'nominal');
    const result = bootstrapSubjects(FLEISS, alpha, 400, 7);
    expect(result).toEqual(bootstrapSubjects(FLEISS, alpha, 400, 7));
    expect(result.lower).toBeLessThan(result.estimate ?? -1);
    expect(result.upper).toBeGreaterThan(result.estimate ?? 1);
  });

  it('agrees with the linearised error of Fleiss’ kappa', () => {
    const { lower, upper } = fleissKappa(FLEISS);
    const linearised = ((upper ?? 0) - (lower ?? 0)) / (2 * 1.959964);
    const boot = bootstrapSubjects(FLEISS, (r) => fleissKappa(r), 2000, 3).standardError ?? 0;
    // 30 subjects: the two errors differ by their own sampling; 15 % is what they show elsewhere.
    expect(Math.abs(boot / linearised - 1)).toBeLessThan(0.15);
  });
});
