import { bootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import type { RandomGenerator } from '@kritikos/core/numerics/random';
import type { BootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import type { Told } from './told.ts';

export interface BootstrapJob {
  /** Scores and overall grades of every station's candidates. */
  readonly stations: readonly {
    readonly scores: readonly number[];
    readonly grades: readonly number[];
  }[];
  readonly borderline: number;
  readonly resamples: number;
  readonly seed: number;
  /** Part of the question, so that what another way of drawing came to is not taken for its answer. */
  readonly generator: RandomGenerator;
}

/** Runs in a worker thread: the bootstrap error of the cut of every station, in their order. */
export default function run({ port, stations, ...how }: BootstrapJob & Told): BootstrapCut[] {
  return stations.map(({ scores, grades }, done) => {
    port.postMessage(done / stations.length);
    return bootstrapCut(scores, grades, how.borderline, how.resamples, how.seed, how.generator);
  });
}
