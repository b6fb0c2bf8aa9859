import type { GradedItem } from '../scoring/checklist.ts';
import type { DraftItem } from './draftChecklist.ts';
import type { Finding } from './finding.ts';

/**
 * The item that demonstrations leave out so often that it stands by itself. The other side is a
 * baseline only if it was never injured.
 */
export const BOTH_SIDES: GradedItem = {
  key: 'both-sides',
  text: 'Tests both sides, the uninvolved side first',
  domain: 'comparison',
  kind: 'graded',
  anchors: [
    'One side only, or comparison only announced',
    'Both sides, involved side first',
    'Both sides, uninvolved side first',
    'So, and asks whether that side was ever hurt',
  ],
  weight: 2,
  observability: 'seen',
  criticality: 'none',
  safety: false,
  saidEarns: false,
};

const LIMB = 'leg|arm|limb|knee|hip|shoulder|elbow|wrist|ankle|foot|feet';
/**
 * Words that ask for the other side. 'The other knee' alone does not: it may only be held out of
 * the way; nor does 'the other hand', which is mostly the examiner's.
 */
const SAYS_BOTH = new RegExp(
  [
    String.raw`\b(?:both|each|other|opposite|uninvolved|unaffected|uninjured|sound|healthy|contralateral) sides?\b`,
    String.raw`\bboth (?:${LIMB})s?\b`,
    String.raw`\b(?:uninvolved|unaffected|uninjured|sound|healthy|contralateral) (?:${LIMB}|hand|one)\b`,
    String.raw`\b(?:compar|repeat|test|examin|measur|perform)\w* .*\b(?:other|opposite) (?:${LIMB})\b`,
    String.raw`\bbilateral(?:ly)?\b|\bside[- ]to[- ]side\b|\bsides? (?:are )?compared\b`,
    String.raw`\bleft (?:and|with|to|against) right\b|\bright (?:and|with|to|against) left\b`,
    String.raw`\bcompares? (?:the )?(?:two )?sides\b`,
  ].join('|'),
  'i',
);

/** Whether an item asks for the other side too: by its domain, its pair of sides, or its words. */
export function comparesSides(item: DraftItem): boolean {
  return item.domain === 'comparison' || item.kind === 'sides' || SAYS_BOTH.test(item.text);
}

/** Where there are two sides the other one is the baseline: without it a finding means little. */
export function withoutComparison(items: readonly DraftItem[]): Finding[] {
  if (items.some(comparesSides)) return [];
  return [
    {
      item: null,
      part: 'items',
      rule: 'no-comparison',
      words: 'No item asks for the other side.',
      reason:
        'The uninvolved side is the baseline; a candidate who never tests it earns full marks here.',
      mend: { do: 'add', item: BOTH_SIDES },
    },
  ];
}
