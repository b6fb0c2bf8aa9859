import { describe, expect, it } from 'vitest';
import { partPercents, RULE_PARTS } from './partPercents.ts';
import type { PartSums } from './partPercents.ts';

const sheet = (earned: number, possible: number): PartSums =>
  RULE_PARTS.map((part) =>
    part === 'technique' ? { earned, possible } : { earned: 0, possible: 0 },
  );

describe('the percent of a part over all stations', () => {
  it('counts a station that was marked twice once', () => {
    const percents = partPercents([[sheet(3, 4)], [sheet(1, 4), sheet(3, 4)]]);
    expect(percents.technique).toBeCloseTo(62.5, 12);
  });

  it('is none where nothing of the part was asked', () => {
    expect(partPercents([[sheet(3, 4)]]).safety).toBeNull();
    expect(partPercents([]).technique).toBeNull();
  });
});
