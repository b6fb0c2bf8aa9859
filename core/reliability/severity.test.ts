import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { connectedSets } from './connectedness.ts';
import fixture from './fixtures/rasch.json' with { type: 'json' };
import { manyFacetRasch, STEPS_APART } from './manyFacetRasch.ts';
import { inseparable } from './identification.ts';
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
    // The error of the prediction, t with 3 degrees of freedom (3.182 in any table) on each side.
    const { effects } = predictEffects(marks, factors);
    const error = effects.get('examiner')?.standardError[0] ?? NaN;
    const reach = (examiners[0]?.upper ?? NaN) - (examiners[0]?.severity ?? NaN);
    expect(reach / error).toBeCloseTo(3.182, 3);
    expect((examiners[0]?.severity ?? NaN) - (examiners[0]?.lower ?? NaN)).toBeCloseTo(reach, 9);
  });

  it('has no interval where examiners are estimated not to differ, and says which variance is zero', () => {
    // Every candidate gets a set of marks of the same mean from each examiner.
    const even = [0, 1, 2, 3].flatMap((c) =>
      [0, 1].flatMap((e) =>
        [-1, 1].map((sign) => ({ c, e, mark: 10 * c + sign * (e === 0 ? 1 : 2) })),
      ),
    );
    const study = examinerSeverity(
      Float64Array.from(even, ({ mark }) => mark),
      [
        factor(
          'candidate',
          4,
          even.map(({ c }) => c),
        ),
        factor(
          'examiner',
          2,
          even.map(({ e }) => e),
        ),
      ],
      'examiner',
    );
    expect(study.examiners[0]).toMatchObject({ lower: null, upper: null });
    expect(study.notes).toEqual([
      'The variance of examiner is estimated as zero; it may be small or negative by chance.',
    ]);
    expect(() => examinerSeverity(Float64Array.of(1, 2), factors, 'nobody')).toThrow(
      /no factor nobody/,
    );
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
      expect(Math.abs((infit ?? 0) - 1)).toBeLessThan(0.2);
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

  // Six marks a candidate from steps of -1.2, 0, 1.2: joint estimates spread too far (Wright & Douglas
  // 1977), and what is left of it after the correction is what the note says.
  it('says by how much its thresholds lie too far out, and lies by no more', () => {
    const spans = Array.from({ length: 4 }, (_, seed) => {
      const { marks, factors } = circuit(400, 20 + seed);
      const { thresholds, notes } = manyFacetRasch(marks, factors);
      expect(notes).toContain(STEPS_APART);
      return ((thresholds[2] ?? NaN) - (thresholds[0] ?? NaN)) / 2.4;
    });
    const mean = spans.reduce((sum, x) => sum + x, 0) / spans.length;
    // The mean of four has an error of about .01.
    expect(mean).toBeGreaterThan(1.02);
    expect(mean).toBeLessThan(1.14);
    const passes = Float64Array.from([1, 0, 1, 1, 0, 1, 0, 0]);
    const two = [
      factor('candidate', 4, [0, 0, 1, 1, 2, 2, 3, 3]),
      factor('station', 2, [0, 1, 0, 1, 0, 1, 0, 1]),
    ];
    expect(manyFacetRasch(passes, two).notes).not.toContain(STEPS_APART);
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

  it('finds a fit of 1 on average where the marks are drawn from the model', () => {
    // What takes the fit after shrinkage finds .86 here, at six marks a candidate.
    const fits = Array.from({ length: 12 }, (_, seed) => {
      const { marks, factors } = circuit(80, 100 + seed);
      const { facets } = manyFacetRasch(marks, factors);
      const known = facets[0]?.elements.flatMap((e) => (e.infit === null ? [] : [e.infit])) ?? [];
      return known.reduce((sum, x) => sum + x, 0) / known.length;
    });
    const mean = fits.reduce((sum, x) => sum + x, 0) / fits.length;
    expect(Math.abs(mean - 1)).toBeLessThan(0.03);
  });

  describe('refuses a design whose levels cannot be told apart', () => {
    const design = (rows: readonly (readonly [c: number, s: number, e: number])[]) => {
      const column = (at: 0 | 1 | 2, name: string, names: string[]) => ({
        ...factor(
          name,
          Math.max(...rows.map((r) => r[at])) + 1,
          rows.map((r) => r[at]),
        ),
        names,
      });
      return [
        column(0, 'candidate', ['c1', 'c2', 'c3', 'c4', 'c5', 'c6', 'c7', 'c8']),
        column(1, 'station', ['knee', 'hip']),
        column(2, 'examiner', ['Ada', 'Ben', 'Cleo', 'Dan']),
      ];
    };
    const marks = (n: number) => Float64Array.from({ length: n }, (_, i) => i % 3);

    it('two circuits of the same stations, each with its own examiners', () => {
      const rows = [0, 1, 2, 3, 4, 5, 6, 7].flatMap((c) =>
        [0, 1].map((s) => [c, s, c < 4 ? (c + s) % 2 : 2 + ((c + s) % 2)] as const),
      );
      const factors = design(rows);
      expect(connectedSets(factors)).toHaveLength(1);
      expect(() => manyFacetRasch(marks(rows.length), factors)).toThrow(
        /examiner \{Ada, Ben\} against \{Cleo, Dan\} cannot be compared.*mended by candidates whom both examiner Ada and examiner Cleo mark/,
      );
      // One candidate whom both see at the knee joins them.
      const mended = design([...rows, [0, 0, 2] as const]);
      expect(inseparable(mended)).toEqual([]);
    });

    it('examiners who stay at one station', () => {
      const rows = [0, 1, 2, 3].flatMap((c) => [
        [c, 0, c % 2] as const,
        [c, 1, 2 + (c % 2)] as const,
      ]);
      expect(() => manyFacetRasch(marks(rows.length), design(rows))).toThrow(
        /station and examiner.*cannot be compared/,
      );
    });

    it('but not a circuit whose examiners change', () => {
      const { factors } = circuit(12, 3);
      expect(inseparable(factors)).toEqual([]);
    });
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
