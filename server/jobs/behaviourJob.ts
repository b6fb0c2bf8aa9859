import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { ratedSheetsOf } from '../agreement/keptSheet.ts';
import type { KeptSheet } from '../agreement/keptSheet.ts';
import type { KeptBehaviour } from '../stations/behaviourRepository.ts';
import { describeBehaviour } from '../stations/describeBehaviour.ts';

export interface BehaviourJob {
  readonly items: readonly ChecklistItem[];
  readonly scores: readonly { candidate: string; percent: number | null; grade: number | null }[];
  readonly sheets: readonly KeptSheet[];
}

/** Runs in a worker thread: how one station behaved. */
export default function run({ items, scores, sheets }: BehaviourJob): KeptBehaviour {
  return describeBehaviour(items, scores, ratedSheetsOf(sheets, []));
}
