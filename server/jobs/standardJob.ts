import { bootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import type { BootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import { scoredPairs, setStandard } from '@kritikos/core/standards/setStandard';
import type { Standard, StandardSettings, StationData } from '@kritikos/core/standards/setStandard';

export interface StandardJob {
  readonly data: readonly StationData[];
  readonly candidates: readonly string[];
  readonly settings: StandardSettings;
  readonly resamples: number;
  readonly seed: number;
}

export interface StandardJobResult {
  readonly standard: Standard;
  /** One per station, in the order of the data. */
  readonly bootstraps: readonly BootstrapCut[];
}

/** Runs in a worker thread: the standard with the bootstrap error of every station's cut. */
export default function run(job: StandardJob): StandardJobResult {
  const standard = setStandard(job.data, job.candidates, job.settings);
  const bootstraps = job.data.map(({ records }) => {
    const { scores, grades } = scoredPairs(records);
    return bootstrapCut(scores, grades, job.settings.borderline, job.resamples, job.seed);
  });
  return { standard, bootstraps };
}
