import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { examinationTrust } from './examinationTrust.ts';
import type { SheetScorePoint } from './examinationTrust.ts';
import { sayTrust } from './sayTrust.ts';

const STATIONS = 10;

/** Scores with known parts: standard deviations of candidate, station, both together, examiner. */
function played(
  candidates: number,
  every: number,
  [own, hard, together, seen]: readonly [number, number, number, number],
): SheetScorePoint[] {
  const chance = seededChance(20_261_127);
  const stations = Array.from({ length: STATIONS }, () => hard * chance.normal());
  return Array.from({ length: candidates }, (_, candidate) => {
    const ability = own * chance.normal();
    return stations.flatMap((ease, station) => {
      const performance = 65 + ability + ease + together * chance.normal();
      const examiners = every > 0 && (candidate + station) % every === 0 ? 2 : 1;
      return Array.from({ length: examiners }, () => ({
        candidate,
        station,
        percent: performance + seen * chance.normal(),
      }));
    });
  }).flat();
}
const shareOf = (trust: ReturnType<typeof examinationTrust>, source: string) =>
  trust.shares.find((one) => one.source === source)?.variance ?? NaN;

describe('how far an examination can be trusted', () => {
  // Variances 64, 25, 36, 16. With 600 candidates theirs is known to sqrt(2 / 600), 6 %, and those
  // within stations to 2 %; four such errors are let through. Ten stations give their own variance
  // with a relative error of sqrt(2 / 9), which is no test of it.
  const trust = examinationTrust(played(600, 3, [8, 5, 6, 4]), { stations: STATIONS });

  it('finds the parts that the scores were made of', () => {
    expect(shareOf(trust, 'candidate')).toBeGreaterThan(64 * 0.76);
    expect(shareOf(trust, 'candidate')).toBeLessThan(64 * 1.24);
    expect(shareOf(trust, 'candidate:station')).toBeGreaterThan(36 * 0.9);
    expect(shareOf(trust, 'candidate:station')).toBeLessThan(36 * 1.1);
    expect(shareOf(trust, 'examiner')).toBeGreaterThan(16 * 0.9);
    expect(shareOf(trust, 'examiner')).toBeLessThan(16 * 1.1);
    expect(trust.shares.reduce((sum, one) => sum + one.share, 0)).toBeCloseTo(1, 12);
  });

  it('values the design by Brennan’s equations, and more of it higher', () => {
    const [c, s, cs, e] = ['candidate', 'station', 'candidate:station', 'examiner'].map((source) =>
      shareOf(trust, source),
    ) as [number, number, number, number];
    expect(trust.held?.dependability).toBeCloseTo(c / (c + (s + cs + e) / STATIONS), 12);
    expect(trust.held?.generalizability).toBeCloseTo(c / (c + (cs + e) / STATIONS), 12);
    const of = (station: number, examiner: number) =>
      trust.designs.find((d) => d.sizes.station === station && d.sizes.examiner === examiner)
        ?.dependability ?? NaN;
    expect(of(12, 2)).toBeCloseTo(c / (c + (s + cs + e / 2) / 12), 12);
    expect(of(16, 1)).toBeGreaterThan(of(8, 1));
    expect(of(8, 2)).toBeGreaterThan(of(8, 1));
  });

  it('puts alpha near what the parts say: generalizability over fixed stations', () => {
    const single = examinationTrust(played(600, 0, [8, 5, 6, 4]), { stations: STATIONS });
    expect(Math.abs((single.alpha.estimate ?? NaN) - 64 / (64 + 52 / STATIONS))).toBeLessThan(0.02);
    expect(single.alpha.lower).toBeLessThan(single.alpha.estimate ?? NaN);
  });

  it('keeps what one examiner each cannot tell apart in one part, and says so', () => {
    const single = examinationTrust(played(100, 0, [8, 5, 6, 4]), { stations: STATIONS });
    expect(single.shares.map((one) => one.source)).toEqual(['candidate', 'station', 'rest']);
    expect(single.designs.every((d) => d.sizes.examiner === undefined)).toBe(true);
    expect(single.notes[0]).toMatch(/No performance was marked by two examiners/);
  });

  it('is surer of the side of a cut that is far from the mean', () => {
    const points = played(200, 3, [8, 5, 6, 4]);
    const at = (cut: number) => examinationTrust(points, { stations: STATIONS, cut }).atCut ?? NaN;
    expect(at(40)).toBeGreaterThan(at(60));
    expect(examinationTrust(points, { stations: STATIONS }).atCut).toBeNull();
  });

  it('gives examiners who always agree no part of the variance', () => {
    const points = played(40, 0, [8, 5, 6, 0]);
    const twice = points.flatMap((point) =>
      point.candidate % 3 === 0 ? [point, { ...point }] : [point],
    );
    const { shares, held, notes } = examinationTrust(twice, { stations: STATIONS });
    expect(shares.find(({ source }) => source === 'examiner')?.share ?? 0).toBe(0);
    expect(shares.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
    expect(held?.dependability).toBeGreaterThan(0);
    expect(notes).toContain('Examiners who saw the same performance always gave the same score.');
  });

  it('says in words what cannot be told', () => {
    const points = played(5, 0, [8, 5, 6, 4]);
    const one = points.filter((point) => point.station === 0);
    expect(sayTrust(examinationTrust(one, { stations: 1 }))).toMatch(
      /cannot be told. One station alone/,
    );
    const two = points.filter((point) => point.candidate < 2);
    expect(examinationTrust(two, { stations: STATIONS }).notes[0]).toMatch(/Fewer than three/);
    const same = points.map((point) => ({ ...point, percent: 50 }));
    expect(sayTrust(examinationTrust(same, { stations: STATIONS }))).toMatch(/cannot be told/);
  });

  it('draws a thousand of very many, and says so', () => {
    const many = examinationTrust(played(2100, 0, [8, 5, 6, 4]), { stations: STATIONS });
    expect(many.candidates).toBe(1000);
    expect(many.notes[0]).toBe('1000 of the 2100 candidates were drawn.');
  });

  it('is said in a sentence with what would be enough', () => {
    expect(sayTrust(trust)).toMatch(/dependability of 0\.[89]\d, enough for a pass mark/);
    const weak = examinationTrust(played(600, 3, [3, 2, 8, 6]), { stations: STATIONS });
    expect(sayTrust(weak)).toMatch(/less than the 0\.8 .*No number of stations in the table/);
  });
});
