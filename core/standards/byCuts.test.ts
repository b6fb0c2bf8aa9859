import { describe, expect, it } from 'vitest';
import { byCuts } from './byCuts.ts';
import { setStandard } from './setStandard.ts';
import type { StandardSettings, StationData } from './setStandard.ts';

const settings: StandardSettings = {
  method: 'fixed-percent',
  methods: {},
  fixedPercent: 50,
  sds: 1,
  borderline: 2.5,
  rule: {
    semMultiplier: 0,
    fewestStationsPassed: 0,
    criticalBy: 'all',
    criticalFailureFails: false,
  },
  handCuts: {},
};
const record = (candidate: string, percent: number) => ({
  candidate,
  percent,
  grade: 3,
  critical: [],
});
const data: StationData[] = [
  { station: 'S', records: [record('a', 40), record('b', 55), record('c', 90)] },
  { station: 'T', records: [record('a', 50), record('b', 55), record('c', 90)] },
];

describe('cuts that come from a panel', () => {
  it('take the place of every method, under the same rule', () => {
    const found = byCuts(data, ['a', 'b', 'c'], settings, { S: 62, T: 58 });
    expect(found).toEqual({ required: 60, passed: 1, failed: 2, incomplete: 0, changed: ['b'] });
  });

  it('change nobody where they are what holds already', () => {
    const { passed } = setStandard(data, ['a', 'b', 'c'], settings);
    expect(byCuts(data, ['a', 'b', 'c'], settings, { S: 50, T: 50 })).toMatchObject({
      passed,
      changed: [],
    });
  });
});
