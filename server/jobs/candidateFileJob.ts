import type { ImportPreview } from '@kritikos/contracts/examinations';
import { readCandidateFile } from '../examinations/candidateFile.ts';

export interface CandidateFileJob {
  readonly content: string;
  /** The numbers that the examination has already. */
  readonly taken: readonly number[];
}

/** Runs in a worker thread: a candidate list read and checked cell by cell. */
export default function run({ content, taken }: CandidateFileJob): ImportPreview {
  return readCandidateFile(content, new Set(taken));
}
