import type { ExaminationTrust } from './examinationTrust.ts';

/** Below it a pass mark decides for single people by chance too often (common practice, no source). */
const ENOUGH = 0.8;

/** How far an examination can be trusted, in sentences for a board. */
export function sayTrust({ held, shares, stations, designs, notes }: ExaminationTrust): string {
  if (held?.dependability === null || held === null) {
    return `How far this examination can be trusted cannot be told. ${notes[0] ?? ''}`.trim();
  }
  const own = shares.find((one) => one.source === 'candidate')?.share ?? 0;
  const phi = held.dependability;
  const verdict =
    phi >= ENOUGH
      ? `enough for a pass mark (${ENOUGH.toFixed(1)} is asked of one as a rule)`
      : `less than the ${ENOUGH.toFixed(1)} that is asked of a pass mark as a rule`;
  const reach = designs
    .filter((one) => (one.sizes.examiner ?? 1) === 1 && (one.dependability ?? 0) >= ENOUGH)
    .map((one) => one.sizes.station ?? 0)
    .sort((a, b) => a - b)[0];
  const more =
    phi >= ENOUGH
      ? ''
      : reach === undefined
        ? ' No number of stations in the table below reaches it.'
        : ` With ${reach} stations of this kind it would be reached.`;
  return `The mean over ${stations} stations has a dependability of ${phi.toFixed(2)}, ${verdict}: a candidate’s mean lies within ${(1.96 * held.sem).toFixed(1)} points of the true one in 95 of 100 cases. ${Math.round(100 * own)} % of the differences between sheets are differences between candidates.${more}`;
}
