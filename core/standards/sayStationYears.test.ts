import { describe, expect, it } from 'vitest';
import { sayStationYears } from './sayStationYears.ts';

const sitting = (cohort: string, facility: number | null, candidates = 40) => ({
  cohort,
  candidates,
  facility,
  cut: 61.25,
  failing: 0.125,
});

describe('a station over the years, in words', () => {
  it('says how the newest cohort fared beside the one before', () => {
    expect(sayStationYears([sitting('2026', 78.2), sitting('2025', 71)], 1)).toBe(
      'Used in 2 sittings. Cohort 2026 earned 78.2 % on average, 7.2 points more than 2025, and 13 of 100 fell below the cut of 61.3 %; whether that is the cohort or the station, the examination’s own years say. One item took the place of another in between.',
    );
    expect(sayStationYears([sitting('2026', 71), sitting('2025', 78)], 0)).toMatch(
      /7\.0 points less/,
    );
    expect(sayStationYears([sitting('2026', 71.2), sitting('2025', 71)], 2)).toMatch(
      /as much as 2025.*2 items took the place/,
    );
  });

  it('says so where there is one sitting, or none', () => {
    expect(sayStationYears([sitting('2026', 71), sitting('2025', null, 0)], 0)).toBe(
      'Used in one sitting: cohort 2026 earned 71.0 % on average, and 13 of 100 fell below the cut of 61.3 %.',
    );
    const uncut = { ...sitting('2026', 71), cut: null };
    expect(sayStationYears([uncut], 0)).toBe(
      'Used in one sitting: cohort 2026 earned 71.0 % on average.',
    );
    expect(sayStationYears([], 0)).toMatch(/Nobody has been marked/);
  });
});
