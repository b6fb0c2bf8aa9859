import fc from 'fast-check';
import { sampleCorrelation, sampleCovariance, sampleVariance } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { internalConsistency, spearmanBrown } from './internalConsistency.ts';
import { EVEN_RATERS, FORMS, intraclass } from './intraclass.ts';

// Shrout & Fleiss 1979, table 2: six targets, four judges.
const ROWS = [
  [9, 2, 5, 8],
  [6, 1, 3, 2],
  [8, 4, 6, 8],
  [7, 1, 2, 6],
  [10, 5, 6, 9],
  [6, 2, 4, 7],
];

describe('intraclass correlations', () => {
  it('are those of Shrout & Fleiss 1979, table 4', () => {
    const { forms } = intraclass(ROWS);
    const published = [0.17, 0.29, 0.71, 0.44, 0.62, 0.91];
    for (const [i, form] of FORMS.entries()) {
      expect(forms[form].estimate, form).toBeCloseTo(published[i] ?? NaN, 2);
    }
  });

  // R's psych::ICC prints for these data: ICC1 F 1.79 on 5 and 18, interval -.13 to .72;
  // ICC2 .02 to .76; ICC3 F 11.03 on 5 and 15, .34 to .95 (from memory).
  it('have the F tests and intervals that psych::ICC prints', () => {
    const { ICC11, ICC21, ICC31 } = intraclass(ROWS).forms;
    expect(ICC11.F).toBeCloseTo(1.79, 2);
    expect([ICC11.df1, ICC11.df2]).toEqual([5, 18]);
    expect(ICC11.lower).toBeCloseTo(-0.133, 2);
    expect(ICC11.upper).toBeCloseTo(0.723, 2);
    expect(ICC21.mcGrawWong?.lower).toBeCloseTo(0.019, 2);
    expect(ICC21.mcGrawWong?.upper).toBeCloseTo(0.761, 2);
    expect(ICC31.F).toBeCloseTo(11.03, 2);
    expect(ICC31.lower).toBeCloseTo(0.342, 2);
    expect(ICC31.upper).toBeCloseTo(0.946, 2);
    expect(ICC31.p).toBeLessThan(0.001);
  });

  // The whole table that psych::ICC prints for these data (Revelle, manual of psych; from memory).
  it.each([
    ['ICC11', 18, 1.79, 0.165, -0.133, 0.723],
    ['ICC21', 15, 11.03, 0.00013, 0.019, 0.761],
    ['ICC31', 15, 11.03, 0.00013, 0.342, 0.946],
    ['ICC1k', 18, 1.79, 0.165, -0.884, 0.912],
    ['ICC2k', 15, 11.03, 0.00013, 0.071, 0.927],
    ['ICC3k', 15, 11.03, 0.00013, 0.676, 0.986],
  ] as const)(
    '%s has %d degrees of freedom below, its F, p and interval',
    (form, df2, F, p, low, high) => {
      const own = intraclass(ROWS).forms[form];
      expect([own.df1, own.df2]).toEqual([5, df2]);
      expect(own.F).toBeCloseTo(F, 2);
      expect(own.p).toBeCloseTo(p, 3);
      // That of agreement is McGraw & Wong's there; ours holds with few raters and stands in its place.
      const { lower, upper } = own.mcGrawWong ?? own;
      expect(lower).toBeCloseTo(low, 2);
      expect(upper).toBeCloseTo(high, 2);
    },
  );

  // Mean squares of Shrout & Fleiss 1979, table 3: targets 11.24, within 6.26, judges 32.49, error 1.02.
  it('give the errors of measurement by hand: root(5.24 + 1.02), root 1.02, 2.77 times the first', () => {
    const { semAgreement, semConsistency, mdc95, subjects, raters } = intraclass(ROWS);
    expect(semConsistency).toBeCloseTo(Math.sqrt(1.0194), 3);
    expect(semAgreement).toBeCloseTo(Math.sqrt((32.4861 - 1.0194) / 6 + 1.0194), 3);
    expect(mdc95).toBeCloseTo(1.96 * Math.SQRT2 * (semAgreement ?? NaN), 3);
    expect([subjects, raters]).toEqual([6, 4]);
  });

  it('warn of few raters who differ, and only of those', () => {
    const warning = /generalised one\. That of McGraw & Wong .* too short with 4 raters who differ/;
    const { forms } = intraclass(ROWS);
    expect(forms.ICC21.notes[0]).toMatch(warning);
    expect(forms.ICC2k.notes[0]).toMatch(warning);
    expect(forms.ICC21.notes[1]).toBe(EVEN_RATERS);
    for (const form of ['ICC11', 'ICC31', 'ICC1k', 'ICC3k'] as const) {
      expect(forms[form].notes).toEqual([]);
      expect(forms[form].mcGrawWong).toBeNull();
    }
    // Ten raters, each with a level of their own.
    const many = ROWS.map((row) =>
      [0, 1, 2, 3, 4, 5, 6, 7, 8, 9].map((j) => (row[j % 4] ?? 0) + j),
    );
    expect(intraclass(many).forms.ICC21.notes).toEqual([EVEN_RATERS]);
    // Raters alike on the whole, who differ only case by case.
    const alike = intraclass([
      [1, 2],
      [2, 1],
      [5, 6],
      [6, 5],
    ]);
    expect(alike.forms.ICC21.notes).toEqual([]);
    expect(alike.semAgreement).toBeCloseTo(alike.semConsistency ?? NaN, 12);
  });

  it('keep their degrees of freedom where there is nothing to estimate', () => {
    const one = intraclass([[3], [4], [5]]);
    expect(one.forms.ICC21).toMatchObject({ estimate: null, df1: 2, df2: 0, F: null, p: null });
    expect(one).toMatchObject({ semAgreement: null, mdc95: null, subjects: 3, raters: 1 });
    expect(intraclass([]).forms.ICC31).toMatchObject({ df1: 0, df2: 0 });
    const empty = intraclass([
      [null, null],
      [3, 4],
      [5, null],
    ]);
    expect(empty).toMatchObject({ subjects: 2, missing: 1 });
  });

  // R's psych 2.2.9, ICC(x, missing = FALSE, lmer = TRUE), prints these for two marks taken out.
  // It goes through lme4, whose search stops at about 1e-5 of the ratio of variances.
  it('come from REML components where marks are missing, as psych::ICC has them', () => {
    const gaps = ROWS.map((row, i) =>
      row.map((x, j) => ((i === 1 && j === 2) || (i === 4 && j === 0) ? null : x)),
    );
    const { forms, missing } = intraclass(gaps);
    expect(missing).toBe(2);
    const printed = [0.1821292, 0.3007334, 0.7161397, 0.4711088, 0.6323906, 0.9098404];
    for (const [i, form] of FORMS.entries()) {
      expect(forms[form].estimate, form).toBeCloseTo(printed[i] ?? NaN, 4);
    }
    expect(forms.ICC11.F).toBeCloseTo(1.890748, 3);
    expect(forms.ICC31.F).toBeCloseTo(11.091437, 2);
    expect(forms.ICC21.mcGrawWong?.lower).toBeCloseTo(0.02088116, 4);
    expect(forms.ICC21.mcGrawWong?.upper).toBeCloseTo(0.7701231, 4);
    expect(forms.ICC31.notes[0]).toMatch(/2 marks are missing.*REML.*approximate/);
  });

  it('are 1 where the raters agree, and undefined where nothing varies', () => {
    const same = intraclass([
      [1, 1],
      [2, 2],
      [4, 4],
    ]);
    for (const form of FORMS)
      expect(same.forms[form]).toMatchObject({ estimate: 1, F: null, p: 0 });
    expect(same.forms.ICC21).toMatchObject({ lower: null, upper: null });
    expect(same.forms.ICC2k).toMatchObject({ lower: null, upper: null });
    // Raters who differ by a constant leave no error, and yet agreement has an interval.
    const constant = intraclass([
      [1, 2],
      [2, 3],
      [4, 5],
    ]).forms;
    expect(constant.ICC31.estimate).toBe(1);
    expect(constant.ICC21.estimate).toBeLessThan(1);
    expect(constant.ICC21.lower).toBeLessThan(constant.ICC21.estimate ?? NaN);
    expect(
      intraclass([
        [3, 3],
        [3, 3],
      ]).forms.ICC21.notes[0],
    ).toMatch(/All marks are equal/);
    expect(intraclass([[3], [4]]).forms.ICC21.notes[0]).toMatch(/One rater alone/);
    expect(intraclass([[3, 4]]).forms.ICC21.notes[0]).toMatch(/Fewer than two subjects/);
  });

  it('of consistency ignore a rater’s level, those of agreement do not', () => {
    const marks = fc.array(
      fc.array(fc.integer({ min: 0, max: 20 }), { minLength: 3, maxLength: 3 }),
      { minLength: 4, maxLength: 15 },
    );
    fc.assert(
      fc.property(marks, (rows) => {
        const plain = intraclass(rows).forms;
        fc.pre(plain.ICC31.estimate !== null && (plain.ICC31.F ?? 0) > 1.5);
        const shifted = intraclass(rows.map((row) => row.map((x, j) => x + 100 * j))).forms;
        expect(shifted.ICC31.estimate).toBeCloseTo(plain.ICC31.estimate ?? NaN, 8);
        expect(shifted.ICC21.estimate).toBeLessThan(plain.ICC21.estimate ?? NaN);
      }),
    );
  });
});

describe('internal consistency', () => {
  it('alpha is ICC(3,k), with the interval of the same F', () => {
    const { alpha } = internalConsistency(ROWS);
    const { ICC3k } = intraclass(ROWS).forms;
    expect(alpha.estimate).toBeCloseTo(ICC3k.estimate ?? NaN, 10);
    expect(alpha.lower).toBeCloseTo(ICC3k.lower ?? NaN, 8);
    expect(alpha.upper).toBeCloseTo(ICC3k.upper ?? NaN, 8);
  });

  it('lambda-2 is never below alpha (Guttman 1945)', () => {
    const rows = fc.array(
      fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 4, maxLength: 4 }),
      { minLength: 5, maxLength: 20 },
    );
    fc.assert(
      fc.property(rows, (marks) => {
        const { alpha, guttmanLambda2 } = internalConsistency(marks);
        if (alpha.estimate === null) return;
        expect(guttmanLambda2).toBeGreaterThanOrEqual(alpha.estimate - 1e-9);
      }),
    );
  });

  // Guttman 1945 and the split half written plainly over simple-statistics' moments.
  it('has lambda-2 and the split half that a general-purpose library gives', () => {
    const columns = [0, 1, 2, 3].map((j) => ROWS.map((row) => row[j] ?? NaN));
    const totals = ROWS.map((row) => row.reduce((a, b) => a + b, 0));
    const own = columns.reduce((sum, x) => sum + sampleVariance(x), 0);
    const squares = columns
      .flatMap((x, i) => columns.flatMap((y, j) => (i === j ? [] : [sampleCovariance(x, y) ** 2])))
      .reduce((a, b) => a + b, 0);
    const lambda = 1 - (own - Math.sqrt((4 / 3) * squares)) / sampleVariance(totals);
    const half = (parity: number) =>
      ROWS.map((row) => row.reduce((sum, x, j) => (j % 2 === parity ? sum + x : sum), 0));
    const r = sampleCorrelation(half(0), half(1));
    const found = internalConsistency(ROWS);
    expect(found.guttmanLambda2).toBeCloseTo(lambda, 10);
    expect(found.spearmanBrown).toBeCloseTo((2 * r) / (1 + r), 10);
    expect(found.alpha.notes).toEqual([]);
  });

  it('leaves out rows with gaps, and has nothing where too little is left', () => {
    const gaps = internalConsistency([...ROWS, [9, null, 9, 9]]);
    expect(gaps).toMatchObject({ n: 6, leftOut: 1 });
    expect(gaps.alpha.notes).toEqual(['1 rows with empty cells were left out.']);
    const none = internalConsistency([[null, 1, 2]]);
    expect(none).toMatchObject({ n: 0, leftOut: 1, guttmanLambda2: null, spearmanBrown: null });
    expect(none.alpha.estimate).toBeNull();
    expect(internalConsistency([[1], [2]])).toMatchObject({
      guttmanLambda2: null,
      spearmanBrown: null,
    });
    // Halves that run exactly against each other have no length at which they would be reliable.
    const against = internalConsistency([
      [1, 2],
      [2, 1],
      [3, 0],
    ]);
    expect(against).toMatchObject({ guttmanLambda2: null, spearmanBrown: null });
    expect(internalConsistency([[1, 2]]).spearmanBrown).toBeNull();
    expect(
      internalConsistency([
        [1, 2],
        [1, 3],
      ]).spearmanBrown,
    ).toBeNull();
  });

  it('steps a reliability of .5 up to .667 at double length (Spearman & Brown)', () => {
    expect(spearmanBrown(0.5, 2)).toBeCloseTo(2 / 3, 12);
  });

  it('gives alpha without a column, and the column’s correlation with the rest', () => {
    const { alphaIfDeleted, itemTotal } = internalConsistency(ROWS);
    expect(alphaIfDeleted[0]).toBeCloseTo(
      internalConsistency(ROWS.map((r) => r.slice(1))).alpha.estimate ?? NaN,
      12,
    );
    for (const r of itemTotal) expect(r).toBeGreaterThan(0.5);
  });

  it('says why there is no alpha', () => {
    expect(internalConsistency([[1], [2]]).alpha.notes[0]).toMatch(/two columns/);
    expect(
      internalConsistency([
        [1, 2],
        [2, 1],
      ]).alpha.notes[0],
    ).toMatch(/do not vary/);
  });
});
