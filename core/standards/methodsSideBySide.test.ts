import { describe, expect, it } from 'vitest';
import { methodsSideBySide } from './methodsSideBySide.ts';
import { setStandard } from './setStandard.ts';
import type { StandardSettings } from './setStandard.ts';
import { STATION_METHODS } from './stationMethods.ts';
import { BY_REGRESSION } from './testing/settings.ts';

const scores = [30, 45, 55, 60, 75, 90];
const grades = [1, 2, 2, 3, 4, 5];
const data = ['knee', 'hip'].map((station) => ({
  station,
  records: scores.map((percent, i) => ({
    candidate: `c${i}`,
    percent,
    grade: grades[i] ?? null,
    critical: [],
  })),
}));
const candidates = scores.map((_, i) => `c${i}`);
const settings: StandardSettings = {
  ...BY_REGRESSION,
  rule: {
    semMultiplier: 0,
    fewestStationsPassed: 0,
    criticalBy: 'all',
    criticalFailureFails: false,
  },
  handCuts: {},
};

describe('methods side by side', () => {
  const { stations, examination } = methodsSideBySide(data, candidates, settings);

  it('say who would change sides at a station, against the method that is chosen there', () => {
    const fixed = stations[0]?.methods.find((one) => one.method === 'fixed-percent');
    const chosen = stations[0]?.methods.find((one) => one.method === 'borderline-regression');
    // By hand: slope 154.17 / 10.83, so the line gives 54.42 at 2.5: 55 passes by it and not by 60.
    expect(chosen?.cut.estimate).toBeCloseTo(54.42, 2);
    expect(chosen).toMatchObject({ passed: 4, scored: 6, lost: [], gained: [] });
    expect(fixed).toMatchObject({ passed: 3, lost: ['c2'], gained: [] });
  });

  it('are for the whole examination what setting that method alone comes to', () => {
    expect(examination.map((one) => one.method)).toEqual([...STATION_METHODS]);
    for (const { method, required, passed, failed, changed } of examination) {
      const alone = setStandard(data, candidates, { ...settings, method });
      expect([passed, failed]).toEqual([alone.passed, alone.failed]);
      if (required === null) continue;
      const present = setStandard(data, candidates, settings);
      expect(Math.abs(passed - present.passed)).toBeLessThanOrEqual(changed.length);
    }
  });

  it('hold the others against a cut by hand, where there is one', () => {
    const byHand = methodsSideBySide(data, candidates, { ...settings, handCuts: { knee: 80 } });
    const chosen = byHand.stations[0]?.methods.find(
      (one) => one.method === 'borderline-regression',
    );
    expect(chosen?.gained).toEqual(['c2', 'c3', 'c4']);
  });

  it('choose another for one station only', () => {
    const standard = setStandard(data, candidates, {
      ...settings,
      methods: { hip: 'fixed-percent' },
    });
    expect(standard.stations.map((s) => s.method)).toEqual([
      'borderline-regression',
      'fixed-percent',
    ]);
    expect(standard.stations[1]?.cut).toBe(60);
    expect(standard.stations[0]?.cut).toBeCloseTo(54.42, 2);
  });
});
