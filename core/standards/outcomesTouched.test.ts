import { describe, expect, it } from 'vitest';
import type { ExaminedScore } from '../reliability/examinerEffects.ts';
import { outcomesTouched } from './outcomesTouched.ts';

const percent = (value: number | null) => ({ percent: value, critical: [] });
const standard = {
  cuts: [60, 60],
  cut: { sumOfCuts: 120, total: 120 },
  rule: {
    semMultiplier: 0,
    fewestStationsPassed: 1,
    criticalBy: 'all',
    criticalFailureFails: true,
  },
} as const;
const examiner = (name: string, severity: number) => ({
  examiner: name,
  severity,
  lower: null,
  upper: null,
  marks: 3,
});
const sheet = (candidate: number, station: number, by: string): ExaminedScore => ({
  candidate,
  station,
  examiner: by,
  percent: 0,
});
const scores = [1, 2, 3].flatMap((candidate) => [
  sheet(candidate, 0, 'hard'),
  sheet(candidate, 1, 'fair'),
]);
const records = [
  new Map([
    [1, percent(56)],
    [2, percent(70)],
    [3, percent(40)],
    [4, percent(58)],
  ]),
  new Map([
    [1, percent(62)],
    [2, percent(70)],
    [3, percent(50)],
  ]),
];

describe('the outcomes that an adjustment for severity would touch', () => {
  it('are those whom the severity of their examiners separates from the mark', () => {
    const touched = outcomesTouched(
      records,
      scores,
      [examiner('hard', 4), examiner('fair', 0)],
      standard,
    );
    // 56 + 62 is two below 120; the hard examiner's 4 points lift the mean from 59 to 61.
    expect(touched).toEqual([
      { candidate: 1, before: 'fail', after: 'pass', mean: 59, adjusted: 61 },
    ]);
  });

  it('take the mean severity where two have marked', () => {
    const both = [...scores, sheet(1, 0, 'fair')];
    const touched = outcomesTouched(
      records,
      both,
      [examiner('hard', 4), examiner('fair', 0)],
      standard,
    );
    expect(touched[0]).toMatchObject({ candidate: 1, adjusted: 60, after: 'pass' });
    expect(outcomesTouched(records, both, [examiner('hard', 3)], standard)).toEqual([]);
  });

  it('can go down as well, and stop at 100 per cent', () => {
    const mild = [examiner('hard', -30), examiner('fair', 0)];
    expect(outcomesTouched(records, scores, mild, standard)).toMatchObject([
      { candidate: 2, before: 'pass', after: 'fail' },
    ]);
    const high = [new Map([[1, percent(99)]]), new Map([[1, percent(19)]])];
    const [one] = outcomesTouched(
      high,
      scores,
      [examiner('hard', 50), examiner('fair', 1)],
      standard,
    );
    expect(one).toMatchObject({ mean: 59, adjusted: 60 });
  });

  it('are none of those who are incomplete either way', () => {
    const touched = outcomesTouched(records, scores, [examiner('hard', 9)], standard);
    expect(touched.map(({ candidate }) => candidate)).not.toContain(4);
  });
});
