import { describe, expect, it } from 'vitest';
import { connectedSets } from './connectedness.ts';
import { spread } from './facetMeasures.ts';
import type { ElementMeasure } from './facetMeasures.ts';
import { inseparable, sayInseparable } from './identification.ts';
import { manyFacetRasch } from './manyFacetRasch.ts';
import { estimateWarm } from './warmEstimate.ts';

const factor = (name: string, levels: number, level: ArrayLike<number>) => ({
  name,
  levels,
  level: Int32Array.from(level),
});

describe('separation and reliability of a facet', () => {
  const element = (measure: number, standardError: number): ElementMeasure => ({
    level: 0,
    measure,
    standardError,
    infit: 1,
    outfit: 1,
    marks: 10,
    observedAverage: 1,
    fairAverage: 1,
    extreme: false,
  });

  // Wright & Masters 1982, chapter 5, by hand: variance 4, mean square error 1, so 3 of 4 is real.
  it('measures 0, 2, 4 with errors of 1: separation root 3, reliability .75', () => {
    const { separation, reliability } = spread([element(0, 1), element(2, 1), element(4, 1)]);
    expect(separation).toBeCloseTo(Math.sqrt(3), 12);
    expect(reliability).toBeCloseTo(0.75, 12);
  });

  it('takes the mean of squared errors, and needs two elements', () => {
    // Variance 8, mean square error (1 + 9) / 2 = 5: 3 of 8 is real.
    const { separation, reliability } = spread([element(10, 1), element(14, 3)]);
    expect(separation).toBeCloseTo(Math.sqrt(3 / 5), 12);
    expect(reliability).toBeCloseTo(3 / 8, 12);
    expect(spread([element(1, 1)])).toEqual({ separation: null, reliability: null });
    expect(spread([element(1, 1), element(1, 1)])).toEqual({ separation: 0, reliability: null });
  });
});

/** Everybody passes or fails each of two items; `both` pass both, and so on. */
function twoItems(counts: { both: number; first: number; second: number; none: number }) {
  const rows = [
    ...Array.from({ length: counts.both }, () => [1, 1]),
    ...Array.from({ length: counts.first }, () => [1, 0]),
    ...Array.from({ length: counts.second }, () => [0, 1]),
    ...Array.from({ length: counts.none }, () => [0, 0]),
  ];
  const cells = rows.flatMap((row, c) => row.map((mark, i) => ({ c, i, mark })));
  return {
    marks: Float64Array.from(cells, ({ mark }) => mark),
    factors: [
      factor(
        'candidate',
        rows.length,
        cells.map(({ c }) => c),
      ),
      factor(
        'item',
        2,
        cells.map(({ i }) => i),
      ),
    ],
  };
}

describe('two items, in closed form', () => {
  // Of those who pass one of two items, the odds of which are exp(d2 - d1) (Rasch 1960; Andersen
  // 1973). The joint estimate is twice that for two items; Wright & Douglas halve it again.
  const { marks, factors } = twoItems({ both: 8, first: 30, second: 10, none: 6 });
  const { facets, notes, grades, n } = manyFacetRasch(marks, factors);
  const [candidates, items] = facets;

  it('differ by the log odds of passing the one alone: log 3', () => {
    const [first, second] = items?.elements.map((e) => e.measure) ?? [];
    expect((second ?? NaN) - (first ?? NaN)).toBeCloseTo(Math.log(3), 5);
    expect((second ?? NaN) + (first ?? NaN)).toBeCloseTo(0, 9);
    expect([grades, n]).toEqual([[0, 1], 108]);
  });

  it('measure candidates by Warm’s estimate over both items', () => {
    const rest = items?.elements.map((e) => -e.measure) ?? [];
    const expected = (total: number) => estimateWarm(total, rest, [0]);
    // Both, one, and none: in the order in which they stand above.
    expect(candidates?.elements[0]?.measure).toBeCloseTo(expected(2), 5);
    expect(candidates?.elements[8]?.measure).toBeCloseTo(expected(1), 5);
    expect(candidates?.elements[53]?.measure).toBeCloseTo(expected(0), 5);
  });

  it('say who stands at an end, and give those no fit', () => {
    expect(notes).toEqual([
      '14 of candidate have all marks at one end of the scale; their measures are estimates beyond what was seen.',
    ]);
    expect(candidates?.elements[0]).toMatchObject({ extreme: true, infit: null, outfit: null });
    expect(candidates?.elements[8]).toMatchObject({
      extreme: false,
      marks: 2,
      observedAverage: 0.5,
    });
    // Among those with one pass, p is 1/2 and the odds 3: residuals by hand. Candidates who pass
    // the easy item alone fit better than the model expects, who pass the hard one alone worse.
    expect(candidates?.elements[8]?.infit).toBeLessThan(1);
    expect(candidates?.elements[40]?.infit).toBeGreaterThan(1);
    expect(candidates?.elements[40]?.outfit).toBeGreaterThan(1);
  });

  it('give a fair average that an average candidate would get', () => {
    const mean =
      (candidates?.elements.reduce((sum, e) => sum + e.measure, 0) ?? NaN) /
      (candidates?.elements.length ?? NaN);
    for (const item of items?.elements ?? []) {
      expect(item.fairAverage).toBeCloseTo(1 / (1 + Math.exp(-(mean - item.measure))), 6);
      expect(item.infit).toBeGreaterThan(0.5);
      expect(item.outfit).toBeGreaterThan(0.5);
      expect(item.outfit).toBeLessThan(1.5);
    }
    const ability = candidates?.elements[8]?.measure ?? NaN;
    expect(candidates?.elements[8]?.fairAverage).toBeCloseTo(1 / (1 + Math.exp(-ability)), 6);
  });
});

describe('grades that nobody used', () => {
  const rows = [
    [0, 1],
    [1, 4],
    [4, 1],
    [1, 0],
    [4, 4],
    [0, 4],
  ];
  const cells = rows.flatMap((row, c) => row.map((mark, i) => ({ c, i, mark })));
  const factors = [
    factor(
      'candidate',
      6,
      cells.map(({ c }) => c),
    ),
    factor(
      'item',
      2,
      cells.map(({ i }) => i),
    ),
  ];

  it('are closed up and counted: of 0, 1 and 4 the grades 2 and 3', () => {
    const { grades, notes, thresholds } = manyFacetRasch(
      Float64Array.from(cells, ({ mark }) => mark),
      factors,
    );
    expect(grades).toEqual([0, 1, 4]);
    expect(thresholds).toHaveLength(2);
    expect(notes[0]).toBe(
      '2 grades between the lowest and the highest were never used and are closed up.',
    );
    const plain = manyFacetRasch(
      Float64Array.from(cells, ({ mark }) => Math.min(mark, 2)),
      factors,
    );
    expect(plain.notes.join(' ')).not.toMatch(/never used/);
    expect(plain.thresholds[0]).toBeCloseTo(thresholds[0] ?? NaN, 9);
  });

  it('needs candidates and one facet more', () => {
    expect(() => manyFacetRasch(Float64Array.of(0, 1), [factor('candidate', 2, [0, 1])])).toThrow(
      /one facet more/,
    );
  });
});

describe('Warm’s estimate of a location', () => {
  it('moves against what the other facets add', () => {
    const at = (rest: number[]) => estimateWarm(2, rest, [0]);
    expect(at([1, 0.5, -1])).toBeCloseTo(at([0, -0.5, -2]) - 1, 6);
  });
});

describe('parts of a design that never meet', () => {
  it('are listed with the largest first', () => {
    const [largest, other] = connectedSets([
      factor('candidate', 3, [0, 1, 1, 2, 2]),
      factor('examiner', 2, [0, 1, 1, 1, 1]),
    ]);
    expect(largest).toEqual({ marks: 4, levels: [[1, 2], [1]] });
    expect(other).toEqual({ marks: 1, levels: [[0], [0]] });
  });
});

describe('groups that cannot be compared', () => {
  // Two circuits of the same stations: one examiner sees candidates 1 to 3, two see 4 to 9.
  const rows = [0, 1, 2, 3, 4, 5, 6, 7, 8].flatMap((c) =>
    [0, 1].map((s) => ({ c, s, e: c < 3 ? 0 : 1 + ((c + s) % 2) })),
  );
  const examiner = {
    ...factor(
      'examiner',
      3,
      rows.map(({ e }) => e),
    ),
    names: ['Ada', 'Ben', 'Cleo'],
  };
  const station = factor(
    'station',
    2,
    rows.map(({ s }) => s),
  );
  const candidate = factor(
    'candidate',
    9,
    rows.map(({ c }) => c),
  );

  it.each([
    ['examiners before stations', [candidate, examiner, station]],
    ['stations before examiners', [candidate, station, examiner]],
    ['candidates last', [examiner, station, candidate]],
  ])('are found in whatever order the facets are named, %s', (_, factors) => {
    expect(inseparable(factors)).toEqual([
      { facet: 'examiner', groups: [['Ben', 'Cleo'], ['Ada']] },
    ]);
  });

  it('are numbered from one where the levels have no names', () => {
    const [found] = inseparable(
      [candidate, { ...examiner, names: undefined }, station].map(({ name, levels, level }) => ({
        name,
        levels,
        level,
      })),
    );
    expect(found?.groups).toEqual([['2', '3'], ['1']]);
  });

  it('are said with six names of a group at most', () => {
    const names = (n: number) => Array.from({ length: n }, (_, i) => `E${i + 1}`);
    const said = (n: number) =>
      sayInseparable([{ facet: 'examiner', groups: [names(n), ['Zoe']] }], 'candidate');
    expect(said(6)).toMatch(/\{E1, E2, E3, E4, E5, E6\} against \{Zoe\}/);
    expect(said(8)).toMatch(/\{E1, E2, E3, E4, E5, E6 and 2 more\} against \{Zoe\}/);
    const five = ['a', 'b', 'c', 'd', 'e', 'f'].map((name) => [name]);
    expect(sayInseparable([{ facet: 'station', groups: five }], 'candidate')).toMatch(
      /\{d\} and 2 more groups cannot be compared/,
    );
    expect(sayInseparable([], 'candidate')).toBe('');
  });
});
