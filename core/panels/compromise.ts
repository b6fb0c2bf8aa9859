import type { Estimate } from '../numerics/estimate.ts';
import { mean } from '../numerics/summary.ts';
import { beuk } from '../standards/beuk.ts';
import { hofstee } from '../standards/hofstee.ts';
import { HOFSTEE_QUESTIONS } from './panel.ts';
import type { CompromiseAnswers, CompromiseQuestion } from './panel.ts';
import { undefinedEstimate } from '../numerics/estimate.ts';

/**
 * Hofstee's cut (1983) in percent, from the mean answers of the judges who answered all four
 * questions. `scores` in percent.
 */
export function panelHofstee(
  scores: readonly number[],
  answers: readonly CompromiseAnswers[],
): Estimate {
  const whole = answers.filter((own) => HOFSTEE_QUESTIONS.every((one) => own[one] !== undefined));
  const at = (question: CompromiseQuestion) => mean(whole.map((own) => own[question] as number));
  const [lowest, highest, fewest, most] = HOFSTEE_QUESTIONS.map(at);
  if (lowest == null || highest == null || fewest == null || most == null) {
    return undefinedEstimate(
      'Hofstee 1983',
      scores.length,
      'No judge has answered all four questions.',
    );
  }
  if (!(lowest < highest && fewest < most)) {
    return undefinedEstimate(
      'Hofstee 1983',
      scores.length,
      'In the mean of the judges the lowest is not below the highest, so there is no line.',
    );
  }
  return hofstee(
    scores,
    { lowestCut: 100 * lowest, highestCut: 100 * highest, fewestFails: fewest, mostFails: most },
    [0, 100],
  );
}

/** Beuk's cut (1984) in percent, from the judges who answered both questions. */
export function panelBeuk(
  scores: readonly number[],
  answers: readonly CompromiseAnswers[],
): Estimate {
  const whole = answers.flatMap(({ beukCut, passRate }) =>
    beukCut === undefined || passRate === undefined ? [] : [{ cut: 100 * beukCut, passRate }],
  );
  return beuk(scores, whole, [0, 100]);
}
