import type { PaperSize } from '@kritikos/contracts/papers';
import { pack } from '../papers/pack.ts';
import type { Packed } from '../papers/pack.ts';
import type { Printed } from '../papers/printed.ts';
import type { Told } from './told.ts';

export interface PackJob {
  readonly printed: Printed;
  readonly paper: PaperSize;
  /** The whole examination in the open format. */
  readonly open: string;
  readonly made: Date;
}

/** Runs in a worker thread: all papers of an examination as one archive. */
export default function run({ printed, paper, open, made, port }: PackJob & Told): Promise<Packed> {
  return pack(printed, paper, open, made, (share) => port.postMessage(share));
}
