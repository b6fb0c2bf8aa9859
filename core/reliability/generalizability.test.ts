import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { cheapestDesign, dependabilityAtCut, dStudy, dStudyGrid } from './dStudy.ts';
import { gStudy } from './generalizability.ts';
import type { Facet } from './generalizability.ts';
import { intraclass } from './intraclass.ts';
import { varianceComponents } from './varianceComponents.ts';

// Shrout & Fleiss 1979, table 2: six targets, four judges.
const ROWS = [
  [9, 2, 5, 8],
  [6, 1, 3, 2],
  [8, 4, 6, 8],
  [7, 1, 2, 6],
  [10, 5, 6, 9],
  [6, 2, 4, 7],
];

/** Marks of a crossed layout, the last facet running fastest. */
function layout(sizes: Record<string, number>, mark: (at: number[]) => number) {
  const names = Object.keys(sizes);
  const counts = Object.values(sizes);
  const total = counts.reduce((product, n) => product * n, 1);
  const places = Array.from({ length: total }, (_, i) => {
    let rest = i;
    return counts.map((_n, f) => {
      const below = counts.slice(f + 1).reduce((product, n) => product * n, 1);
      const at = Math.floor(rest / below);
      rest %= below;
      return at;
    });
  });
  const facets: Facet[] = names.map((name, f) => ({
    name,
    levels: counts[f] as number,
    level: Int32Array.from(places, (at) => at[f] as number),
  }));
  return { marks: Float64Array.from(places, mark), facets };
}

describe('a G study', () => {
  const targets = layout({ candidate: 6, examiner: 4 }, ([c, e]) => ROWS[c ?? 0]?.[e ?? 0] ?? 0);

  it('gives the mean squares of Shrout & Fleiss 1979, table 3, and their components', () => {
    const study = gStudy(targets.marks, targets.facets);
    expect(study.method).toBe('ANOVA');
    const printed = [11.24, 32.49, 1.02];
    for (const [i, line] of study.table.entries()) {
      expect(line.meanSquare).toBeCloseTo(printed[i] ?? NaN, 2);
    }
    expect(study.components.candidate).toBeCloseTo(2.556, 3);
    expect(study.components.examiner).toBeCloseTo(5.244, 3);
    expect(study.components.residual).toBeCloseTo(1.019, 3);
  });

  it('of two facets has Phi = ICC(2,k) and E rho² = ICC(3,k)', () => {
    const { components } = gStudy(targets.marks, targets.facets);
    const { ICC2k, ICC3k } = intraclass(ROWS).forms;
    const study = dStudy(components, { examiner: 4 });
    expect(study.dependability).toBeCloseTo(ICC2k.estimate ?? NaN, 10);
    expect(study.generalizability).toBeCloseTo(ICC3k.estimate ?? NaN, 10);
  });

  it('equals REML on balanced marks where no variance is negative', () => {
    const chance = seededChance(3);
    const draw = (n: number, sd: number) => Array.from({ length: n }, () => sd * chance.normal());
    const [c, s, e] = [draw(30, 5), draw(6, 3), draw(4, 2)];
    const [cs, ce, se] = [draw(180, 3), draw(120, 2), draw(24, 2)];
    const { marks, facets } = layout(
      { candidate: 30, station: 6, examiner: 4 },
      ([p = 0, q = 0, r = 0]) =>
        (c[p] ?? 0) +
        (s[q] ?? 0) +
        (e[r] ?? 0) +
        (cs[p * 6 + q] ?? 0) +
        (ce[p * 4 + r] ?? 0) +
        (se[q * 4 + r] ?? 0) +
        chance.normal() * 4,
    );
    const anova = gStudy(marks, facets);
    expect(Object.keys(anova.components)).toEqual([
      'candidate',
      'station',
      'examiner',
      'candidate:station',
      'candidate:examiner',
      'station:examiner',
      'residual',
    ]);
    expect(Math.min(...Object.values(anova.components))).toBeGreaterThan(0);
    // One mark taken out makes the layout unbalanced and the method REML; the figures hardly move.
    const keep = (values: Int32Array) => values.slice(1);
    const reml = gStudy(
      marks.slice(1),
      facets.map((facet) => ({ ...facet, level: keep(facet.level) })),
    );
    expect(reml.method).toBe('REML');
    for (const [name, variance] of Object.entries(anova.components)) {
      expect(Math.abs((reml.components[name] ?? NaN) / variance - 1), name).toBeLessThan(0.1);
    }
    const two = layout({ candidate: 6, examiner: 4 }, ([p = 0, q = 0]) => ROWS[p]?.[q] ?? 0);
    const fit = varianceComponents(two.marks, two.facets);
    expect(fit.components.candidate).toBeCloseTo(
      gStudy(two.marks, two.facets).components.candidate ?? NaN,
      4,
    );
  });

  it('knows examiners nested in stations: no main effect of examiners, one within stations', () => {
    const { marks, facets } = layout(
      { candidate: 5, station: 3, examiner: 2 },
      ([c = 0, s = 0, e = 0]) => 3 * c + s * e + ((c * 7 + s * 5 + e * 3) % 4),
    );
    const nested = ownExaminers(facets).map((f) =>
      f.name === 'examiner' ? { ...f, within: 'station' } : f,
    );
    const study = gStudy(marks, nested);
    expect(study.method).toBe('ANOVA');
    expect(study.table.map(({ term, df }) => [term, df])).toEqual([
      ['candidate', 4],
      ['station', 2],
      ['candidate:station', 8],
      ['station:examiner', 3],
      ['residual', 12],
    ]);
  });

  /** Two examiners at each station, who are others at the next. */
  const ownExaminers = (facets: readonly Facet[]): Facet[] =>
    facets.map((f) =>
      f.name === 'examiner'
        ? { ...f, levels: 6, level: f.level.map((e, i) => 2 * (facets[1]?.level[i] ?? 0) + e) }
        : f,
    );

  it('finds nesting that nobody declared, and says so', () => {
    const { marks, facets } = layout(
      { candidate: 5, station: 3, examiner: 2 },
      ([c = 0, s = 0, e = 0]) => 3 * c + s * e + ((c * 7 + s * 5 + e * 3) % 4),
    );
    const silent = gStudy(marks, ownExaminers(facets));
    const declared = gStudy(
      marks,
      ownExaminers(facets).map((f) => (f.name === 'examiner' ? { ...f, within: 'station' } : f)),
    );
    expect(silent.components).toEqual(declared.components);
    expect(silent.notes[0]).toMatch(
      /examiner is taken as nested in station, though nobody declared/,
    );
    expect(declared.notes.join(' ')).not.toMatch(/nobody declared/);
  });

  it('refuses a nesting that the marks contradict, that runs in a circle, or of the object', () => {
    const { marks, facets } = layout({ candidate: 4, station: 3, examiner: 2 }, ([c = 0]) => c);
    const within = (inner: string, outer: string, own = facets) =>
      own.map((f) => (f.name === inner ? { ...f, within: outer } : f));
    expect(() => gStudy(marks, within('examiner', 'station'))).toThrow(
      /examiner 1 is found with station 1 and station 2.*a name of its own/,
    );
    const circle = within('station', 'examiner', within('examiner', 'station'));
    expect(() => gStudy(marks, circle)).toThrow(/each be nested in the other/);
    expect(() => gStudy(marks, within('examiner', 'examiner'))).toThrow(/cannot be nested/);
    const circuits = [
      facets[0] as Facet,
      { name: 'circuit', levels: 2, level: (facets[0] as Facet).level.map((c) => c % 2) },
      facets[1] as Facet,
    ];
    expect(() => gStudy(marks, circuits)).toThrow(/Every candidate is found with one circuit only/);
  });

  it('refuses facets that part the marks in the same way', () => {
    const { marks, facets } = layout({ candidate: 4, station: 3 }, ([c = 0, s = 0]) => c * s);
    const twin = { ...(facets[1] as Facet), name: 'examiner' };
    expect(() => gStudy(marks, [...facets, twin])).toThrow(
      /station and examiner part the marks in the same way/,
    );
  });

  it('says which estimate was negative, and refuses two marks in one cell', () => {
    const { marks, facets } = layout({ candidate: 2, examiner: 2 }, ([c = 0, e = 0]) =>
      c === e ? 1 : 0,
    );
    expect(gStudy(marks, facets).notes.join(' ')).toMatch(/candidate was negative.*set to zero/);
    const [candidate, examiner] = facets as [Facet, Facet];
    const twice = [
      { ...candidate, level: Int32Array.of(0, 0, 0, 1, 1) },
      { ...examiner, level: Int32Array.of(0, 0, 1, 0, 1) },
    ];
    expect(() => gStudy(Float64Array.of(1, 2, 3, 4, 5), twice)).toThrow(/one mark a cell/);
  });
});

describe('a G study of marks that are no full table', () => {
  // Twelve candidates, three stations, three examiners who go round: a candidate meets every
  // examiner once, so that a candidate at a station and a candidate with an examiner are the same.
  const cells = Array.from({ length: 12 }, (_, c) =>
    [0, 1, 2].flatMap((s) => [0, 1].map((i) => ({ c, s, e: (c + s) % 3, i }))),
  ).flat();
  const facet = (name: string, levels: number, of: (cell: (typeof cells)[number]) => number) => ({
    name,
    levels,
    level: Int32Array.from(cells, of),
  });
  const marks = Float64Array.from(cells, ({ c, s, e, i }) => {
    const noise = ((c * 31 + s * 17 + e * 7 + i * 5) % 13) / 13;
    return 50 + 3 * (c % 5) + 4 * s + 2 * e + i + 6 * noise;
  });

  it('lets the simpler of two effects that part the marks alike stand for both, and says so', () => {
    const study = gStudy(marks, [
      facet('candidate', 12, ({ c }) => c),
      facet('station', 3, ({ s }) => s),
      facet('examiner', 3, ({ e }) => e),
      facet('item', 2, ({ i }) => i),
    ]);
    expect(study.method).toBe('REML');
    expect(study.notes).toContain(
      'candidate:examiner cannot be told apart from candidate:station in these marks and is part of it.',
    );
    expect(study.notes).toContain(
      'candidate:station:item cannot be told apart from the residual in these marks and is part of it.',
    );
    expect(Object.keys(study.components)).toContain('candidate:station');
    expect(Object.keys(study.components)).not.toContain('candidate:examiner');
  });

  it('names whatever a nesting names that is no facet, and asks for two facets', () => {
    const own = facet('candidate', 12, ({ c }) => c);
    const station = facet('station', 3, ({ s }) => s);
    expect(() =>
      gStudy(marks, [
        own,
        { ...facet('item', 2, ({ i }) => i), within: 'station' },
        { ...station, within: 'building' },
      ]),
    ).toThrow(/station cannot be nested in building|item is not nested in station/);
    expect(() => gStudy(marks, [own])).toThrow(/an object and one facet at least/);
  });
});

describe('a D study', () => {
  // Brennan 2001, synthetic data set 3, p x i x o (G study components from memory): with four
  // items and two occasions E rho² is .64 and Phi .55.
  const brennan = {
    p: 0.5528,
    i: 0.4417,
    o: 0.0074,
    'p:i': 0.575,
    'p:o': 0.1009,
    'i:o': 0.1565,
    residual: 0.9352,
  };

  it('gives Brennan’s coefficients for four items and two occasions', () => {
    const study = dStudy(brennan, { i: 4, o: 2 }, 'p');
    expect(study.generalizability).toBeCloseTo(0.64, 2);
    expect(study.dependability).toBeCloseTo(0.55, 2);
  });

  it('is the docstring’s by hand', () => {
    const study = dStudy({ p: 0.55, i: 0.44, residual: 0.93 }, { i: 4 }, 'p');
    expect(study.generalizability).toBeCloseTo(0.703, 3);
    expect(study.dependability).toBeCloseTo(0.616, 3);
  });

  it('never loses dependability by more stations or examiners, and Phi never exceeds E rho²', () => {
    const size = fc.integer({ min: 1, max: 20 });
    fc.assert(
      fc.property(size, size, (i, o) => {
        const small = dStudy(brennan, { i, o }, 'p');
        const large = dStudy(brennan, { i: i + 1, o: o + 1 }, 'p');
        expect(large.dependability).toBeGreaterThan(small.dependability ?? 1);
        expect(small.dependability).toBeLessThanOrEqual(small.generalizability ?? 0);
      }),
    );
  });

  it('is most doubtful where the cut lies at the mean', () => {
    const at = (cut: number) =>
      dependabilityAtCut(brennan, { i: 4, o: 2 }, { mean: 6, cut, candidates: 100 }, 'p') ?? NaN;
    expect(at(6)).toBeCloseTo(dStudy(brennan, { i: 4, o: 2 }, 'p').dependability ?? NaN, 10);
    expect(at(4)).toBeGreaterThan(at(5));
    expect(at(8)).toBeCloseTo(at(4), 10);
  });

  it('is what the formula for a cut says, by hand', () => {
    // p 4, i 2, residual 6 over 4 items: relative error 1.5, absolute 2. The mean of 10 candidates
    // errs by (4 + 1.5) / 10 + (2 - 1.5) = 1.05; at a cut 3 away 9 - 1.05 is distance: 11.95 of 13.95.
    const parts = { p: 4, i: 2, residual: 6 };
    const at = dependabilityAtCut(parts, { i: 4 }, { mean: 8, cut: 5, candidates: 10 }, 'p');
    expect(at).toBeCloseTo(11.95 / 13.95, 12);
  });

  it('finds the cheapest design of a grid, and none where none is good enough', () => {
    const grid = dStudyGrid(brennan, { i: [4, 8, 16], o: [1, 2] }, 'p');
    expect(grid).toHaveLength(6);
    const price = { minutes: 10, candidates: 60 };
    const best = cheapestDesign(grid, 0.6, price);
    const enough = grid.filter((d) => (d.dependability ?? 0) >= 0.6);
    const hours = enough.map((d) => ((d.sizes.i ?? 0) * (d.sizes.o ?? 0) * 600) / 60);
    expect(best?.examinerHours).toBe(Math.min(...hours));
    // What just reaches the wish is good enough; of two at one price the more dependable is taken.
    const [first] = grid;
    expect(cheapestDesign(grid.slice(0, 1), first?.dependability ?? NaN, price)?.sizes).toEqual({
      i: 4,
      o: 1,
    });
    const even = dStudyGrid(brennan, { i: [2, 8, 4], o: [2, 4, 1] }, 'p').filter(
      ({ sizes }) => (sizes.i ?? 0) * (sizes.o ?? 0) === 8,
    );
    for (const order of [even, [...even].reverse()]) {
      expect(cheapestDesign(order, 0.3, price)?.sizes).toEqual({ i: 8, o: 1 });
    }
    const dearFirst = [...grid].reverse();
    expect(cheapestDesign(dearFirst, 0.6, price)?.examinerHours).toBe(best?.examinerHours);
    expect(cheapestDesign(grid, 0.99, price)).toBeNull();
    expect(cheapestDesign(grid, 0.6, price, 10)).toBeNull();
    const hoursOfBest = best?.examinerHours ?? NaN;
    expect(cheapestDesign(grid, 0.6, price, hoursOfBest)?.examinerHours).toBe(hoursOfBest);
  });

  it('refuses sizes that say nothing', () => {
    expect(() => dStudy(brennan, { i: 4 }, 'p')).toThrow(/How many os is not said/);
    expect(() => dStudy(brennan, { i: 4, o: 2 }, 'x')).toThrow(/no component of x/);
    // Nothing varies, so nothing can be depended on.
    const none = dStudy({ p: 0, i: 0, residual: 0 }, { i: 4 }, 'p');
    expect(none).toMatchObject({ generalizability: null, dependability: null, sem: 0 });
    // An error as large as what is measured leaves half.
    const half = dStudy({ p: 2, residual: 8 }, { i: 4 }, 'p');
    expect(half.dependability).toBeCloseTo(0.5, 12);
    expect(() => dStudy(brennan, { i: 0, o: 1 }, 'p')).toThrow(/1 or more/);
  });
});
