import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { correlation } from '../reliability/internalConsistency.ts';
import { examinerQuality } from './examinerQuality.ts';
import { domainScores, itemQuality, stationScores } from './itemQuality.ts';
import type { MarkColumns } from './itemQuality.ts';
import { betweenGroups, stationQuality } from './stationQuality.ts';

/** Candidates of rising ability at two stations of three items; item 5 is one that everybody has. */
function columns(candidates: number): MarkColumns & { share: Float64Array } {
  const chance = seededChance(3);
  const rows: { c: number; item: number; share: number }[] = [];
  for (let c = 0; c < candidates; c++) {
    for (let item = 0; item < 6; item++) {
      const p = item === 5 ? 1 : 0.2 + (0.6 * c) / candidates;
      rows.push({ c, item, share: chance.uniform() < p ? 1 : 0 });
    }
  }
  return {
    candidates,
    stations: 2,
    domains: 2,
    candidate: Int32Array.from(rows, (r) => r.c),
    item: Int32Array.from(rows, (r) => r.item),
    share: Float64Array.from(rows, (r) => r.share),
    stationOf: Int32Array.of(0, 0, 0, 1, 1, 1),
    domainOf: Int32Array.of(0, 1, 1, 0, 1, 1),
    weight: Float64Array.of(1, 2, 1, 1, 1, 1),
  };
}

describe('the quality of items', () => {
  const marks = columns(60);
  const scores = stationScores(marks);
  const items = itemQuality(marks, scores);
  const own = (item: number) =>
    Array.from({ length: 60 }, (_, c) => marks.share[c * 6 + item] ?? 0);

  it('weighs a station’s score', () => {
    const [a, b, c] = [own(0)[7] ?? 0, own(1)[7] ?? 0, own(2)[7] ?? 0];
    expect(scores[7 * 2]).toBeCloseTo((100 * (a + 2 * b + c)) / 4, 10);
    expect(domainScores(marks)[7 * 2]).toBeCloseTo((100 * (a + (own(3)[7] ?? 0))) / 2, 10);
  });

  it('is the plain mean and the plain correlation with the rest', () => {
    const mean = own(1).reduce((sum, x) => sum + x, 0) / 60;
    expect(items[1]?.facility).toBeCloseTo(mean, 12);
    const rest = own(0).map((x, c) => (x + (own(2)[c] ?? 0)) / 2);
    expect(items[1]?.itemRest).toBeCloseTo(correlation(own(1), rest) ?? NaN, 9);
  });

  it('has an item that everybody passes tell nobody apart', () => {
    expect(items[5]).toMatchObject({ facility: 1, itemRest: null, discrimination: 0 });
    expect(items[1]?.discrimination).toBeGreaterThan(0.3);
  });

  it('leaves missing marks out, and an item that nobody marked undefined', () => {
    const without = marks.item.findIndex((item) => item === 1);
    const keep = <T extends Int32Array | Float64Array>(x: T) =>
      x.filter((_, i) => i !== without && marks.item[i] !== 4) as T;
    const fewer = {
      ...marks,
      candidate: keep(marks.candidate),
      item: keep(marks.item),
      share: keep(marks.share),
    };
    const quality = itemQuality(fewer, stationScores(fewer));
    expect(quality[1]?.n).toBe(59);
    expect(quality[4]).toMatchObject({ n: 0, facility: null });
  });
});

describe('the quality of a station', () => {
  it('is 15 points a grade for 30..90 over grades 1..5', () => {
    expect(stationQuality([30, 45, 60, 75, 90], [1, 2, 3, 4, 5], 52.5)).toMatchObject({
      n: 5,
      mean: 60,
      interGrade: 15,
      rSquared: 1,
      failing: 2,
    });
    expect(stationQuality([30, NaN], [1, 2], null)).toMatchObject({
      n: 1,
      rSquared: null,
      failing: null,
    });
  });

  it('has all variance between groups for 1, 1 and 3, 3, none for equal groups', () => {
    expect(betweenGroups([1, 1, 3, 3], [0, 0, 1, 1]).share).toBeCloseTo(1, 12);
    expect(betweenGroups([1, 3, 1, 3], [0, 0, 1, 1]).share).toBeCloseTo(0, 12);
    expect(betweenGroups([2, 2], [0, 1]).share).toBeNull();
  });
});

describe('the quality of examiners', () => {
  it('allows for who was seen where: 10 points hard is 10 points hard', () => {
    const rows = Array.from({ length: 40 }, (_, i) => ({
      c: i % 20,
      s: Math.floor(i / 20),
      e: i % 2 === 0 ? 0 : 1,
    }));
    const harsh = rows.map(({ c, s, e }) => 50 + c + 8 * s - (e === 1 ? 10 : 0));
    const crossed = rows.map((r) => ({ ...r, e: (r.c + r.s) % 2 }));
    const fair = crossed.map(({ c, s, e }) => 50 + c + 8 * s - (e === 1 ? 10 : 0));
    const of = (own: typeof rows, score: number[]) =>
      examinerQuality({
        candidate: Int32Array.from(own, (r) => r.c),
        station: Int32Array.from(own, (r) => r.s),
        examiner: Int32Array.from(own, (r) => r.e),
        score: Float64Array.from(score),
        grade: Int32Array.from(own, () => 3),
      });
    const [mild, hard] = of(crossed, fair);
    expect((mild?.leniency ?? 0) - (hard?.leniency ?? 0)).toBeCloseTo(10, 6);
    expect(mild).toMatchObject({ sheets: 20, grades: [0, 0, 20, 0, 0] });
    // An examiner who sees the same candidates at both stations cannot be told from them by means.
    expect(of(rows, harsh)[0]?.leniency).toBeCloseTo(0, 6);
  });
});
