import type { ItemAgreement } from '@kritikos/contracts/agreement';

type Dispute = ItemAgreement['dispute'];

/** A sign beside the word, so that nothing hangs on colour. */
export const DISPUTE_SIGNS: Readonly<Record<Dispute['kind'], string>> = {
  agreed: '',
  skewed: '▁',
  'one-sided': '◣',
  ambiguous: '◇',
  'too few': '·',
};

/** What kind of dispute it is, in a sentence. */
export function sayDispute({ kind, examiner, direction }: Dispute): string {
  switch (kind) {
    case 'one-sided':
      return `${examiner ?? 'One examiner'} is ${direction ?? 'harsher'} than whoever marked beside`;
    case 'ambiguous':
      return 'split at random, in both directions';
    case 'skewed':
      return 'nearly all marks alike, so that kappa says little';
    case 'too few':
      return 'too few candidates to say';
    case 'agreed':
      return '';
  }
}
