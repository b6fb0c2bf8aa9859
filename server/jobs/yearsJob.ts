import { yearsApart } from '@kritikos/core/standards/acrossYears';
import type { Sitting, YearsApart, YearsOptions } from '@kritikos/core/standards/acrossYears';

export interface YearsJob {
  readonly now: Sitting;
  readonly then: Sitting;
  readonly options: YearsOptions;
}

/** Runs in a worker thread: a better cohort told from an easier paper. */
export default function run({ now, then, options }: YearsJob): YearsApart {
  return yearsApart(now, then, options);
}
