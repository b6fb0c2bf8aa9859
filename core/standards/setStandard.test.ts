import { BY_REGRESSION } from './testing/settings.ts';
import { describe, expect, it } from 'vitest';
import type { CriticalCount } from '../scoring/criticalItems.ts';
import { setStandard } from './setStandard.ts';
import type { StandardSettings, StationData } from './setStandard.ts';

const record = (
  candidate: string,
  percent: number | null,
  grade: number | null,
  critical: CriticalCount[] = [],
) => ({ candidate, percent, grade, critical });

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
      record('c', 80, 3.5, [{ item: 'stop', observed: 1, missed: 1 }]),
      record('d', null, null),
    ],
  },
];
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
    expect(standard.outcomes.get('c')?.reasons).toEqual([
      'One critical item was missed, at station 2.',
    ]);
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

  describe('at a station with critical items', () => {
    const at = (critical: CriticalCount[], changes: Partial<StandardSettings['rule']> = {}) => {
      const one: StationData[] = [
        { station: 'knee', records: [...(data[0]?.records ?? []), record('e', 70, 3.5, critical)] },
      ];
      const rule = { ...settings.rule, ...changes };
      const standard = setStandard(one, ['e'], { ...settings, handCuts: { knee: 50 }, rule });
      return { station: standard.stations[0], candidate: standard.outcomes.get('e') };
    };

    it('does not pass a station whose critical item was missed, whatever the score', () => {
      const { station, candidate } = at([{ item: 'stop', observed: 2, missed: 2 }]);
      expect(candidate?.stations).toEqual(['not passed']);
      expect(station).toMatchObject({ passed: 3 - 0, undecided: 0, scored: 5 });
      // What that does to the examination is its own rule.
      expect(candidate?.outcome).toBe('pass');
      expect(
        at([{ item: 'stop', observed: 2, missed: 2 }], { fewestStationsPassed: 1 }),
      ).toMatchObject({
        candidate: { outcome: 'fail', reasons: ['Stations passed: 0; required: at least 1.'] },
      });
    });

    it('does not hold two different misses of two examiners to be one they agree on', () => {
      const each: CriticalCount[] = [
        { item: 'stop', observed: 2, missed: 1 },
        { item: 'fracture', observed: 2, missed: 1 },
      ];
      expect(at(each, { criticalFailureFails: true }).candidate).toMatchObject({
        outcome: 'pass',
        criticalFailures: 0,
        stations: ['passed'],
      });
      // A tie is no majority either.
      expect(
        at(each, { criticalFailureFails: true, criticalBy: 'majority' }).candidate?.outcome,
      ).toBe('pass');
    });

    it('goes by those who observed the item', () => {
      const two: CriticalCount[] = [{ item: 'stop', observed: 3, missed: 2 }];
      expect(at(two).candidate?.criticalFailures).toBe(0);
      expect(at(two, { criticalBy: 'majority' }).candidate?.criticalFailures).toBe(1);
    });

    it('leaves a station undecided where nobody observed the item, never passed', () => {
      const unseen: CriticalCount[] = [{ item: 'stop', observed: 0, missed: 0 }];
      const { station, candidate } = at(unseen);
      expect(station).toMatchObject({ passed: 3, undecided: 1 });
      expect(candidate).toMatchObject({
        outcome: 'pass',
        stations: ['undecided'],
        stationsPassed: 0,
      });
      for (const changes of [{ fewestStationsPassed: 1 }, { criticalFailureFails: true }]) {
        expect(at(unseen, changes).candidate).toMatchObject({
          outcome: 'incomplete',
          reasons: ['Nobody observed a critical item at station 1, so it is undecided.'],
        });
      }
    });
  });
});
