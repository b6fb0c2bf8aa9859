import { DOMAINS } from '../scoring/checklist.ts';

/** The parts of a score that a rule can ask for by themselves: the domains, and safety. */
export const RULE_PARTS = [...DOMAINS, 'safety'] as const;
export type RulePart = (typeof RULE_PARTS)[number];

/** What a candidate earned in each part over all stations, in percent; `null` where none was asked. */
export type PartPercents = Readonly<Record<RulePart, number | null>>;

/** Weight earned and possible of one sheet, part by part in the order of `RULE_PARTS`. */
export type PartSums = readonly { readonly earned: number; readonly possible: number }[];

/**
 * The percent of each part over all stations. Where a station has several sheets of the candidate
 * the mean of their sums counts, so that being marked twice gives a station no more weight.
 * Worked value: 3 of 4 at one station, and 1 of 4 and 3 of 4 on two sheets of another: 5 of 8, 62.5 %.
 */
export function partPercents(stations: readonly (readonly PartSums[])[]): PartPercents {
  const percents = RULE_PARTS.map((part, p) => {
    let earned = 0;
    let possible = 0;
    for (const sheets of stations) {
      for (const sheet of sheets) {
        earned += (sheet[p]?.earned ?? 0) / sheets.length;
        possible += (sheet[p]?.possible ?? 0) / sheets.length;
      }
    }
    return [part, possible === 0 ? null : (100 * earned) / possible];
  });
  return Object.fromEntries(percents) as Record<RulePart, number | null>;
}
