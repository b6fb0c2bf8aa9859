import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { predictEffects, varianceComponents } from './varianceComponents.ts';
import type { Factor } from './factor.ts';

const factor = (name: string, level: readonly number[]): Factor => ({
  name,
  levels: Math.max(...level) + 1,
  level: Int32Array.from(level),
});

/** A full table of rows by columns as marks with two factors. */
function crossed(rows: readonly (readonly number[])[]) {
  const marks = rows.flat();
  const level = (pick: (i: number, j: number) => number) =>
    rows.flatMap((row, i) => row.map((_, j) => pick(i, j)));
  return {
    marks: Float64Array.from(marks),
    factors: [
      factor(
        'candidate',
        level((i) => i),
      ),
      factor(
        'examiner',
        level((_, j) => j),
      ),
    ],
  };
}

describe('variance components by REML', () => {
  // Davies & Goldsmith 1972, yield of dyestuff from six batches; lme4's documentation prints
  // batch 1764.05, residual 2451.25, intercept 1527.5, REML criterion 319.6543 (from memory).
  it('are those of the Dyestuff data', () => {
    const batches = [
      [1545, 1440, 1440, 1520, 1580],
      [1540, 1555, 1490, 1560, 1495],
      [1595, 1550, 1605, 1510, 1560],
      [1445, 1440, 1595, 1465, 1545],
      [1595, 1630, 1515, 1635, 1625],
      [1520, 1455, 1450, 1480, 1445],
    ];
    const marks = Float64Array.from(batches.flat());
    const result = varianceComponents(marks, [
      factor(
        'batch',
        batches.flatMap((b, i) => b.map(() => i)),
      ),
    ]);
    // The minimum is found to about 1e-5 of a standard deviation ratio.
    expect(result.components.batch).toBeCloseTo(1764.05, 1);
    expect(result.residual).toBeCloseTo(2451.25, 1);
    expect(result.intercept).toBeCloseTo(1527.5, 6);
    expect(-2 * result.logRestrictedLikelihood).toBeCloseTo(319.6543, 3);
  });

  // Shrout & Fleiss 1979: BMS 11.24, JMS 32.49, EMS 1.02 for six targets and four judges.
  it('equal the ANOVA components of Shrout & Fleiss’ balanced table', () => {
    const { marks, factors } = crossed([
      [9, 2, 5, 8],
      [6, 1, 3, 2],
      [8, 4, 6, 8],
      [7, 1, 2, 6],
      [10, 5, 6, 9],
      [6, 2, 4, 7],
    ]);
    const { components, residual } = varianceComponents(marks, factors);
    expect(components.candidate).toBeCloseTo((11.2417 - 1.0194) / 4, 3);
    expect(components.examiner).toBeCloseTo((32.4861 - 1.0194) / 6, 3);
    expect(residual).toBeCloseTo(1.0194, 3);
  });

  it('set a variance that would be negative to zero and say so', () => {
    const { marks, factors } = crossed([
      [1, 9, 4],
      [9, 4, 1],
      [4, 1, 9],
    ]);
    const { components, notes } = varianceComponents(marks, factors);
    expect(components.candidate).toBe(0);
    expect(notes.join(' ')).toMatch(/candidate is estimated as zero/);
  });

  it('find the variances that unbalanced marks were drawn from', () => {
    const chance = seededChance(5);
    const ability = Array.from({ length: 400 }, () => 2 * chance.normal());
    const severity = Array.from({ length: 120 }, () => chance.normal());
    const who: number[] = [];
    const by: number[] = [];
    const marks = Array.from({ length: 6000 }, () => {
      const c = chance.below(400);
      const e = Math.floor(chance.uniform() ** 2 * 120);
      who.push(c);
      by.push(e);
      return 50 + (ability[c] ?? 0) + (severity[e] ?? 0) + 3 * chance.normal();
    });
    const { components, residual } = varianceComponents(Float64Array.from(marks), [
      factor('candidate', who),
      factor('examiner', by),
    ]);
    // Standard errors of the estimates are about 0.3, 0.13 and 0.17; three of them are allowed.
    expect(Math.abs((components.candidate ?? 0) - 4)).toBeLessThan(0.9);
    expect(Math.abs((components.examiner ?? 0) - 1)).toBeLessThan(0.45);
    expect(Math.abs(residual - 9)).toBeLessThan(0.55);
  });

  it('do not depend on the order of the factors, nor on where zero is', () => {
    const table = fc.array(
      fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 4, maxLength: 4 }),
      { minLength: 4, maxLength: 7 },
    );
    fc.assert(
      fc.property(table, (rows) => {
        fc.pre(new Set(rows.flat()).size > 3);
        const { marks, factors } = crossed(rows);
        const plain = varianceComponents(marks, factors);
        fc.pre(plain.residual > 0.5);
        const turned = varianceComponents(
          marks.map((y) => y + 1000),
          [...factors].reverse(),
        );
        expect(turned.residual / plain.residual).toBeCloseTo(1, 3);
        expect(turned.logRestrictedLikelihood).toBeCloseTo(plain.logRestrictedLikelihood, 4);
      }),
      { numRuns: 40 },
    );
  });

  // Balanced groups in closed form (Robinson 1991; Searle, Casella & McCulloch 1992, chapter 7): the
  // prediction of an effect is h times the deviation of its mean, h = k s_u^2 / (k s_u^2 + s^2); its
  // error has the variance s_u^2 (1 - h) + h^2 (s_u^2 + s^2 / k) / m, the last part from the mean.
  it('predict effects with the error that the mean’s own error is part of', () => {
    const groups = [
      [10, 12, 14],
      [20, 19, 24],
      [15, 18, 12],
      [30, 26, 28],
    ];
    const [m, k] = [4, 3];
    const marks = Float64Array.from(groups.flat());
    const level = groups.flatMap((own, g) => own.map(() => g));
    const { components, effects } = predictEffects(marks, [factor('candidate', level)]);
    const between = components.components.candidate ?? NaN;
    const { residual } = components;
    const h = (k * between) / (k * between + residual);
    const variance = between * (1 - h) + (h * h * (between + residual / k)) / m;
    const overall = groups.flat().reduce((a, b) => a + b, 0) / (m * k);
    for (const [g, own] of groups.entries()) {
      const mean = own.reduce((a, b) => a + b, 0) / k;
      expect(effects.get('candidate')?.effect[g]).toBeCloseTo(h * (mean - overall), 5);
      expect(effects.get('candidate')?.standardError[g]).toBeCloseTo(Math.sqrt(variance), 5);
    }
  });

  it('say what is nested in what, unless the name says it', () => {
    const marks = Float64Array.from({ length: 24 }, (_, i) => ((i * 7) % 11) + (i % 3));
    const station = Array.from({ length: 24 }, (_, i) => Math.floor(i / 8));
    const examiner = Array.from({ length: 24 }, (_, i) => Math.floor(i / 4));
    const notesOf = (name: string, outer: string) =>
      varianceComponents(marks, [factor(outer, station), factor(name, examiner)]).notes.join(' ');
    expect(notesOf('examiner', 'station')).toMatch(
      /Every examiner is found with one station only: the variance of examiner is that within station\./,
    );
    expect(notesOf('station:examiner', 'station')).not.toMatch(/found with one/);
    expect(notesOf('station:examiner', 'station:room')).toMatch(/found with one station:room only/);
  });

  it('are refused where they cannot be seen', () => {
    const marks = Float64Array.from([1, 2, 3, 4]);
    expect(() => varianceComponents(marks, [factor('candidate', [0, 1, 2, 3])])).toThrow(
      /for every mark/,
    );
    expect(() => varianceComponents(marks, [factor('examiner', [0, 0, 0, 0])])).toThrow(
      /one level only/,
    );
    expect(() =>
      varianceComponents(Float64Array.from([2, 2, 2, 2]), [factor('a', [0, 0, 1, 1])]),
    ).toThrow(/All marks are equal/);
  });

  it('refuse marks of which all of one level are alike: the likelihood has no greatest value', () => {
    const marks = Float64Array.from([5, 5, 7, 7, 9, 9]);
    const factor = { name: 'candidate', levels: 3, level: Int32Array.from([0, 0, 1, 1, 2, 2]) };
    expect(() => varianceComponents(marks, [factor])).toThrow(
      /same candidate never differ, so that nothing is left/,
    );
    marks[5] = 8;
    expect(varianceComponents(marks, [factor]).residual).toBeGreaterThan(0);
  });
});
