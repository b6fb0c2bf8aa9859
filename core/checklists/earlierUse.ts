import type { Dispute } from '../agreement/disputeKind.ts';
import type { DraftItem } from './draftChecklist.ts';
import type { Finding } from './finding.ts';

/** How an item behaved when it was marked before, in all examinations together. */
export interface EarlierUse {
  /** Sheets on which it earned a share. */
  readonly marked: number;
  /** The mean share that it earned, in [0, 1]; `null` where nothing was marked. */
  readonly facility: number | null;
  /** Candidates whom two or more examiners marked on it, and the share of pairs that agreed. */
  readonly pairs: number;
  readonly agreement: number | null;
  readonly dispute: Dispute;
}

const FEWEST_SHEETS = 20;
const NEARLY_ALL = 0.95;

/** An item whose earlier marks say that it told nothing, or that examiners did not agree on it. */
export function earlierUse(item: DraftItem, use: EarlierUse | undefined): Finding[] {
  if (!use) return [];
  const { dispute, facility, marked } = use;
  const write = { do: 'write', item: item.key, part: 'text' } as const;
  if (dispute.kind === 'ambiguous') {
    return [
      {
        item: item.key,
        part: 'text',
        rule: 'ambiguous',
        words: `${agreed(use)}, and nobody was always the stricter.`,
        reason:
          'The words let two examiners mark the same act differently. Reworded, it is a new item.',
        mend: write,
      },
    ];
  }
  if (dispute.kind === 'one-sided') {
    return [
      {
        item: item.key,
        part: 'text',
        rule: 'one-sided',
        words: `${agreed(use)}; ${dispute.examiner} was the ${dispute.direction} throughout.`,
        reason: 'Two readings of the item are in use. Say which is meant, or calibrate on it.',
        mend: write,
      },
    ];
  }
  const telling = facility !== null && facility < NEARLY_ALL && facility > 1 - NEARLY_ALL;
  // Hygiene and consent are asked for though everybody does them.
  const asked = item.safety || item.criticality !== 'none';
  if (facility === null || telling || asked || marked < FEWEST_SHEETS) return [];
  return [
    {
      item: item.key,
      part: 'items',
      rule: 'skewed',
      words: `It earned ${Math.round(100 * facility)} % on ${marked} sheets.`,
      reason:
        'What nearly everybody gets, or nobody, tells nothing about anybody and depresses kappa.',
      mend: { do: 'remove', item: item.key },
    },
  ];
}

function agreed({ agreement, pairs }: EarlierUse): string {
  return `Two examiners agreed on it in ${Math.round(100 * (agreement ?? 0))} % of ${pairs} candidates`;
}
