import type { CandidateFacts } from './candidateFacts.ts';
import { setStandard } from './setStandard.ts';
import type { StandardSettings, StationData } from './setStandard.ts';

/** What the examination would come to by cuts that were given from elsewhere. */
export interface CutsForAll {
  /** What the mean over the stations must reach. */
  readonly required: number | null;
  readonly passed: number;
  readonly failed: number;
  readonly incomplete: number;
  /** Whose outcome is another than by the present settings; by the ids of the candidates. */
  readonly changed: readonly string[];
}

/** Applies the rule of the settings to given cuts, one a station, in place of every method and hand cut. */
export function byCuts(
  data: readonly StationData[],
  candidates: readonly string[],
  settings: StandardSettings,
  cuts: Readonly<Record<string, number>>,
  facts?: ReadonlyMap<string, CandidateFacts>,
): CutsForAll {
  const present = setStandard(data, candidates, settings, facts);
  const given = setStandard(data, candidates, { ...settings, handCuts: cuts }, facts);
  return {
    required: given.examCut && data.length > 0 ? given.examCut.total / data.length : null,
    passed: given.passed,
    failed: given.failed,
    incomplete: given.incomplete,
    changed: candidates.filter(
      (id) => present.outcomes.get(id)?.outcome !== given.outcomes.get(id)?.outcome,
    ),
  };
}
