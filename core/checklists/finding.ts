import type { DraftItem } from './draftChecklist.ts';

/** What the reading along finds. Each is one rule with a file of its own. */
export const READING_RULES = [
  'two-acts',
  'vague',
  'no-anchors',
  'no-key',
  'no-reason',
  'no-comparison',
  'no-stop-rule',
  'critical-lost',
  'too-many',
  'cannot-show',
  'skewed',
  'ambiguous',
  'one-sided',
  'near-double',
] as const;
export type ReadingRule = (typeof READING_RULES)[number];

/** The part of an item, or of the checklist, that a finding is about. */
export type FindingPart =
  'text' | 'anchors' | 'answer' | 'band' | 'weight' | 'reason' | 'stop-rule' | 'items' | 'minutes';

/** The one action that puts a finding right; `mend` carries it out. */
export type Mend =
  | { readonly do: 'split'; readonly item: string; readonly into: readonly string[] }
  | { readonly do: 'say'; readonly item: string; readonly text: string }
  | { readonly do: 'remove'; readonly item: string }
  | { readonly do: 'as-done'; readonly item: string }
  | { readonly do: 'keep-anchors'; readonly item: string; readonly anchors: readonly string[] }
  | { readonly do: 'answer'; readonly item: string; readonly answer: string }
  | { readonly do: 'band'; readonly item: string; readonly lower: number; readonly upper: number }
  | { readonly do: 'fail-station'; readonly items: readonly string[] }
  | { readonly do: 'add'; readonly item: DraftItem }
  | { readonly do: 'stop-rule'; readonly text: string }
  | { readonly do: 'minutes'; readonly minutes: number }
  /** Only a person can: the place is opened, and what is written there puts it right. */
  | { readonly do: 'write'; readonly item: string; readonly part: FindingPart };

/** Something that two examiners would stumble over, while it can still be changed. */
export interface Finding {
  /** The key of the item, or `null` where it is the whole checklist. */
  readonly item: string | null;
  readonly part: FindingPart;
  readonly rule: ReadingRule;
  /** What was found, with the words or figures it was found in. */
  readonly words: string;
  /** Why it matters to whoever marks, or is marked. */
  readonly reason: string;
  readonly mend: Mend;
}
