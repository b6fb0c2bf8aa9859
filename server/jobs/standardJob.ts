import type { PartPercents } from '@kritikos/core/standards/partPercents';
import { setStandard } from '@kritikos/core/standards/setStandard';
import type { Standard, StandardSettings, StationData } from '@kritikos/core/standards/setStandard';

export interface StandardJob {
  readonly data: readonly StationData[];
  readonly candidates: readonly string[];
  readonly settings: StandardSettings;
  /** Where the rule asks for parts. */
  readonly parts?: ReadonlyMap<string, PartPercents> | undefined;
}

/** Runs in a worker thread: the standard of an examination, and what it does to every candidate. */
export default function run({ data, candidates, settings, parts }: StandardJob): Standard {
  return setStandard(data, candidates, settings, parts);
}
