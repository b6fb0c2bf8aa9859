import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { connectedSets } from './connectedness.ts';
import fixture from './fixtures/rasch.json' with { type: 'json' };
import { manyFacetRasch } from './manyFacetRasch.ts';
import { examinerSeverity } from './severity.ts';
import { predictEffects } from './varianceComponents.ts';
import { estimateWarm } from './warmEstimate.ts';

const factor = (name: string, levels: number, level: ArrayLike<number>) => ({
  name,
  levels,
  level: Int32Array.from(level),
});

describe('severity from the mixed model', () => {
  // Balanced: every candidate meets every examiner, so the prediction is a shrunken mean.
  const chance = seededChance(8);
  const severity = [6, 0, -2, -4];
  const candidates = Array.from({ length: 40 }, () => 60 + 8 * chance.normal());
  const cells = candidates.flatMap((ability, c) =>
    severity.map((s, e) => ({ c, e, mark: ability - s + 3 * chance.normal() })),
  );
  const marks = Float64Array.from(cells, ({ mark }) => mark);
  const factors = [
    factor(
      'candidate',
      40,
      cells.map(({ c }) => c),
    ),
    factor(
      'examiner',
      4,
      cells.map(({ e }) => e),
    ),
  ];

  it('is the shrunken mean difference in a balanced table (Robinson 1991)', () => {
    const { components, effects } = predictEffects(marks, factors);
    const between = components.components.examiner ?? NaN;
    const shrink = (40 * between) / (40 * between + components.residual);
    const overall = marks.reduce((sum, y) => sum + y, 0) / marks.length;
    for (const e of severity.keys()) {
      const own = cells.filter((cell) => cell.e === e);
      const mean = own.reduce((sum, { mark }) => sum + mark, 0) / own.length;
      expect(effects.get('examiner')?.effect[e]).toBeCloseTo(shrink * (mean - overall), 6);
    }
  });

  it('finds the hard examiner, with an interval that holds the truth', () => {
    const { examiners } = examinerSeverity(marks, factors, 'examiner');
    const order = [...examiners].sort((a, b) => b.severity - a.severity).map((e) => e.level);
    expect(order).toEqual([0, 1, 2, 3]);
    expect(examiners[0]?.lower).toBeLessThan(6);
    expect(examiners[0]?.upper).toBeGreaterThan(6);
    expect(examiners[0]?.marks).toBe(40);
  });

  it('is refused where the design falls apart', () => {
    const apart = [factor('candidate', 4, [0, 1, 2, 3]), factor('examiner', 2, [0, 0, 1, 1])];
    expect(connectedSets(apart)).toHaveLength(2);
    expect(() => examinerSeverity(Float64Array.of(1, 2, 3, 5), apart, 'examiner')).toThrow(
      /falls apart into 2 sets/,
    );
  });
});

describe('many-facet Rasch', () => {
  // Made by fixtures/rasch.R with the versions named in the fixture. eRm maximises the likelihood
  // given the raw scores, we the joint one with the correction of Wright & Douglas; over 300
  // candidates and 12 stations the two differ by up to .03 logits, a fifth of a standard error.
  it(`gives the station difficulties of ${fixture.made}`, () => {
    const rows = fixture.marks.map((row) => [...row].map(Number));
    const cells = rows.flatMap((row, c) => row.map((mark, s) => ({ c, s, mark })));
    const result = manyFacetRasch(
      Float64Array.from(cells, ({ mark }) => mark),
      [
        factor(
          'candidate',
          rows.length,
          cells.map(({ c }) => c),
        ),
        factor(
          'station',
          12,
          cells.map(({ s }) => s),
        ),
      ],
    );
    for (const [s, expected] of fixture.difficulty.entries()) {
      expect(Math.abs((result.facets[1]?.elements[s]?.measure ?? NaN) - expected)).toBeLessThan(
        0.03,
      );
    }
    for (const { infit } of result.facets[1]?.elements ?? [])
      expect(Math.abs(infit - 1)).toBeLessThan(0.2);
  });

  /** Graded marks of a circuit: every candidate at every station, examiners changing. */
  function circuit(candidates: number, seed: number) {
    const chance = seededChance(seed);
    const difficulty = [-0.8, -0.3, 0, 0.2, 0.3, 0.6];
    const severity = [-0.7, -0.2, 0.1, 0.8];
    const steps = [-1.2, 0, 1.2];
    const rows: { c: number; s: number; e: number; mark: number }[] = [];
    const abilities = Array.from({ length: candidates }, () => 0.5 + chance.normal());
    for (const [c, ability] of abilities.entries()) {
      for (const [s, d] of difficulty.entries()) {
        const e = (c + s) % 4;
        const location = ability - d - (severity[e] ?? 0);
        const weights = [1];
        let exponent = 0;
        for (const step of steps) weights.push(Math.exp((exponent += location - step)));
        let u = chance.uniform() * weights.reduce((sum, w) => sum + w, 0);
        const mark = weights.findIndex((w) => (u -= w) < 0);
        rows.push({ c, s, e, mark });
      }
    }
    const factors = [
      factor(
        'candidate',
        candidates,
        rows.map((r) => r.c),
      ),
      factor(
        'station',
        6,
        rows.map((r) => r.s),
      ),
      factor(
        'examiner',
        4,
        rows.map((r) => r.e),
      ),
    ];
    return { marks: Float64Array.from(rows, (r) => r.mark), factors, severity, difficulty, steps };
  }

  it('recovers severities, difficulties and steps of drawn marks', () => {
    const { marks, factors, severity, difficulty, steps } = circuit(1500, 4);
    const { facets, thresholds, grades } = manyFacetRasch(marks, factors);
    expect(grades).toEqual([0, 1, 2, 3]);
    const measures = (f: number) => facets[f]?.elements.map((e) => e.measure) ?? [];
    for (const [e, s] of measures(2).entries())
      expect(Math.abs(s - (severity[e] ?? 0))).toBeLessThan(0.12);
    for (const [s, d] of measures(1).entries())
      expect(Math.abs(d - (difficulty[s] ?? 0))).toBeLessThan(0.12);
    for (const [k, t] of thresholds.entries())
      expect(Math.abs(t - (steps[k] ?? 0))).toBeLessThan(0.15);
    expect(facets[2]?.reliability).toBeGreaterThan(0.95);
    const fair = facets[2]?.elements.map((e) => e.fairAverage) ?? [];
    expect([...fair].sort((a, b) => b - a)).toEqual(fair);
  });

  it('gives a finite measure to a candidate with full marks, and says so', () => {
    const { marks, factors } = circuit(40, 6);
    for (const [i, c] of (factors[0]?.level ?? []).entries()) if (c === 0) marks[i] = 3;
    const { facets, notes } = manyFacetRasch(marks, factors);
    const best = facets[0]?.elements[0];
    expect(best).toMatchObject({ extreme: true });
    expect(Math.abs(best?.measure ?? Infinity)).toBeLessThan(10);
    expect(notes.join(' ')).toMatch(/of candidate have all marks at one end/);
  });

  it('refuses what cannot be measured', () => {
    const c = factor('candidate', 4, [0, 1, 2, 3]);
    const e = factor('examiner', 2, [0, 0, 1, 1]);
    expect(() => manyFacetRasch(Float64Array.of(0, 1, 0, 1), [c, e])).toThrow(/unconnected sets/);
    const one = factor('examiner', 1, [0, 0, 0, 0]);
    expect(() => manyFacetRasch(Float64Array.of(1, 1, 1, 1), [c, one])).toThrow(
      /All marks are equal/,
    );
    expect(() => manyFacetRasch(Float64Array.of(1, 1.5, 1, 2), [c, one])).toThrow(
      /not a whole grade/,
    );
  });
});

describe('Warm’s estimate', () => {
  it('is log 3 for one item of difficulty 0 that was passed, by hand', () => {
    expect(estimateWarm(1, [0], [0])).toBeCloseTo(Math.log(3), 6);
    expect(estimateWarm(0, [0], [0])).toBeCloseTo(-Math.log(3), 6);
  });
});
