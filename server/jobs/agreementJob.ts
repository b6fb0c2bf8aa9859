import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import { describeStation } from '../agreement/describeStation.ts';
import type { Described } from '../agreement/describeStation.ts';
import { ratedSheetsOf } from '../agreement/keptSheet.ts';
import type { KeptSheet, NumberRead } from '../agreement/keptSheet.ts';

export interface AgreementJob {
  readonly content: Pick<ChecklistContent, 'items' | 'procedures'>;
  readonly sheets: readonly KeptSheet[];
  readonly numbers: readonly NumberRead[];
}

/** Runs in a worker thread: how far the examiners of one station agree. */
export default function run({ content, sheets, numbers }: AgreementJob): Described {
  return describeStation(content, ratedSheetsOf(sheets, numbers));
}
