import { describe, expect, it } from 'vitest';
import { drawn } from './examinerEffects.ts';
import type { ExaminationTrust } from './examinationTrust.ts';
import { GradeMoments } from './gradeMoments.ts';
import { internalConsistency } from './internalConsistency.ts';
import { intraclass } from './intraclass.ts';
import { manyFacetRasch } from './manyFacetRasch.ts';
import { sayTrust } from './sayTrust.ts';

/** Where a figure ends: what stands at an edge, what is missing, what comes in any order. */

describe('internal consistency', () => {
  it('says which rows it has too few of', () => {
    const { alpha } = internalConsistency([
      [1, 2],
      [3, null],
    ]);
    expect(alpha.notes).toContain('Alpha needs two complete rows and two columns at least.');
    const flat = internalConsistency([
      [1, 2],
      [2, 1],
    ]);
    expect(flat.alpha.notes).toContain('The totals do not vary, so alpha is undefined.');
  });

  it('halves two rows too: halves that go together are one half twice', () => {
    // Halves 1, 2 and 1, 2: they correlate by 1, and so does their sum.
    const { spearmanBrown } = internalConsistency([
      [1, 1],
      [2, 2],
    ]);
    expect(spearmanBrown).toBeCloseTo(1, 12);
    expect(internalConsistency([[1, 1]]).spearmanBrown).toBeNull();
  });
});

describe('the interval of an intraclass correlation of agreement', () => {
  it('is told where the judges are alike on average, and not where they agree wholly', () => {
    // Both columns have mean 3, and no row is the same: no severity, some error.
    const rows = [
      [1, 2],
      [2, 1],
      [4, 5],
      [5, 4],
    ];
    const one = intraclass(rows).forms.ICC21;
    // McGraw & Wong's own, which stands beside ours.
    expect(one.mcGrawWong?.lower).toBeLessThan(one.estimate ?? NaN);
    expect(one.mcGrawWong?.upper).toBeGreaterThan(one.estimate ?? NaN);
    const same = intraclass(rows.map(([x = 0]) => [x, x])).forms.ICC21;
    expect(same).toMatchObject({ estimate: 1, mcGrawWong: { lower: null, upper: null } });
  });
});

describe('the chances of grades', () => {
  it('are told far from all steps too, where the weights themselves are beyond every number', () => {
    const far = new GradeMoments([0, 1]);
    far.at(2000);
    expect(Array.from(far.chances)).toEqual([0, 0, 1]);
    expect([far.mean, far.variance]).toEqual([2, 0]);
    far.at(-2000);
    expect(Array.from(far.chances)).toEqual([1, 0, 0]);
  });
});

const factor = (name: string, levels: number, level: ArrayLike<number>) => ({
  name,
  levels,
  level: Int32Array.from(level),
});

describe('a rating scale', () => {
  // Six candidates at four items, of which nobody earns the third and everybody the fourth.
  const rows = [
    [0, 1, 0, 2],
    [1, 0, 0, 2],
    [1, 2, 0, 2],
    [2, 1, 0, 2],
    [2, 2, 0, 2],
    [0, 0, 0, 2],
  ];
  const fitted = (marks: readonly (readonly number[])[]) => {
    const cells = marks.flatMap((row, c) => row.map((mark, i) => ({ c, i, mark })));
    const of = (key: 'c' | 'i') => cells.map((cell) => cell[key]);
    return manyFacetRasch(
      Float64Array.from(cells, ({ mark }) => mark),
      [factor('candidate', 6, of('c')), factor('item', 4, of('i'))],
    ).facets[1]?.elements.map(({ measure, extreme }) => ({ measure, extreme }));
  };

  it('measures what nobody and what everybody earned, drawn in from the ends, alike on both sides', () => {
    const items = fitted(rows) ?? [];
    expect(items.map(({ extreme }) => extreme)).toEqual([false, false, true, true]);
    for (const { measure } of items) expect(Math.abs(measure)).toBeLessThan(15);
    // The same marks counted from the other end: every item is as much harder as it was easier.
    const turned = fitted(rows.map((row) => row.map((mark) => 2 - mark))) ?? [];
    expect(turned.map(({ extreme }) => extreme)).toEqual([false, false, true, true]);
    for (const [i, { measure }] of items.entries())
      expect(turned[i]?.measure).toBeCloseTo(-measure, 4);
  });

  it('has few grades', () => {
    const many = Float64Array.from({ length: 202 }, (_, i) => i % 101);
    const factors = [
      factor(
        'candidate',
        2,
        Array.from({ length: 202 }, (_, i) => (i < 101 ? 0 : 1)),
      ),
      factor(
        'item',
        101,
        Array.from({ length: 202 }, (_, i) => i % 101),
      ),
    ];
    expect(() => manyFacetRasch(many, factors)).toThrow('101 grades are too many');
  });

  it('says whom it cannot part by what they are called', () => {
    // Each examiner marks students of their own, but for the room, which goes with the examiner.
    const student = [0, 1, 0, 1, 2, 3, 2, 3];
    const same = [0, 0, 0, 0, 1, 1, 1, 1];
    const factors = [factor('student', 4, student), factor('item', 2, [0, 0, 1, 1, 0, 0, 1, 1])];
    expect(() =>
      manyFacetRasch(Float64Array.of(0, 1, 1, 0, 1, 1, 0, 1), [
        ...factors,
        factor('examiner', 2, same),
      ]),
    ).toThrow(/student/);
  });
});

describe('scores of more sheets than severity is taken from', () => {
  it('are those of the same candidates in whichever order they come', () => {
    const scores = Array.from({ length: 9000 }, (_, i) => ({
      ...{ candidate: Math.floor(i / 3), station: i % 3, examiner: `e${i % 3}`, percent: 50 },
    }));
    const whose = (all: typeof scores) =>
      [...new Set(drawn(all).used.map(({ candidate }) => candidate))].sort((a, b) => a - b);
    const kept = whose(scores);
    expect(kept.length).toBeLessThan(3000);
    expect(whose([...scores].reverse())).toEqual(kept);
  });
});

describe('how far an examination can be trusted, in sentences', () => {
  const design = (station: number, examiner: number, dependability: number | null) => ({
    ...{ sizes: { station, examiner }, generalizability: dependability, dependability, sem: 4 },
  });
  const trust = (part: object): ExaminationTrust =>
    ({
      ...{ alpha: {}, candidates: 40, stations: 8, atCut: null, notes: [], designs: [] },
      ...{ shares: [{ source: 'candidate', share: 0.25 }], held: design(8, 1, 0.7) },
      ...part,
    }) as unknown as ExaminationTrust;

  it('names the fewest stations that reach what is asked, with one examiner each', () => {
    const designs = [
      design(10, 2, 0.85),
      design(16, 1, 0.86),
      design(12, 1, 0.8),
      design(9, 1, null),
    ];
    expect(sayTrust(trust({ designs }))).toBe(
      'The mean over 8 stations has a dependability of 0.70, less than the 0.8 that is asked of a pass mark as a rule: a candidate’s mean lies within 7.8 points of the true one in 95 of 100 cases. 25 % of the differences between sheets are differences between candidates. With 12 stations of this kind it would be reached.',
    );
    expect(sayTrust(trust({ designs: [design(12, 1, 0.79)] }))).toMatch(
      / No number of stations in the table below reaches it\.$/,
    );
  });

  it('says nothing of other numbers where it is enough, and 0 % where nobody differs', () => {
    const enough = trust({ held: design(8, 1, 0.8), shares: [], designs: [design(12, 1, 0.9)] });
    expect(sayTrust(enough)).toMatch(
      /enough for a pass mark \(0\.8 is asked of one as a rule\).* 0 % of the differences between sheets are differences between candidates\.$/,
    );
  });

  it('says why where it cannot be told', () => {
    expect(sayTrust(trust({ held: null, notes: ['Nobody was seen.', 'Else.'] }))).toBe(
      'How far this examination can be trusted cannot be told. Nobody was seen.',
    );
    expect(sayTrust(trust({ held: design(8, 1, null) }))).toBe(
      'How far this examination can be trusted cannot be told.',
    );
  });
});
