import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BANDS, bandOf, bandOfEstimate } from './bands.ts';
import { cohenKappa } from './cohenKappa.ts';
import { fromCounts } from './crossTable.ts';
import { stuartMaxwell } from './marginalTest.ts';
import { maximumKappa } from './maximumKappa.ts';
import { candidatesForIntraclass, candidatesForKappa } from './sampleSize.ts';
import { withinSubjectSd } from './withinSubject.ts';

const table = (counts: number[][]) =>
  fromCounts(
    counts.map((_, i) => i),
    counts,
  );

describe('the largest kappa that the margins allow', () => {
  it('is .80 for 20, 5 / 10, 15, by hand', () => {
    expect(
      maximumKappa(
        table([
          [20, 5],
          [10, 15],
        ]),
      ),
    ).toBeCloseTo(0.8, 12);
  });

  it('is never below kappa, and 1 for equal margins', () => {
    const cell = fc.integer({ min: 0, max: 40 });
    fc.assert(
      fc.property(cell, cell, cell, cell, (a, b, c, d) => {
        const own = table([
          [a, b],
          [c, d],
        ]);
        const kappa = cohenKappa(own).estimate;
        const most = maximumKappa(own);
        if (kappa === null || most === null) return;
        expect(most).toBeGreaterThanOrEqual(kappa - 1e-12);
        if (b === c) expect(most).toBeCloseTo(1, 12);
      }),
    );
  });
});

describe('the test of equal margins', () => {
  it('is McNemar’s chi-square for two categories: (2 - 8)² / 10 = 3.6', () => {
    const result = stuartMaxwell(
      table([
        [10, 2],
        [8, 20],
      ]),
    );
    expect(result?.chiSquare).toBeCloseTo(3.6, 10);
    expect(result?.df).toBe(1);
  });

  // Unaided distance vision of right and left eye, 7,477 women (Stuart 1955; the classic table as
  // printed by Agresti, Categorical Data Analysis, table 10.5): chi-square 11.96 on 3 degrees.
  it('gives 11.96 on 3 degrees for Stuart’s vision data', () => {
    const vision = [
      [1520, 266, 124, 66],
      [234, 1512, 432, 78],
      [117, 362, 1772, 205],
      [36, 82, 179, 492],
    ];
    const result = stuartMaxwell(table(vision));
    expect(result?.chiSquare).toBeCloseTo(11.957, 2);
    expect(result?.df).toBe(3);
    expect(result?.p).toBeCloseTo(0.0075, 3);
  });

  it('adds up blocks between which nobody moved: two McNemar statistics on 2 degrees', () => {
    // By hand; three degrees were counted here once.
    const apart = table([
      [20, 1, 0, 0],
      [10, 20, 0, 0],
      [0, 0, 9, 2],
      [0, 0, 2, 9],
    ]);
    const result = stuartMaxwell(apart);
    // McNemar: (1 - 10)^2 / 11 = 7.364 and (2 - 2)^2 / 4 = 0.
    expect(result?.chiSquare).toBeCloseTo(81 / 11, 10);
    expect(result?.df).toBe(2);
    // Chi-square on 2 degrees: p = exp(-x / 2).
    expect(result?.p).toBeCloseTo(Math.exp(-81 / 22), 10);
  });

  it('tells a category that stands apart from one in the middle, whatever their order', () => {
    // Marks move between the first and the last category only, and between the two in the middle.
    const crossing = table([
      [5, 0, 0, 3],
      [0, 5, 1, 0],
      [0, 7, 5, 0],
      [9, 0, 0, 5],
    ]);
    const result = stuartMaxwell(crossing);
    expect(result).toMatchObject({ df: 2, chiSquare: expect.closeTo(36 / 12 + 36 / 8, 10) });
  });

  it('has nothing to say where nobody disagrees, and leaves unused categories out', () => {
    expect(
      stuartMaxwell(
        table([
          [5, 0],
          [0, 7],
        ]),
      ),
    ).toBeNull();
    expect(
      stuartMaxwell(
        table([
          [10, 2, 0],
          [8, 20, 0],
          [0, 0, 0],
        ]),
      )?.df,
    ).toBe(1);
  });
});

describe('how many candidates are needed', () => {
  it('for a kappa of .6 within .2 at prevalence .5: 62, by hand', () => {
    expect(candidatesForKappa(0.6, 0.5, 0.2)).toBe(62);
  });

  it('for an intraclass correlation of .8 of two examiners within .1: 55 (Bonett 2002, by hand)', () => {
    expect(candidatesForIntraclass(0.8, 2, 0.1)).toBe(55);
  });

  it('grows as the interval narrows and as passes become rare', () => {
    expect(candidatesForKappa(0.6, 0.5, 0.1)).toBeGreaterThan(candidatesForKappa(0.6, 0.5, 0.2));
    expect(candidatesForKappa(0.6, 0.95, 0.2)).toBeGreaterThan(candidatesForKappa(0.6, 0.5, 0.2));
  });

  it('is refused for what no study can have', () => {
    expect(() => candidatesForKappa(1, 0.5, 0.1)).toThrow(/between 0 and 1/);
    expect(() => candidatesForKappa(0.5, 0.5, 0)).toThrow(/above 0/);
    expect(() => candidatesForIntraclass(0.5, 1, 0.1)).toThrow(/two raters/);
  });
});

describe('words for a coefficient', () => {
  it('are judged on the lower limit', () => {
    const kappa = {
      estimate: 0.72,
      lower: 0.48,
      upper: 0.9,
      standardError: 0.1,
      method: '',
      n: 30,
      notes: [],
    };
    expect(bandOfEstimate(kappa, 'landis-koch')).toBe('moderate');
    expect(bandOfEstimate({ ...kappa, lower: null }, 'altman')).toBeNull();
  });

  it('start where the tables say: .81 almost perfect, .80 substantial; .75 good, .74 moderate', () => {
    expect([0.81, 0.8, -0.1].map((x) => bandOf(x, 'landis-koch'))).toEqual([
      'almost perfect',
      'substantial',
      'poor',
    ]);
    expect([0.9, 0.75, 0.74, 0.4].map((x) => bandOf(x, 'koo-li'))).toEqual([
      'excellent',
      'good',
      'moderate',
      'poor',
    ]);
    expect(Object.keys(BANDS)).toHaveLength(3);
  });
});

describe('the within-subject standard deviation', () => {
  it('is 1 for (10, 12) and (20, 20), by hand', () => {
    expect(
      withinSubjectSd([
        [10, 12],
        [20, 20],
        [5, null],
      ]),
    ).toMatchObject({ estimate: 1, n: 2 });
    expect(withinSubjectSd([[5, null]]).notes[0]).toMatch(/measured twice/);
  });
});
