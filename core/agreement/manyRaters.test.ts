import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { acceleratedBounds, bootstrapSubjects } from './bootstrapSubjects.ts';
import type { Resampled } from './bootstrapSubjects.ts';
import { brennanPrediger } from './brennanPrediger.ts';
import { cohenKappa, prepareCohenKappa } from './cohenKappa.ts';
import { congerKappa, prepareCongerKappa } from './congerKappa.ts';
import { crossTable, tableOfPair } from './crossTable.ts';
import { categoryKappas, fleissKappa, prepareFleissKappa } from './fleissKappa.ts';
import { gwetAC, prepareGwetAC } from './gwetAC.ts';
import { krippendorffAlpha, prepareKrippendorffAlpha } from './krippendorffAlpha.ts';
import { lightKappa, prepareLightKappa } from './lightKappa.ts';
import { prevalenceBias } from './prevalenceBias.ts';
import type { Ratings } from './ratings.ts';
import { prepareScottPi, scottPi } from './scottPi.ts';
import { tally } from './tally.ts';
import type { Tally } from './tally.ts';
import { agreementWeights } from './weights.ts';

/** Ratings from counts per subject and category, as Fleiss prints them; order within a row is free. */
function fromCounts(counts: readonly (readonly number[])[]): Tally {
  const marks = counts.map((row) => row.flatMap((n, k) => Array.from({ length: n }, () => k)));
  return tally({ raters: marks[0]?.length ?? 0, marks });
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
const KRIPPENDORFF = tally({
  raters: 4,
  marks: Array.from({ length: 12 }, (_unit, u) => OBSERVERS.map((o) => o[u] ?? null)),
});

function close(a: number | null, b: number | null): void {
  closeTo(a, b, 9);
}

function closeTo(a: number | null, b: number | null, digits: number): void {
  if (a === null || b === null) expect(a).toBe(b);
  else expect(a).toBeCloseTo(b, digits);
}

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
    expect(gwetAC(tally(ratings)).estimate).toBeCloseTo(0.941, 3);
    expect(cohenKappa(crossTable(ratings.marks as [number, number][])).estimate).toBeCloseTo(
      -0.0234,
      3,
    );
  });

  it('Scott’s pi by hand: 20, 5 / 10, 15 give .3939', () => {
    expect(scottPi(tally(fromCells(20, 5, 10, 15))).estimate).toBeCloseTo(
      (0.7 - 0.505) / 0.495,
      10,
    );
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

  it('Conger’s kappa is Cohen’s for two raters', () => {
    const pairs = fc.array(
      fc.tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 })),
      { minLength: 3, maxLength: 30 },
    );
    fc.assert(
      fc.property(pairs, (rows) => {
        close(
          congerKappa(tally({ raters: 2, marks: rows })).estimate,
          cohenKappa(crossTable(rows)).estimate,
        );
      }),
    );
  });

  it('Brennan-Prediger is PABAK, and Fleiss is Scott, for two raters and two categories', () => {
    const ratings = fromCells(12, 4, 3, 9);
    const table = crossTable(ratings.marks as [number, number][]);
    close(brennanPrediger(tally(ratings)).estimate, prevalenceBias(table).pabak.estimate);
    close(fleissKappa(tally(ratings)).estimate, scottPi(tally(ratings)).estimate);
  });

  it('nominal alpha is Fleiss’ kappa up to its small-sample term', () => {
    const n = 30 * 6;
    const kappa = fleissKappa(FLEISS).estimate ?? NaN;
    close(krippendorffAlpha(FLEISS, 'nominal').estimate, kappa + (1 - kappa) / n);
  });

  it('no coefficient, error or interval changes when the raters change places', () => {
    fc.assert(
      fc.property(marks, (rows) => {
        const plain = tally({ raters: 3, marks: rows });
        const turned = tally({
          raters: 3,
          marks: rows.map(([a, b, c]) => [c ?? null, a ?? null, b ?? null]),
        });
        for (const f of [fleissKappa, congerKappa, lightKappa, gwetAC, brennanPrediger, scottPi]) {
          const [one, other] = [f(plain), f(turned)];
          for (const key of ['estimate', 'standardError', 'lower', 'upper'] as const) {
            closeTo(one[key], other[key], f === lightKappa ? 6 : 9);
          }
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
    const ratings = tally({ raters: 3, marks: [1, 2, 2, 3, 1].map((m) => [m, m, m]) });
    for (const f of [fleissKappa, congerKappa, lightKappa, gwetAC, brennanPrediger]) {
      expect(f(ratings).estimate).toBeCloseTo(1, 12);
    }
    expect(krippendorffAlpha(ratings, 'ordinal').estimate).toBe(1);
  });
});

describe('weights', () => {
  it('make AC2 and weighted Fleiss at least as large as the unweighted for neighbouring slips', () => {
    const ratings = tally({
      raters: 2,
      marks: [
        [1, 1],
        [2, 3],
        [3, 3],
        [1, 2],
        [3, 2],
        [1, 1],
      ],
    });
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
        const result = f(tally(ratings));
        expect(result.estimate).toBeNull();
        expect(result.notes[0]).toMatch(/\w+ .* \w+/);
      }
    }
    expect(krippendorffAlpha(tally(one), 'nominal').notes[0]).toMatch(/one and the same category/);
    expect(() => krippendorffAlpha(tally({ raters: 2, marks: [['a', 'b']] }), 'interval')).toThrow(
      /must be numbers/,
    );
  });
});

describe('the bootstrap over subjects', () => {
  const bootstrap = (resampled: Resampled, resamples: number, seed: number) =>
    bootstrapSubjects(FLEISS, { it: resampled }, { resamples, seed }).it;

  it('is the same for one seed and lies around the estimate', () => {
    const alpha = {
      whole: krippendorffAlpha(FLEISS, 'nominal'),
      prepared: prepareKrippendorffAlpha(FLEISS, 'nominal'),
    };
    const result = bootstrap(alpha, 400, 7);
    expect(result).toEqual(bootstrap(alpha, 400, 7));
    expect(result.lower).toBeLessThan(result.estimate ?? -1);
    expect(result.upper).toBeGreaterThan(result.estimate ?? 1);
  });

  it('agrees with the linearised error of Fleiss’ kappa', () => {
    const { lower, upper } = fleissKappa(FLEISS);
    const linearised = ((upper ?? 0) - (lower ?? 0)) / (2 * 1.959964);
    const fleiss = { whole: fleissKappa(FLEISS), prepared: prepareFleissKappa(FLEISS) };
    const boot = bootstrap(fleiss, 2000, 3).standardError ?? 0;
    // 30 subjects: the two errors differ by their own sampling, of which 15 % is what they show
    // elsewhere, and 2,000 resamples by four times 1.6 % more.
    expect(Math.abs(boot / linearised - 1)).toBeLessThan(0.21);
  });

  it('evaluates every coefficient on the whole as the coefficient itself does', () => {
    const marks = fc.array(
      fc.array(fc.option(fc.integer({ min: 1, max: 3 }), { freq: 6 }), {
        minLength: 2,
        maxLength: 2,
      }),
      { minLength: 4, maxLength: 25 },
    );
    fc.assert(
      fc.property(marks, fc.constantFrom('linear' as const, undefined), (rows, scheme) => {
        const own = tally({ raters: 2, marks: rows }, [1, 2, 3]);
        const weights = scheme && agreementWeights(3, scheme);
        const kappa = cohenKappa(tableOfPair(own, 0, 1), weights).estimate;
        close(prepareCohenKappa(own, weights)(own.times), kappa);
        close(prepareLightKappa(own, weights)(own.times), kappa);
        close(prepareCongerKappa(own, weights)(own.times), congerKappa(own, weights).estimate);
        close(prepareGwetAC(own, weights)(own.times), gwetAC(own, weights).estimate);
        close(prepareScottPi(own, weights)(own.times), scottPi(own, weights).estimate);
      }),
    );
  });

  // Efron & Tibshirani 1993, section 14.3: BCa reads the percentiles at the normal ones where
  // there is neither bias nor acceleration.
  it('reads a BCa interval at the plain percentiles where nothing is skewed', () => {
    const sorted = Array.from({ length: 1001 }, (_, i) => i - 500);
    const even = [-1, 1, -2, 2].map((value) => ({ value, times: 1 }));
    const [lower, upper] = acceleratedBounds(sorted, 0, even);
    expect(lower).toBeCloseTo(0.025, 10);
    expect(upper).toBeCloseTo(0.975, 10);
    // A long tail to the right in the jackknife turns both limits to the right.
    const skewed = [-1, -1, -1, 3].map((value) => ({ value: -value, times: 1 }));
    expect(acceleratedBounds(sorted, 0, skewed)[1]).toBeGreaterThan(0.975);
  });
});

describe('the error of Conger’s kappa', () => {
  it('is for two raters that of Fleiss, Cohen & Everitt 1969, with weights and without', () => {
    const ratings = tally(fromCells(22, 7, 3, 18));
    for (const weights of [undefined, agreementWeights(2, 'quadratic')]) {
      const { standardError } = cohenKappa(tableOfPair(ratings, 0, 1), weights);
      close(congerKappa(ratings, weights).standardError, standardError);
    }
    const three = tally({
      raters: 2,
      marks: [
        [1, 1],
        [2, 3],
        [3, 3],
        [1, 2],
        [3, 2],
        [1, 1],
        [2, 2],
        [3, 1],
      ],
    });
    const linear = agreementWeights(3, 'linear');
    close(
      congerKappa(three, linear).standardError,
      cohenKappa(tableOfPair(three, 0, 1), linear).standardError,
    );
  });
});
