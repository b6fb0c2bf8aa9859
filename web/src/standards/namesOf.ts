/** So many candidates are named; of the others it is said how many there are. */
const MOST = 12;

/** The numbers of candidates in their order, for a cell of a table. */
export function namesOf(
  candidates: readonly string[],
  numbers: ReadonlyMap<string, number>,
): string {
  if (candidates.length === 0) return 'nobody';
  const sorted = candidates.map((id) => numbers.get(id) ?? NaN).sort((a, b) => a - b);
  const named = sorted.slice(0, MOST).join(', ');
  return sorted.length > MOST ? `${named} and ${sorted.length - MOST} more` : named;
}
