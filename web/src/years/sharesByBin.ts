/** The width of a class of scores, in percent points. */
export const BIN = 5;

/** Which share of the scores lies in each class from 0 to 100; the last one holds 100 too. */
export function sharesByBin(scores: readonly number[]): { from: number; share: number }[] {
  const bins = Array.from({ length: 100 / BIN }, (_, i) => ({ from: i * BIN, count: 0 }));
  for (const score of scores) {
    const bin = bins[Math.min(bins.length - 1, Math.max(0, Math.floor(score / BIN)))];
    if (bin) bin.count++;
  }
  return bins.map(({ from, count }) => ({ from, share: count / Math.max(1, scores.length) }));
}
