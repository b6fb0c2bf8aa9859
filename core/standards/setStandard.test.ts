import { describe, expect, it } from 'vitest';
import { setStandard } from './setStandard.ts';
import type { StandardSettings, StationData } from './setStandard.ts';

const record = (candidate: string, percent: number | null, grade: number | null, critical = 0) => ({
  candidate,
  percent,
  grade,
  criticalFailures: critical,
});

// Two stations whose points lie on lines: cuts 50 and 60 at the borderline 2.5, by hand.
const data: StationData[] = [
  {
    station: 'knee',
    records: [record('a', 80, 4), record('b', 50, 2.5), record('c', 30, 1.5), record('d', 60, 3)],
  },
  {
    station: 'hip',
    records: [
      record('a', 90, 4),
      record('b', 60, 2.5),
      record('c', 80, 3.5, 1),
      record('d', null, null),
    ],
  },
];
const settings: StandardSettings = {
  borderline: 2.5,
  rule: { semMultiplier: 0, fewestStationsPassed: 0, criticalFailureFails: false },
  handCuts: {},
};
const candidates = ['a', 'b', 'c', 'd'];
const outcomes = (changes: Partial<StandardSettings['rule']>) => {
  const standard = setStandard(data, candidates, {
    ...settings,
    rule: { ...settings.rule, ...changes },
  });
  return candidates.map((c) => standard.outcomes.get(c)?.outcome);
};

describe('the exam rule', () => {
  it('adds up the station cuts and lets a score on the cut pass', () => {
    const standard = setStandard(data, candidates, settings);
    expect(standard.stations.map((s) => s.cut)).toEqual([
      expect.closeTo(50, 9),
      expect.closeTo(60, 9),
    ]);
    expect(standard.examCut?.total).toBeCloseTo(110, 9);
    expect(outcomes({})).toEqual(['pass', 'pass', 'pass', 'incomplete']);
  });

  it('fails who passed too few stations, whatever the sum', () => {
    expect(outcomes({ fewestStationsPassed: 2 })).toEqual(['pass', 'pass', 'fail', 'incomplete']);
  });

  it('fails on a critical failure only where the rule says so, and says why', () => {
    expect(outcomes({ criticalFailureFails: true })).toEqual([
      'pass',
      'pass',
      'fail',
      'incomplete',
    ]);
    const rule = { ...settings.rule, criticalFailureFails: true };
    const standard = setStandard(data, candidates, { ...settings, rule });
    expect(standard.outcomes.get('c')?.reasons).toEqual(['One critical item was missed.']);
  });

  it('raises the bar by k standard errors of measurement', () => {
    const raised = setStandard(data, candidates, {
      ...settings,
      rule: { ...settings.rule, semMultiplier: 1 },
    });
    expect(raised.sem).toBeGreaterThan(0);
    expect(raised.examCut?.total).toBeCloseTo(110 + (raised.sem ?? 0), 9);
    expect(raised.outcomes.get('b')?.outcome).toBe('fail');
  });

  it('takes a cut set by hand in place of the regression’s', () => {
    const standard = setStandard(data, candidates, { ...settings, handCuts: { hip: 85 } });
    expect(standard.stations[1]).toMatchObject({ cut: 85, byHand: true, passed: 1 });
    expect(standard.outcomes.get('b')?.outcome).toBe('fail');
  });

  it('decides nobody while a station has no cut', () => {
    const empty = setStandard([...data, { station: 'ankle', records: [] }], candidates, settings);
    expect(empty.examCut).toBeNull();
    expect(empty.outcomes.size).toBe(0);
  });
});
