/** By whose marks an item counts as missed: by all of its observers, or by more than half of them. */
export const CRITICAL_RULES = ['all', 'majority'] as const;
export type CriticalRule = (typeof CRITICAL_RULES)[number];

/** What the sheets of one candidate at one station say of one item that fails the station. */
export interface CriticalCount {
  readonly item: string;
  /** Examiners who observed it: who gave a mark, whatever it earned. */
  readonly observed: number;
  /** Those of them whose mark earned nothing. */
  readonly missed: number;
}

export type CriticalVerdict = 'met' | 'missed' | 'unseen';

/**
 * Whether a critical item was missed, from the marks of everybody who observed it.
 *
 * By the rule *all* every observer must have given 0; by *majority* more than half of them, so
 * that a tie is not a miss. An item that nobody observed is *unseen*: neither met nor missed.
 * Two examiners who each miss another item have agreed on neither.
 * Worked values: 1 of 2 missed is met under both rules; 2 of 3 is missed by majority only.
 */
export function criticalVerdict(
  { observed, missed }: CriticalCount,
  rule: CriticalRule,
): CriticalVerdict {
  if (observed === 0) return 'unseen';
  const enough = rule === 'all' ? missed === observed : 2 * missed > observed;
  return enough ? 'missed' : 'met';
}
