/**
 * As many places filled as can be, each by somebody of their own (augmenting paths: Kuhn 1955).
 * `choices[level][place]` are those who may fill a place, the best first; whom a later level adds
 * is asked only where the levels before leave a place open.
 */
export function matched<T>(choices: readonly (readonly (readonly T[])[])[]): (T | undefined)[] {
  const places = choices[0]?.length ?? 0;
  const fills = new Map<T, number>();
  const filled = Array.from<T | undefined>({ length: places });
  const open: T[][] = Array.from({ length: places }, () => []);

  const seek = (place: number, asked: Set<T>): boolean => {
    for (const one of open[place] ?? []) {
      if (asked.has(one)) continue;
      asked.add(one);
      const other = fills.get(one);
      if (other !== undefined && !seek(other, asked)) continue;
      fills.set(one, place);
      filled[place] = one;
      return true;
    }
    return false;
  };
  for (const level of choices) {
    for (const [place, more] of level.entries()) open[place]?.push(...more);
    // The places with the fewest choices first.
    const order = [...open.keys()]
      .filter((place) => filled[place] === undefined)
      .sort((a, b) => (open[a]?.length ?? 0) - (open[b]?.length ?? 0));
    for (const place of order) seek(place, new Set());
  }
  return filled;
}
