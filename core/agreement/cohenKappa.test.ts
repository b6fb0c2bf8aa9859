import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { cohenKappa } from './cohenKappa.ts';
import { crossTable, fromCounts } from './crossTable.ts';
import { agreementWeights } from './weights.ts';

const table2 = (a: number, b: number, c: number, d: number) =>
  fromCounts(
    [0, 1],
    [
      [a, b],
      [c, d],
    ],
  );

describe('Cohen’s kappa against published tables', () => {
  // Feinstein & Cicchetti 1990, the paradox tables (from memory).
  it.each([
    [40, 9, 6, 45, 0.7],
    [80, 10, 5, 5, 0.32],
    [45, 15, 25, 15, 0.13],
    [25, 35, 5, 35, 0.26],
  ])('cells %d %d / %d %d give kappa %d', (a, b, c, d, kappa) => {
    expect(cohenKappa(table2(a, b, c, d)).estimate).toBeCloseTo(kappa, 2);
  });

  // Cohen 1968, table 1: shares of 200 cases, disagreement weights 0 1 3 / 1 0 6 / 3 6 0 (from memory).
  const cohen1968 = fromCounts(
    ['personality', 'neurosis', 'psychosis'],
    [
      [88, 14, 18],
      [10, 40, 10],
      [2, 6, 12],
    ],
  );

  it('gives .492 unweighted for Cohen 1968', () => {
    expect(cohenKappa(cohen1968).estimate).toBeCloseTo(0.492, 3);
  });

  it('gives .348 weighted for Cohen 1968, disagreement weights turned into agreement weights', () => {
    const disagreement = [
      [0, 1, 3],
      [1, 0, 6],
      [3, 6, 0],
    ];
    const weights = disagreement.map((row) => row.map((v) => 1 - v / 6));
    expect(cohenKappa(cohen1968, weights).estimate).toBeCloseTo(0.348, 3);
  });

  // Fleiss, Levin & Paik, Statistical Methods for Rates and Proportions, table 18.1 (from memory):
  // two raters, 100 subjects, kappa .68 with standard error .087.
  it('gives .68 and its standard error .087 for the diagnoses of Fleiss, Levin & Paik', () => {
    const result = cohenKappa(
      fromCounts(
        ['psychotic', 'neurotic', 'organic'],
        [
          [75, 1, 4],
          [5, 4, 1],
          [0, 0, 10],
        ],
      ),
    );
    expect(result.estimate).toBeCloseTo(0.68, 2);
    expect(result.standardError).toBeCloseTo(0.087, 2);
  });

  it('works out the docstring’s table: 20, 5 / 10, 15 give .40', () => {
    expect(cohenKappa(table2(20, 5, 10, 15)).estimate).toBeCloseTo(0.4, 12);
  });
});

describe('Cohen’s kappa says why it cannot be given', () => {
  it('when nobody was marked twice', () => {
    const result = cohenKappa(crossTable([[1, null] as const, [null, 0] as const]));
    expect(result).toMatchObject({ estimate: null, n: 0 });
    expect(result.notes[0]).toMatch(/No subject was marked by both/);
  });

  it('when both examiners used one category throughout', () => {
    const result = cohenKappa(table2(0, 0, 0, 12));
    expect(result.estimate).toBeNull();
    expect(result.notes[0]).toMatch(/one and the same category/);
  });
});

describe('the interval of kappa', () => {
  it('is none, and says what is true, where one examiner marks everybody alike', () => {
    const result = cohenKappa(table2(0, 0, 6, 18));
    expect(result).toMatchObject({ lower: null, upper: null });
    expect(result.estimate).toBeCloseTo(0, 12);
    expect(result.notes).toEqual([
      'The first examiner gave the same mark throughout, so kappa is 0 whatever the other did. ' +
        'They agreed on 18 of 24; no interval can be given.',
    ]);
    expect(cohenKappa(table2(0, 6, 0, 18)).notes[0]).toMatch(
      /The second examiner .* agreed on 18 of 24/,
    );
  });

  it('is none where all pairs agree, or none does', () => {
    const all = cohenKappa(table2(10, 0, 0, 5));
    expect(all).toMatchObject({ estimate: 1, lower: null, upper: null });
    expect(all.notes[0]).toMatch(/agreed on all 15, so the marks show no error/);
    const none = cohenKappa(table2(0, 5, 5, 0));
    expect(none).toMatchObject({ estimate: -1, lower: null, upper: null });
    expect(none.notes[0]).toMatch(/agreed on none of 10/);
  });

  it('does not depend on the names of the categories', () => {
    const plain = cohenKappa(
      fromCounts(
        [0, 1, 2],
        [
          [6, 1, 2],
          [0, 9, 1],
          [1, 0, 4],
        ],
      ),
    );
    const turned = cohenKappa(
      fromCounts(
        [0, 1, 2],
        [
          [4, 0, 1],
          [1, 9, 0],
          [2, 1, 6],
        ],
      ),
    );
    expect(turned.lower).toBeCloseTo(plain.lower ?? NaN, 10);
    expect(turned.upper).toBeCloseTo(plain.upper ?? NaN, 10);
  });

  it('is the exact interval of the agreement where half of all are done and nothing is rare', () => {
    // With even margins kappa = 2 po - 1: 24 of 30 agree. R's binom.test(24, 30): .614 to .923
    // (from memory). A little wider, for the error is estimated.
    const { lower, upper } = cohenKappa(table2(12, 3, 3, 12));
    expect(lower).toBeLessThan(2 * 0.614 - 1);
    expect(lower).toBeGreaterThan(2 * 0.57 - 1);
    expect(upper).toBeGreaterThan(2 * 0.923 - 1);
    expect(upper).toBeLessThan(2 * 0.95 - 1);
  });

  // A seeded corner of `npm run coverage`: the sizes a school has, skewed marks among them.
  it.each([
    [8, 0.5, 0.4],
    [8, 0.8, 0.8],
    [8, 0.95, 0.4],
    [16, 0.95, 0.8],
    [30, 0.8, 0.4],
    [100, 0.95, 0.6],
  ])(
    'holds the truth in 93 of 100 at %d pairs, prevalence %d, kappa %d',
    (n, prevalence, kappa) => {
      const chance = seededChance(2026);
      let shown = 0;
      let held = 0;
      for (let sample = 0; sample < 2000; sample++) {
        const cells = [0, 0, 0, 0] as [number, number, number, number];
        for (let i = 0; i < n; i++) {
          const draw = () => (chance.uniform() < prevalence ? 1 : 0);
          const first = draw();
          const second = chance.uniform() < kappa ? first : draw();
          cells[3 - 2 * first - second] = (cells[3 - 2 * first - second] ?? 0) + 1;
        }
        const { lower, upper } = cohenKappa(table2(...cells));
        if (lower === null || upper === null) continue;
        shown++;
        if (lower <= kappa && kappa <= upper) held++;
      }
      expect(shown).toBeGreaterThan(50);
      expect(held / shown).toBeGreaterThanOrEqual(0.93);
    },
  );
});

describe('Cohen’s kappa as a property', () => {
  const pairs = fc.array(fc.tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 })), {
    minLength: 2,
    maxLength: 60,
  });

  it('is 1 where the two columns are identical with two categories or more', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 2 }), (marks) => {
        fc.pre(new Set(marks).size > 1);
        const result = cohenKappa(crossTable(marks.map((m) => [m, m] as const)));
        expect(result.estimate).toBeCloseTo(1, 12);
      }),
    );
  });

  it('does not change when the raters are swapped or the categories relabelled', () => {
    fc.assert(
      fc.property(pairs, (marks) => {
        const plain = cohenKappa(crossTable(marks));
        const swapped = cohenKappa(crossTable(marks.map(([a, b]) => [b, a] as const)));
        const renamed = cohenKappa(crossTable(marks.map(([a, b]) => [`c${7 - a}`, `c${7 - b}`])));
        for (const other of [swapped, renamed]) {
          if (plain.estimate === null) expect(other.estimate).toBeNull();
          else {
            expect(other.estimate).toBeCloseTo(plain.estimate, 10);
            expect(other.standardError).toBeCloseTo(plain.standardError ?? NaN, 10);
          }
        }
      }),
    );
  });

  it('equals the unweighted kappa for two categories under any scheme', () => {
    const table = table2(12, 4, 3, 9);
    const plain = cohenKappa(table);
    expect(cohenKappa(table, agreementWeights(2, 'linear'))).toEqual(plain);
    expect(cohenKappa(table, agreementWeights(2, 'quadratic'))).toEqual(plain);
  });
});
