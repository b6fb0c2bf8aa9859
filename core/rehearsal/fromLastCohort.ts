import { examinationTrust } from '../reliability/examinationTrust.ts';
import { examinerEffects } from '../reliability/examinerEffects.ts';
import type { ExaminedScore } from '../reliability/examinerEffects.ts';
import { USUAL_ASSUMPTIONS } from './assumptions.ts';
import type { Assumptions } from './assumptions.ts';

/** Spreads as an earlier examination showed them, and in sentences what it could not tell. */
export interface Learnt {
  readonly assumptions: Assumptions;
  readonly notes: readonly string[];
}

/**
 * What a rehearsal can suppose after an earlier examination: standard deviations from its variance
 * components (`examinationTrust`), that of severity from its examiners (`examinerEffects`). What two
 * examiners of a performance differ by is severity and seeing together, so that seeing is what is
 * left: sqrt(examiner variance - severity variance). Slips and grading cannot be told from scores and
 * are as usual.
 */
export function fromLastCohort(scores: readonly ExaminedScore[], stations: number): Learnt {
  const { shares, notes: why } = examinationTrust(scores, { stations });
  const variance = (source: string) =>
    shares.find((own) => own.source === source)?.variance ?? null;
  const candidate = variance('candidate');
  if (candidate === null) {
    return { assumptions: USUAL_ASSUMPTIONS, notes: [...why, 'The usual spreads are taken.'] };
  }
  const notes: string[] = [
    'Slips, and the spread of the overall grade, cannot be told from scores; they are as usual.',
  ];
  const { spread } = examinerEffects(scores);
  if (spread === null) notes.push('Severities could not be told apart; the usual spread is taken.');
  const severity = spread ?? USUAL_ASSUMPTIONS.severity;
  const examiner = variance('examiner');
  if (examiner === null) {
    notes.push(
      'No performance was marked by two, so how examiners see cannot be told from how candidates get on; the usual spread of seeing is taken.',
    );
  }
  const seeing =
    examiner === null ? USUAL_ASSUMPTIONS.seeing : Math.sqrt(Math.max(0, examiner - severity ** 2));
  const together = variance('candidate:station') ?? variance('rest') ?? 0;
  const performance = examiner === null ? together - severity ** 2 - seeing ** 2 : together;
  const rounded = (sd: number) => Math.round(10 * sd) / 10;
  return {
    assumptions: {
      ...USUAL_ASSUMPTIONS,
      ability: rounded(Math.sqrt(candidate)),
      performance: rounded(Math.sqrt(Math.max(0, performance))),
      severity: rounded(severity),
      seeing: rounded(seeing),
    },
    notes,
  };
}
