import type { Withheld } from '../scoring/checklist.ts';

/** What a patient forbids, in a sentence for whoever marks. */
export function withheldWords({ why, acts }: Withheld): string {
  const asked =
    acts.length === 1 ? 'One item is not asked.' : `${acts.length} items are not asked.`;
  return `Must not be done on this patient. ${why} ${asked}`;
}
