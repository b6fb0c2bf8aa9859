import type { CandidateFacts } from '@kritikos/core/standards/candidateFacts';
import { setStandard } from '@kritikos/core/standards/setStandard';
import type { Standard, StandardSettings, StationData } from '@kritikos/core/standards/setStandard';

export interface StandardJob {
  readonly data: readonly StationData[];
  readonly candidates: readonly string[];
  readonly settings: StandardSettings;
  /** Where the rule asks for more than scores. */
  readonly facts?: ReadonlyMap<string, CandidateFacts> | undefined;
}

/** Runs in a worker thread: the standard of an examination, and what it does to every candidate. */
export default function run({ data, candidates, settings, facts }: StandardJob): Standard {
  return setStandard(data, candidates, settings, facts);
}
