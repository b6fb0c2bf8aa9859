/** Decimals to which scores and cuts are compared. */
const DECIMALS = 6;

/**
 * Whether a score reaches a cut; a score equal to it does. Both are compared after rounding to six
 * decimals, which is how scores are stored, so that 60 is never below a cut of 59.9999999 or 60.
 * The one tolerance of the product: whatever compares a score with a cut asks here.
 * Worked values: 60 reaches 60.0000004 and does not reach 60.000001.
 */
export function reachesCut(score: number, cut: number): boolean {
  const whole = 10 ** DECIMALS;
  return Math.round(score * whole) >= Math.round(cut * whole);
}
