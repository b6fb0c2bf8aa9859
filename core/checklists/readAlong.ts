import { cannotShow } from './patientShows.ts';
import { criticalLost, USUAL_PASS_PERCENT } from './criticalPart.ts';
import type { DraftContent } from './draftChecklist.ts';
import { earlierUse } from './earlierUse.ts';
import type { EarlierUse } from './earlierUse.ts';
import type { Finding } from './finding.ts';
import { withoutAnchors, withoutKey, withoutReason, withoutStopRule } from './missingParts.ts';
import { withoutComparison } from './sideComparison.ts';
import { tooMany } from './timeToMark.ts';
import { nearDouble } from './nearDouble.ts';
import { twoActs } from './twoActs.ts';
import { vagueWords } from './vagueWords.ts';

/** What is known around a checklist while it is written. What is absent is not read for. */
export interface ReadingContext {
  /** Whether what is tested has another side. */
  readonly twoSided?: boolean;
  /** Minutes of the station. */
  readonly minutes?: number;
  /** The percent with which the station is passed. */
  readonly passPercent?: number;
  /** The checklist as it follows from the procedures and the simulated patient. */
  readonly derived?: DraftContent;
  /** What the simulated patient has, in words. */
  readonly patient?: string;
  /** How the items behaved before, by their keys. */
  readonly earlier?: Readonly<Record<string, EarlierUse>>;
}

/**
 * Reads a checklist as a second examiner would, who has to agree on it: item by item, then as a
 * whole. Each finding has a place, a reason, and one action that puts it right (`mend`).
 */
export function readAlong(content: DraftContent, context: ReadingContext = {}): Finding[] {
  const { twoSided = true, minutes, passPercent = USUAL_PASS_PERCENT, derived, earlier } = context;
  const derivedOf = new Map(derived?.items.map((item) => [item.key, item]));
  const ofItems = content.items.flatMap((item) => [
    ...twoActs(item),
    ...vagueWords(item),
    ...withoutAnchors(item),
    ...withoutKey(item, derivedOf.get(item.key)),
    ...withoutReason(item),
    ...cannotShow(item, derivedOf.get(item.key), context.patient ?? ''),
    ...earlierUse(item, earlier?.[item.key]),
  ]);
  return [
    ...ofItems,
    ...nearDouble(content.items),
    // Who leaves a test undone has no sides to compare.
    ...(twoSided && !content.withheld?.length ? withoutComparison(content.items) : []),
    ...withoutStopRule(content.stopRule, derived?.stopRule),
    ...criticalLost(content, passPercent),
    ...(minutes === undefined ? [] : tooMany(content.items, minutes)),
  ];
}
