import { countSubjects } from './ratedSheet.ts';
import type { Subject } from './ratedSheet.ts';
import { mcNemar } from './marginalTest.ts';
import { pairwiseAgreement } from './pairwiseAgreement.ts';
import { pooledShares } from './pseudoSubjects.ts';

export const DISPUTE_KINDS = ['agreed', 'skewed', 'one-sided', 'ambiguous', 'too few'] as const;
export type DisputeKind = (typeof DISPUTE_KINDS)[number];

export interface Dispute {
  readonly kind: DisputeKind;
  /** Of a one-sided dispute: who marks otherwise than the others, and to which side. */
  readonly examiner: string | null;
  readonly direction: 'harsher' | 'milder' | null;
}

/** Below this share of agreement an item is disputed (common practice, no source). */
const DISPUTED_BELOW = 0.8;
/** Above this share of all marks in one category the item hardly varies. */
const SKEWED_ABOVE = 0.9;
const FEWEST_CANDIDATES = 5;
const LEVEL = 0.1;

/**
 * Tells apart why the marks of an item look poor.
 *
 * - *one-sided*: one examiner is systematically the harsher, or the milder, than whoever marked the
 *   same candidates (McNemar, p < 0.10: with few candidates a stricter level would never speak;
 *   shared among the examiners where there are more than two, Bonferroni), and the item is disputed;
 * - *ambiguous*: disputed, but nobody to one side;
 * - *skewed*: not disputed, but nearly all marks fall in one category, so kappa says little;
 * - *agreed*: none of these. *too few*: fewer than five candidates, no verdict.
 *
 * `categories` stand in order from the lowest mark to the highest.
 */
export function disputeOf(
  subjects: readonly Subject[],
  categories: readonly (string | number)[],
): Dispute {
  if (subjects.length < FEWEST_CANDIDATES) return only('too few');
  const { tally, examiners } = countSubjects(subjects, categories);
  if ((pairwiseAgreement(tally).estimate ?? 0) >= DISPUTED_BELOW) {
    return only(Math.max(...pooledShares(tally)) > SKEWED_ABOVE ? 'skewed' : 'agreed');
  }
  const place = new Map(categories.map((category, k) => [String(category), k]));
  const sides = examiners.map((examiner) => {
    const { lower, higher } = sidesOf(examiner, subjects, (mark) => place.get(String(mark)) ?? 0);
    return { examiner, lower, higher, p: mcNemar(lower, higher) ?? 1 };
  });
  // Of two examiners the one is as much to one side as the other, and the harsher is named.
  const tests = examiners.length > 2 ? examiners.length : 1;
  const found = sides
    .filter(({ p, lower, higher }) => p * tests < LEVEL && (tests > 1 || lower > higher))
    .sort((a, b) => a.p - b.p)[0];
  if (!found) return only('ambiguous');
  const direction = found.lower > found.higher ? 'harsher' : 'milder';
  return { kind: 'one-sided', examiner: found.examiner, direction };
}

function only(kind: Exclude<DisputeKind, 'one-sided'>): Dispute {
  return { kind, examiner: null, direction: null };
}

/** How often an examiner's mark is below and above that of another examiner of the same candidate. */
function sidesOf(
  examiner: string,
  subjects: readonly Subject[],
  placeOf: (mark: string | number) => number,
): { lower: number; higher: number } {
  let lower = 0;
  let higher = 0;
  for (const { marks } of subjects) {
    const own = marks.find(({ sheet }) => sheet.examiner === examiner);
    if (!own) continue;
    for (const { mark } of marks) {
      const distance = placeOf(own.mark) - placeOf(mark);
      if (distance < 0) lower++;
      if (distance > 0) higher++;
    }
  }
  return { lower, higher };
}
