import { BY_REGRESSION } from './testing/settings.ts';
import { describe, expect, it } from 'vitest';
import type { CriticalCount } from '../scoring/criticalItems.ts';
import { countSafety, factsOf, NO_FACTS } from './candidateFacts.ts';
import { decideCandidate, examCut } from './examRule.ts';
import type { ExamRule } from './examRule.ts';
import type { PartPercents } from './partPercents.ts';
import { setStandard } from './setStandard.ts';

const rule: ExamRule = {
  semMultiplier: 0,
  fewestStationsPassed: 0,
  criticalBy: 'all',
  criticalFailureFails: false,
};
const at = (percent: number | null, ...critical: CriticalCount[]) => ({ percent, critical });
const missed: CriticalCount = { item: 'stop', observed: 1, missed: 1 };
const unseen: CriticalCount = { item: 'stop', observed: 0, missed: 0 };
const cuts = [50, 60, 55];
const cut = { sumOfCuts: 165, total: 165 };
const decide = (scores: readonly ReturnType<typeof at>[], more: Partial<ExamRule> = {}) =>
  decideCandidate(scores, cuts, cut, { ...rule, ...more });

describe('what is known of candidates beside their scores', () => {
  it('counts their safety events: laid to them, and still open; of the others there was none', () => {
    const laidTo = (word: string) => ({ laidTo: word });
    const counts = countSafety([
      { candidateId: 'a', followUp: laidTo('candidate') },
      { candidateId: 'a', followUp: null },
      { candidateId: 'a', followUp: laidTo('candidate') },
      { candidateId: 'b', followUp: laidTo('patient') },
    ]);
    expect(counts.get('a')).toEqual({ laid: 2, open: 1 });
    expect(counts.get('b')).toEqual({ laid: 0, open: 0 });
    expect(factsOf(['a', 'c'], undefined, counts).get('c')).toEqual(NO_FACTS);
  });

  it('is nothing where nobody says anything, which fails nobody', () => {
    const asked = decide([at(90), at(90), at(90)], { safetyEventFails: true });
    expect(asked.outcome).toBe('pass');
    expect(NO_FACTS).toEqual({ parts: null, safety: { laid: 0, open: 0 } });
  });

  it('is said in its own figures, a mean of nothing too', () => {
    expect(decide([at(0), at(0), at(0)]).reasons).toContain(
      'Mean score 0.0 % is below the required 55.0 %.',
    );
    expect(decide([at(30.04), at(30), at(30)]).reasons[0]).toMatch(/^Mean score 30\.0 %/);
  });
});

describe('what each part of the rule does', () => {
  const parts: PartPercents = {
    preparation: 80,
    positioning: 70,
    technique: 65,
    comparison: null,
    interpretation: 60,
    communication: 49.9999999,
    safety: 90,
  };
  const asks = (asked: ExamRule['parts'], more: Partial<ExamRule> = {}) =>
    decideCandidate(
      [at(90), at(90), at(90)],
      cuts,
      cut,
      { ...rule, ...more, ...(asked ? { parts: asked } : {}) },
      { ...NO_FACTS, parts },
    );

  it('lets a domain and safety be asked for by themselves', () => {
    expect(asks({ technique: 60, safety: 80 })).toMatchObject({ outcome: 'pass', reasons: [] });
    expect(asks({ technique: 70, safety: 95 })).toMatchObject({
      outcome: 'fail',
      reasons: [
        'Technique: 65.0 % over all stations is below the required 70.0 %.',
        'Safety: 90.0 % over all stations is below the required 95.0 %.',
      ],
    });
    // As with every cut, what is equal to six decimals reaches it.
    expect(asks({ communication: 50 }).outcome).toBe('pass');
  });

  // Common practice, no source: what harmed or nearly harmed a patient is looked into before it
  // decides anything, and what the candidate did not do is not held against the candidate.
  it('lets a safety event be asked for: laid to the candidate it fails, open it decides nothing', () => {
    const after = (laid: number, open: number, safetyEventFails = true) =>
      decideCandidate(
        [at(90), at(90), at(90)],
        cuts,
        cut,
        { ...rule, safetyEventFails },
        { ...NO_FACTS, safety: { laid, open } },
      );
    expect(after(0, 0)).toMatchObject({ outcome: 'pass', reasons: [] });
    expect(after(1, 1)).toMatchObject({
      outcome: 'fail',
      reasons: ['One safety event is laid to the candidate.'],
    });
    expect(after(2, 0).reasons).toEqual(['2 safety events are laid to the candidate.']);
    expect(after(0, 1)).toMatchObject({
      outcome: 'incomplete',
      reasons: ['A safety event has not been followed up, so it is undecided.'],
    });
    expect(after(1, 1, false)).toMatchObject({ outcome: 'pass', conditions: [{ part: 'mean' }] });
    expect(after(1, 0).conditions.at(-1)).toEqual({
      part: 'safety-event',
      met: false,
      value: 1,
      required: 0,
    });
  });

  it('leaves open a part that no item asked for', () => {
    expect(asks({ comparison: 50 })).toMatchObject({
      outcome: 'incomplete',
      reasons: ['Comparison: no item of it was marked, so it is undecided.'],
    });
    expect(asks({ comparison: 50, technique: 70 }).outcome).toBe('fail');
  });

  it('is told for every condition that is asked, with what was there', () => {
    const { conditions } = asks(
      { interpretation: 70 },
      { fewestStationsPassed: 2, criticalFailureFails: true },
    );
    expect(conditions).toEqual([
      { part: 'mean', met: true, value: 90, required: 55 },
      { part: 'stations', met: true, value: 3, required: 2 },
      { part: 'critical', met: true, value: 0, required: 0 },
      { part: 'interpretation', met: false, value: 60, required: 70 },
    ]);
    expect(decide([at(null), at(90), at(90)]).conditions).toEqual([]);
    const open = decide([at(90, unseen), at(90), at(90)], { fewestStationsPassed: 3 });
    expect(open.conditions.map(({ part, met }) => [part, met])).toEqual([
      ['mean', true],
      ['stations', null],
    ]);
  });

  it('is what it was for a rule that asks for no part', () => {
    expect(asks(undefined).conditions.map(({ part }) => part)).toEqual(['mean']);
  });
});

describe('why a candidate does not pass', () => {
  it('gives the mean over the stations and what was required', () => {
    // (40 + 60 + 50) / 3 = 50.0, required 165 / 3 = 55.0.
    expect(decide([at(40), at(60), at(50)]).reasons).toEqual([
      'Mean score 50.0 % is below the required 55.0 %.',
    ]);
  });

  it('names the stations where critical items were missed', () => {
    const fails = { criticalFailureFails: true };
    expect(decide([at(90), at(90, missed), at(90)], fails).reasons).toEqual([
      'One critical item was missed, at station 2.',
    ]);
    const two = { ...missed, item: 'fracture' };
    expect(decide([at(90, missed), at(90), at(90, missed, two)], fails).reasons).toEqual([
      '3 critical items were missed, at stations 1, 3.',
    ]);
    expect(decide([at(90), at(90), at(90, missed, two)], fails).reasons).toEqual([
      '2 critical items were missed, at station 3.',
    ]);
  });

  it('names the stations that hang on what nobody observed', () => {
    const three = { fewestStationsPassed: 3 };
    expect(decide([at(90, unseen), at(90), at(90)], three).reasons).toEqual([
      'Nobody observed a critical item at station 1, so it is undecided.',
    ]);
    expect(decide([at(90, unseen), at(90), at(90, unseen)], three)).toMatchObject({
      outcome: 'incomplete',
      reasons: ['Nobody observed a critical item at stations 1, 3, so it is undecided.'],
    });
    // One station was passed for certain, and one is all that is asked for.
    expect(decide([at(90, unseen), at(90), at(90)], { fewestStationsPassed: 1 })).toMatchObject({
      outcome: 'pass',
      reasons: [],
    });
  });

  it('is incomplete without a sheet, whatever else is known', () => {
    expect(
      decide([at(null), at(90, missed), at(90)], { criticalFailureFails: true }),
    ).toMatchObject({
      outcome: 'incomplete',
      total: null,
      stations: ['undecided', 'not passed', 'passed'],
      stationsPassed: 1,
      criticalFailures: 1,
      reasons: ['1 of 3 stations have no scorable sheet.'],
    });
  });
});

describe('the cut of the examination', () => {
  it('needs every station’s cut, and the standard error where the rule adds it', () => {
    expect(examCut([50, 60], { ...rule, semMultiplier: 2 }, 3)).toEqual({
      sumOfCuts: 110,
      total: 116,
    });
    expect(examCut([50, null], rule, 3)).toBeNull();
    expect(examCut([], rule, 3)).toBeNull();
    expect(examCut([50], { ...rule, semMultiplier: 1 }, null)).toBeNull();
    expect(examCut([50], rule, null)).toEqual({ sumOfCuts: 50, total: 50 });
  });
});

describe('the standard of a whole examination', () => {
  const record = (candidate: string, percent: number | null, grade: number | null) => ({
    candidate,
    percent,
    grade,
    critical: [],
  });
  const records = [
    record('a', 80, 4),
    record('b', 50, 2.5),
    record('c', 30, 1.5),
    record('d', 55, null),
    record('e', null, 3),
  ];
  const standard = setStandard([{ station: 'knee', records }], ['a', 'b', 'c', 'd', 'e', 'f'], {
    ...BY_REGRESSION,
    rule,
    handCuts: {},
  });

  it('draws the line through those who have both, and judges all who have a score', () => {
    const [knee] = standard.stations;
    expect(knee?.regression.cut.n).toBe(3);
    expect(knee).toMatchObject({ scored: 4, passed: 3, undecided: 0, byHand: false });
    expect(knee?.cut).toBeCloseTo(50, 9);
  });

  it('counts who passes, who fails and who is incomplete, a candidate without any sheet too', () => {
    expect(standard).toMatchObject({ passed: 3, failed: 1, incomplete: 2 });
    expect(standard.outcomes.get('f')).toMatchObject({
      outcome: 'incomplete',
      criticalFailures: 0,
    });
  });
});
