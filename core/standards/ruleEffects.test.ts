import { describe, expect, it } from 'vitest';
import type { CandidateOutcome, Condition } from './examRule.ts';
import { ruleEffects } from './ruleEffects.ts';
import { sayStandard } from './sayStandard.ts';
import { setStandard } from './setStandard.ts';
import { BY_REGRESSION } from './testing/settings.ts';

const outcome = (...conditions: Condition[]): CandidateOutcome => ({
  outcome: 'pass',
  total: 100,
  stations: [],
  stationsPassed: 0,
  criticalFailures: 0,
  reasons: [],
  conditions,
});
const mean = (met: boolean): Condition => ({ part: 'mean', met, value: 50, required: 60 });
const safety = (met: boolean | null): Condition => ({
  part: 'safety',
  met,
  value: 70,
  required: 80,
});

describe('what each part of a rule did', () => {
  it('is whom it fails, whom it alone fails, and for whom it is open', () => {
    const effects = ruleEffects(
      new Map([
        ['a', outcome(mean(true), safety(true))],
        ['b', outcome(mean(false), safety(false))],
        ['c', outcome(mean(true), safety(false))],
        ['d', outcome(mean(true), safety(null))],
        ['e', outcome()],
      ]),
    );
    expect(effects).toEqual([
      { part: 'mean', required: 60, met: 3, missed: ['b'], alone: [], open: [] },
      { part: 'safety', required: 80, met: 1, missed: ['b', 'c'], alone: ['c'], open: ['d'] },
    ]);
  });

  it('does not hang on who comes first, not even on somebody without a total', () => {
    const effects = ruleEffects(
      new Map([
        ['e', outcome()],
        ['a', outcome(mean(false), safety(true))],
      ]),
    );
    expect(effects.map(({ part, met, missed }) => [part, met, missed])).toEqual([
      ['mean', 0, ['a']],
      ['safety', 1, []],
    ]);
  });

  it('is nothing where nobody has a total', () => {
    expect(ruleEffects(new Map([['e', outcome()]]))).toEqual([]);
  });
});

const settings = {
  ...BY_REGRESSION,
  handCuts: {},
  rule: {
    semMultiplier: 0,
    fewestStationsPassed: 0,
    criticalBy: 'all',
    criticalFailureFails: true,
  },
} as const;

describe('a standard in words', () => {
  const candidates = Array.from({ length: 40 }, (_, i) => `c${i}`);
  const station = (name: string) => ({
    station: name,
    records: candidates.map((candidate, i) => ({
      candidate,
      percent: i === 0 && name === 'b' ? null : 40 + (i % 5) * 10 + (i % 3),
      grade: 1 + (i % 5),
      critical: [],
    })),
  });

  it('says what must be reached, who passes, and who is incomplete', () => {
    const standard = setStandard([station('a'), station('b')], candidates, settings);
    const said = sayStandard(standard, 'borderline regression', null);
    expect(said).toMatch(
      /^By borderline regression the mean over 2 stations must reach \d\d\.\d %; \d+ pass and \d+ fail\. One candidate is incomplete\.$/,
    );
    const quality = { consistency: 0.934, accuracy: 0.95 } as never;
    const near = (who: string[]) => sayStandard(standard, 'x', { near: who, quality, notes: [] });
    expect(near(['c1'])).toContain('one candidate lies within one standard error');
    expect(near([])).toContain('nobody lies within one standard error');
    expect(sayStandard(standard, 'x', { near: ['c1', 'c2'], quality, notes: [] })).toContain(
      'would decide alike for 93 of 100; 2 candidates lie within one standard error of the mark.',
    );
  });

  it('says that there is none', () => {
    const none = setStandard([{ station: 'a', records: [] }], [], settings);
    expect(sayStandard(none, 'x', null)).toMatch(/^There is no standard yet: a station has no cut/);
  });
});
