import type { Agreed } from '@kritikos/contracts/agreement';
import { describeTechnique } from '../agreement/describeStation.ts';
import { ratedSheetsOf } from '../agreement/keptSheet.ts';
import type { AgreementJob } from './agreementJob.ts';

/** Runs in a worker thread: how far the examiners of one station agree on technique, all items together. */
export default function run({ content, sheets, numbers }: AgreementJob): Agreed {
  return describeTechnique(content, ratedSheetsOf(sheets, numbers));
}
