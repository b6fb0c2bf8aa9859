import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { LEANS, yearsApart } from './acrossYears.ts';
import type { Sitting } from './acrossYears.ts';
import { equate } from './equating.ts';

const ANCHORS = [0, 1, 2, 3, 4];

/** A sitting with a true mean ability; stations differ in ease, scores are ability + ease + error. */
function sitting(
  { n, ability, ease }: { n: number; ability: number; ease: readonly number[] },
  seed: number,
): Sitting {
  const chance = seededChance(seed);
  const rows = Array.from({ length: n }, () => {
    const own = ability + 6 * chance.normal();
    return ease.map((easy) => own + easy + 10 * chance.normal());
  });
  return { rows, anchors: ANCHORS };
}
const then = [60, 62, 64, 66, 68, 60, 62, 64];
/** The own stations of this year are 6 easier each, so that the paper is 6 x 3 / 8 = 2.25 easier. */
const now = then.map((ease, i) => (i >= ANCHORS.length ? ease + 6 : ease));

describe('a better cohort and an easier paper', () => {
  it('are told apart: anchors that rise by 5, a paper that rises by 10', () => {
    const last = {
      rows: [0, 10, 20].map((x) => Array<number>(4).fill(50 + x)),
      anchors: [0, 1, 2],
    };
    const next = {
      rows: [0, 10, 20].map((x) => [...Array<number>(3).fill(55 + x), 75 + x]),
      anchors: [0, 1, 2],
    };
    const { cohort, paper } = yearsApart(next, last, { method: 'mean' });
    expect(cohort.estimate).toBeCloseTo(5, 9);
    expect(paper.estimate).toBeCloseTo(5, 9);
  });

  it('are those of equating by itself where no anchor drifted', () => {
    const [a, b] = [
      sitting({ n: 48, ability: 4, ease: now }, 5),
      sitting({ n: 40, ability: 0, ease: then }, 6),
    ];
    const mean = (xs: readonly (number | null)[]) =>
      xs.reduce<number>((sum, x) => sum + (x ?? NaN), 0) / xs.length;
    const cohortOf = ({ rows }: Sitting) => ({
      totals: rows.map(mean),
      anchors: rows.map((row) => mean(row.slice(0, ANCHORS.length))),
    });
    for (const method of ['mean', 'linear'] as const) {
      const { cohort, paper, used } = yearsApart(a, b, { method });
      expect(used).toEqual(ANCHORS);
      const expected = equate(cohortOf(a), cohortOf(b), method);
      expect(cohort.estimate).toBeCloseTo(expected?.cohortDifference ?? NaN, 9);
      expect(paper.estimate).toBeCloseTo(expected?.paperDifference ?? NaN, 9);
      expect(paper.notes).toEqual(method === 'linear' ? [LEANS] : []);
    }
  });

  // By the moments of the model: abilities of variance 36 and noise of 100 a station make 36 + 100 / 8
  // of a whole of eight and 36 + 100 / 5 of five anchors, so that linear equating takes root(48.5 / 56)
  // = .931 of the cohorts' 40 points for ability and leaves 2.8 with the paper; mean equating takes all.
  it('lean, by linear equating, as far as the noise of the anchors makes them', () => {
    const lean = (method: 'mean' | 'linear') => {
      const large = (ability: number, ease: readonly number[], seed: number) =>
        sitting({ n: 4000, ability, ease }, seed);
      return (
        yearsApart(large(40, now, 1), large(0, then, 2), { method, resamples: 100 }).paper
          .estimate ?? NaN
      );
    };
    expect(Math.abs(lean('linear') - lean('mean') - 2.8)).toBeLessThan(0.8);
    expect(Math.abs(lean('mean') - 2.25)).toBeLessThan(0.5);
  });

  // Known truth: cohorts 4 apart, papers 2.25 apart. Of 150 repetitions an interval that holds 95 %
  // covers in 142.5 on average, with a standard deviation of 2.7 (binomial).
  it('have intervals that hold the truth about as often as they say', () => {
    const [covered, repetitions] = [{ cohort: 0, paper: 0 }, 150];
    for (let seed = 0; seed < repetitions; seed++) {
      const result = yearsApart(
        sitting({ n: 48, ability: 4, ease: now }, 1000 + seed),
        sitting({ n: 40, ability: 0, ease: then }, 5000 + seed),
        { method: 'mean', resamples: 300, seed },
      );
      const holds = ({ lower, upper }: { lower: number | null; upper: number | null }, t: number) =>
        (lower ?? NaN) <= t && t <= (upper ?? NaN);
      if (holds(result.cohort, 4)) covered.cohort++;
      if (holds(result.paper, 2.25)) covered.paper++;
    }
    expect(covered.cohort).toBeGreaterThanOrEqual(132);
    expect(covered.paper).toBeGreaterThanOrEqual(132);
  });

  it('say how many anchors are left out, one or several', () => {
    const eased = (by: readonly number[]) => ({
      rows: sitting({ n: 200, ability: 0, ease: then.map((e, i) => e + (by[i] ?? 0)) }, 8).rows,
      anchors: ANCHORS,
    });
    const last = sitting({ n: 200, ability: 0, ease: then }, 9);
    const words = (by: readonly number[]) =>
      yearsApart(eased(by), last, { method: 'mean', resamples: 200 }).cohort.notes.join(' ');
    expect(words([15])).toMatch(/One common station changed beyond its error and is left out/);
    expect(words([15, -15])).toMatch(
      /2 common stations changed beyond their error and are left out/,
    );
  });

  it('are not told of sittings whose candidates all have one score, and say so', () => {
    const flat: Sitting = {
      rows: Array.from({ length: 5 }, () => Array<number>(8).fill(60)),
      anchors: ANCHORS,
    };
    const { cohort } = yearsApart(flat, flat, { method: 'linear', resamples: 20 });
    expect(cohort).toMatchObject({ estimate: null, standardError: null });
    expect(cohort.notes.join(' ')).toMatch(/All candidates of a sitting have the same score/);
  });

  it('rest on the anchors that stayed: one that became 12 easier is found and left out', () => {
    const drifted = now.map((ease, i) => (i === 3 ? ease + 12 : ease));
    const { cohort, used, drifts } = yearsApart(
      sitting({ n: 200, ability: 4, ease: drifted }, 11),
      sitting({ n: 200, ability: 0, ease: then }, 12),
    );
    expect(used).toEqual([0, 1, 2, 4]);
    expect(cohort.notes[0]).toMatch(/One common station changed/);
    expect(drifts.map((d) => d.beyondError)).toEqual([false, false, false, true, false]);
    expect(Math.abs((drifts[3]?.drift.estimate ?? NaN) - 12)).toBeLessThan(4);
    // The standard error of a difference of means of 200 is about 0.8.
    expect(Math.abs((cohort.estimate ?? NaN) - 4)).toBeLessThan(2.4);
  });

  it('tells the change of an anchor against the others, itself not among them', () => {
    // Everybody earns 60 and 50 at every station; at the third it is 9 more this year: 9 - 0 by hand.
    const of = (third: number): Sitting => ({
      rows: [60, 50, 60, 50].map((score, i) => [score, score, score + third, score + (i % 2)]),
      anchors: [0, 1, 2, 3],
    });
    const { drifts } = yearsApart(of(9), of(0), { method: 'mean', resamples: 0 });
    expect(drifts.map(({ drift }) => drift.estimate)).toEqual([-3, -3, 9, -3]);
    // Without a resample nothing has an error, and nothing is beyond it.
    expect(drifts.map((own) => [own.drift.standardError, own.beyondError])).toEqual(
      drifts.map(() => [null, false]),
    );
  });

  it('leave out of their error the resamples in which everybody is one candidate', () => {
    // Three candidates a year, 30 apart: one resample in nine has one of them three times, and no line.
    const of = (scores: number[]): Sitting => ({
      rows: scores.map((score) => [score, score, score, score]),
      anchors: [0, 1, 2],
    });
    const { cohort } = yearsApart(of([90, 91, 92]), of([60, 61, 62]), {
      method: 'linear',
      resamples: 300,
    });
    expect(cohort.estimate).toBeCloseTo(30, 6);
    // Counted as no difference they would make the error 12; means of three that differ by 1 have one of 1.
    expect(cohort.standardError).toBeLessThan(3);
  });

  it('cannot be told with two anchors or three candidates, and says so', () => {
    const few = (s: Sitting): Sitting => ({ ...s, anchors: [0, 1] });
    const [a, b] = [
      sitting({ n: 30, ability: 0, ease: now }, 1),
      sitting({ n: 30, ability: 0, ease: then }, 2),
    ];
    expect(yearsApart(few(a), few(b)).cohort).toMatchObject({
      estimate: null,
      notes: [expect.stringMatching(/^2 stations are in common: too few/)],
    });
    expect(yearsApart(few(a), few(b))).toMatchObject({ drifts: [], used: [] });
    expect(yearsApart({ ...a, anchors: [] }, { ...b, anchors: [] }).paper.notes[0]).toMatch(
      /^No station is in common/,
    );
    const three = { ...a, rows: a.rows.map((row, i) => (i < 2 ? row : [null, ...row.slice(1)])) };
    expect(yearsApart(three, b).cohort.notes[0]).toMatch(/fewer than three candidates/);
    expect(() => yearsApart(a, few(b))).toThrow(RangeError);
  });

  it('counts the candidates of both sittings who have every score', () => {
    const [a, b] = [
      sitting({ n: 48, ability: 4, ease: now }, 5),
      sitting({ n: 40, ability: 0, ease: then }, 6),
    ];
    const gaps = { ...a, rows: a.rows.map((row, i) => (i < 3 ? [null, ...row.slice(1)] : row)) };
    const { cohort, paper, drifts } = yearsApart(gaps, b, { resamples: 100 });
    expect([cohort.n, paper.n, drifts[0]?.drift.n]).toEqual([85, 85, 85]);
    const few = { ...b, rows: b.rows.slice(0, 2) };
    expect(yearsApart(a, few).cohort.n).toBe(50);
  });

  // Two-sided 1 % shared among m comparisons: t of 1 - .01 / (2 m) on 118 degrees of freedom, 3.161
  // for 5 and 3.475 for 14 (SciPy's stats.t.ppf; z has 3.090 and 3.384).
  it.each([
    [5, 3.161],
    [14, 3.475],
  ])('takes one of %i anchors for drifted beyond %f errors, and not before', (anchors, limit) => {
    const ease = Array.from({ length: anchors }, (_, i) => 60 + i);
    const all = ease.map((_, i) => i);
    let beyond = 0;
    let near = 0;
    for (let seed = 0; seed < 30; seed++) {
      // Anchor 0 becomes easier by some errors, so that what is found lies on either side.
      const harder = ease.map((own, i) => (i === 0 ? own + seed * 0.4 : own));
      const made = (own: readonly number[], chance: number): Sitting => ({
        ...sitting({ n: 60, ability: 0, ease: own }, chance),
        anchors: all,
      });
      const [here, there] = [made(harder, seed), made(ease, 100 + seed)];
      const { drifts, used } = yearsApart(here, there, { resamples: 100, seed });
      for (const { anchor, drift, beyondError } of drifts) {
        if (used.length < anchors && !used.includes(anchor)) beyond++;
        const errors = Math.abs(drift.estimate ?? NaN) / (drift.standardError ?? NaN);
        expect(beyondError).toBe(errors > limit + (errors > limit ? -0.001 : 0.001));
        if (errors > 1.96 && errors < limit) near++;
      }
    }
    expect(beyond).toBeGreaterThan(3);
    expect(near).toBeGreaterThan(3);
  });

  it('is the same for the same seed', () => {
    const [a, b] = [
      sitting({ n: 48, ability: 4, ease: now }, 5),
      sitting({ n: 40, ability: 0, ease: then }, 6),
    ];
    expect(yearsApart(a, b, { seed: 3 })).toEqual(yearsApart(a, b, { seed: 3 }));
  });
});
