import { examinerEffects } from '@kritikos/core/reliability/examinerEffects';
import type { ExaminedScore, ExaminerEffects } from '@kritikos/core/reliability/examinerEffects';
import { outcomesTouched } from '@kritikos/core/standards/outcomesTouched';
import type { StandardApplied, TouchedOutcome } from '@kritikos/core/standards/outcomesTouched';
import type { StationScore } from '@kritikos/core/standards/stationOutcome';

export interface SeverityJob {
  readonly scores: readonly ExaminedScore[];
  /** The marks by station and candidate, and the standard that holds; `null` without one. */
  readonly standard:
    (StandardApplied & { readonly records: readonly ReadonlyMap<number, StationScore>[] }) | null;
}

export interface SeverityFound {
  readonly effects: ExaminerEffects;
  readonly touched: TouchedOutcome[] | null;
}

/** Runs in a worker thread: how severe examiners are, and whose outcome hangs on it. */
export default function run({ scores, standard }: SeverityJob): SeverityFound {
  const effects = examinerEffects(scores);
  const touched =
    standard && outcomesTouched(standard.records, scores, effects.examiners, standard);
  return { effects, touched };
}
