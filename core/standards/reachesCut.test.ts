import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compareConsequences } from './consequences.ts';
import { examCut, decideCandidate } from './examRule.ts';
import { reachesCut } from './reachesCut.ts';
import { countMissed, countUnseen, stationOutcome } from './stationOutcome.ts';

describe('reaching a cut', () => {
  it('is not spoilt by the last bits of a sum', () => {
    expect(0.1 + 0.2 > 0.3).toBe(true);
    expect(reachesCut(0.3, 0.1 + 0.2)).toBe(true);
    expect(reachesCut(59.999999, 60)).toBe(false);
    expect(reachesCut(60, 60.0000004)).toBe(true);
  });

  it('is judged the same by the station, the examination and the comparison of methods', () => {
    const rule = {
      semMultiplier: 0,
      fewestStationsPassed: 0,
      criticalBy: 'all',
      criticalFailureFails: false,
    } as const;
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 100 }),
        fc.double({ min: -2e-6, max: 2e-6, noNaN: true }),
        (cut, shift) => {
          const score = { percent: cut + shift, critical: [] };
          const reaches = reachesCut(score.percent, cut);
          expect(stationOutcome(score, cut, 'all') === 'passed').toBe(reaches);
          const whole = examCut([cut], rule, null);
          if (whole) {
            expect(decideCandidate([score], [cut], whole, rule).outcome === 'pass').toBe(reaches);
          }
          expect(compareConsequences([score.percent], [{ method: 'm', cut }])[0]?.passed).toBe(
            reaches ? 1 : 0,
          );
        },
      ),
    );
  });
});

describe('the critical items of a station', () => {
  it('are counted as missed and as unseen: nobody observed, not somebody', () => {
    const critical = [
      { item: 'a', observed: 0, missed: 0 },
      { item: 'b', observed: 1, missed: 0 },
      { item: 'c', observed: 2, missed: 1 },
      { item: 'd', observed: 2, missed: 2 },
    ];
    expect(countUnseen(critical)).toBe(1);
    expect(countMissed(critical, 'all')).toBe(1);
  });
});
