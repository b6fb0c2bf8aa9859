import type { CandidateResult } from '@kritikos/contracts/results';
import { DOMAINS } from '@kritikos/core/scoring/checklist';
import type { Domain } from '@kritikos/core/scoring/checklist';

/** A column of the results; stations by their place in the examination, from 0. */
export type ResultColumn =
  'number' | 'name' | 'outcome' | 'mean' | 'safety' | 'why' | Domain | `station ${number}`;

/** How a column says itself of a candidate; `null` where it says nothing. */
function cellOf(candidate: CandidateResult, column: ResultColumn): string | number | null {
  if (column === 'why') return candidate.reasons.join(' ') || null;
  if (column.startsWith('station '))
    return candidate.stations[Number(column.slice('station '.length))]?.percent ?? null;
  if ((DOMAINS as readonly string[]).includes(column))
    return candidate.domains[column as Domain] ?? null;
  return candidate[column as 'number' | 'name' | 'outcome' | 'mean' | 'safety'];
}

/**
 * Candidates by a column, upwards or downwards; who says nothing there comes last either way, and
 * who says the same stays in the order of the numbers.
 */
export function inOrderOf(
  candidates: readonly CandidateResult[],
  column: ResultColumn,
  downwards: boolean,
): CandidateResult[] {
  const compare = new Intl.Collator('en', { sensitivity: 'base', numeric: true }).compare;
  const sign = downwards ? -1 : 1;
  return [...candidates].sort((one, other) => {
    const [a, b] = [cellOf(one, column), cellOf(other, column)];
    if (a === null || b === null) {
      if (a !== b) return a === null ? 1 : -1;
    } else if (a !== b) {
      const by =
        typeof a === 'number' && typeof b === 'number' ? a - b : compare(String(a), String(b));
      if (by !== 0) return sign * by;
    }
    return one.number - other.number;
  });
}
