import { examinerEffects } from '@kritikos/core/reliability/examinerEffects';
import type { ExaminerEffects } from '@kritikos/core/reliability/examinerEffects';
import { outcomesTouched } from '@kritikos/core/standards/outcomesTouched';
import type { StandardApplied, TouchedOutcome } from '@kritikos/core/standards/outcomesTouched';
import type { StationScore } from '@kritikos/core/standards/stationOutcome';
import { examinedScoresOf } from '../agreement/keptSheet.ts';
import type { ScoreLine } from '../agreement/keptSheet.ts';

export interface SeverityJob {
  readonly lines: readonly ScoreLine[];
  /** The marks by station and candidate, and the standard that holds; `null` without one. */
  readonly standard:
    (StandardApplied & { readonly records: readonly ReadonlyMap<number, StationScore>[] }) | null;
}

export interface SeverityFound {
  readonly effects: ExaminerEffects;
  readonly touched: TouchedOutcome[] | null;
}

/** Runs in a worker thread: how severe examiners are, and whose outcome hangs on it. */
export default function run({ lines, standard }: SeverityJob): SeverityFound {
  const scores = examinedScoresOf(lines);
  const effects = examinerEffects(scores);
  const touched =
    standard && outcomesTouched(standard.records, scores, effects.examiners, standard);
  return { effects, touched };
}
