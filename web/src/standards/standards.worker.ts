import { bootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import { scoredPairs, setStandard } from '@kritikos/core/standards/setStandard';
import type { StandardSettings, StationData } from '@kritikos/core/standards/setStandard';
import { expose } from 'comlink';

/** Computes beside the page, so that a dragged control never waits for a resample. */
const work = {
  standard: (data: StationData[], candidates: string[], settings: StandardSettings) =>
    setStandard(data, candidates, settings),
  bootstraps: (data: StationData[], borderline: number, resamples: number) =>
    data.map(({ records }) => {
      const { scores, grades } = scoredPairs(records);
      return bootstrapCut(scores, grades, borderline, resamples, 1);
    }),
};
export type StandardsWork = typeof work;

expose(work);
