import { examinationTrust } from '@kritikos/core/reliability/examinationTrust';
import type {
  ExaminationTrust,
  SheetScorePoint,
} from '@kritikos/core/reliability/examinationTrust';

export interface TrustJob {
  readonly points: readonly SheetScorePoint[];
  readonly stations: number;
  readonly cut: number | null;
}

/** Runs in a worker thread: how far an examination can be trusted. */
export default function run({ points, stations, cut }: TrustJob): ExaminationTrust {
  return examinationTrust(points, { stations, cut });
}
