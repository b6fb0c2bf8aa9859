import { describe, expect, it } from 'vitest';
import { cronbachAlpha } from '../reliability/cronbachAlpha.ts';
import { seededChance } from '../numerics/random.ts';
import { decisionSureness } from './decisionSureness.ts';
import { livingstonLewis } from './livingstonLewis.ts';
import { setStandard } from './setStandard.ts';
import { BY_REGRESSION } from './testing/settings.ts';

const chance = seededChance(3);
const rows = Array.from({ length: 60 }, () => {
  const own = 65 + 9 * chance.normal();
  return Array.from({ length: 6 }, () => Math.min(100, Math.max(0, own + 8 * chance.normal())));
});
const data = Array.from({ length: 6 }, (_, s) => ({
  station: `s${s}`,
  records: rows.map((row, i) => ({
    candidate: `c${i}`,
    percent: row[s] ?? null,
    grade: 3,
    critical: [],
  })),
}));
const candidates = rows.map((_, i) => `c${i}`);
const rule = {
  semMultiplier: 0,
  fewestStationsPassed: 0,
  criticalBy: 'all' as const,
  criticalFailureFails: false,
};
const settings = { ...BY_REGRESSION, method: 'fixed-percent' as const, rule, handCuts: {} };

describe('how sure a standard is', () => {
  const standard = setStandard(data, candidates, settings);
  const { near, quality } = decisionSureness(standard);

  it('is that of Livingston and Lewis on the means, with alpha over the stations', () => {
    const means = rows.map((row) => row.reduce((a, b) => a + b) / 6);
    const own = livingstonLewis(means, cronbachAlpha(rows) ?? NaN, 60);
    expect(quality?.consistency).toBeCloseTo(own?.consistency ?? NaN, 9);
    expect(quality?.accuracy).toBeCloseTo(own?.accuracy ?? NaN, 9);
    expect(quality?.accuracy).toBeGreaterThan(quality?.consistency ?? NaN);
  });

  it('names who lies within one standard error of the mark, on either side', () => {
    const within = candidates.filter(
      (_, i) => Math.abs((rows[i] ?? []).reduce((a, b) => a + b) - 360) <= (standard.sem ?? NaN),
    );
    expect(near).toEqual(within);
    const outcomes = new Set(near.map((one) => standard.outcomes.get(one)?.outcome));
    expect(outcomes).toEqual(new Set(['pass', 'fail']));
  });

  it('is not said where stations do not go together, or there is no mark', () => {
    const apart = data.map((station, s) => ({
      ...station,
      records: station.records.map((r, i) => ({ ...r, percent: (i + s) % 2 === 0 ? 40 : 80 })),
    }));
    const none = decisionSureness(setStandard(apart, candidates, settings));
    expect(none.quality).toBeNull();
    expect(none.notes[0]).toMatch(/do not go together|no error of measurement/);
    const unmarked = decisionSureness(setStandard([], [], settings));
    expect(unmarked).toMatchObject({ near: [], quality: null });
  });
});
