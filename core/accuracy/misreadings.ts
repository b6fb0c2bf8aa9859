export const MISREADINGS = ['sensitivity-as-npv', 'specificity-as-ppv'] as const;
export type Misreading = (typeof MISREADINGS)[number];

/** How far an answer may lie from the misread figure and still be taken for it. */
const CLOSE = 0.02;

/**
 * Names the classic misreading that an answer shows, or `null`.
 *
 * - *sensitivity-as-npv*: asked how sure a negative patient can be of being free of the condition,
 *   somebody gives the sensitivity;
 * - *specificity-as-ppv*: asked how likely a positive patient has it, somebody gives the specificity.
 *
 * An answer that is also (nearly) right names nothing. All figures in [0, 1].
 * Worked value: sensitivity .95, negative predictive value .99: the answer .95 is the misreading.
 */
export function misreadingOf(
  asked: 'free-after-negative' | 'ill-after-positive',
  answer: number,
  truth: { sensitivity: number; specificity: number; ppv: number; npv: number },
): Misreading | null {
  const [misread, right, name] =
    asked === 'free-after-negative'
      ? [truth.sensitivity, truth.npv, 'sensitivity-as-npv' as const]
      : [truth.specificity, truth.ppv, 'specificity-as-ppv' as const];
  if (Math.abs(answer - right) <= CLOSE) return null;
  return Math.abs(answer - misread) <= CLOSE ? name : null;
}
