import { criticalVerdict } from '../scoring/criticalItems.ts';
import type { CriticalCount, CriticalRule } from '../scoring/criticalItems.ts';
import { reachesCut } from './reachesCut.ts';

/** What is known of one candidate at one station. */
export interface StationScore {
  /** Percent; `null` where there is no scorable sheet. */
  readonly percent: number | null;
  /** The critical items that somebody missed or that nobody observed; others need not be listed. */
  readonly critical: readonly CriticalCount[];
}

export type StationOutcome = 'passed' | 'not passed' | 'undecided';

/**
 * Whether a station is passed. A missed critical item fails it whatever the score. One that nobody
 * observed leaves it *undecided* where the score would pass: nobody knows, so nobody passes.
 * Undecided too without a scorable sheet or without a cut.
 */
export function stationOutcome(
  { percent, critical }: StationScore,
  cut: number | null,
  rule: CriticalRule,
): StationOutcome {
  const verdicts = critical.map((count) => criticalVerdict(count, rule));
  if (verdicts.includes('missed')) return 'not passed';
  if (percent === null || cut === null) return 'undecided';
  if (!reachesCut(percent, cut)) return 'not passed';
  return verdicts.includes('unseen') ? 'undecided' : 'passed';
}

/** Critical items of a station that nobody observed. */
export function countUnseen(critical: readonly CriticalCount[]): number {
  return critical.filter(({ observed }) => observed === 0).length;
}

/** Critical items missed at a station, under the rule. */
export function countMissed(critical: readonly CriticalCount[], rule: CriticalRule): number {
  return critical.filter((count) => criticalVerdict(count, rule) === 'missed').length;
}
