import type { Factor } from './factor.ts';

/** A part of a design whose levels never meet those of the other parts in a mark. */
export interface ConnectedSet {
  /** `levels[factor]`: the levels of each factor that belong to the set. */
  readonly levels: readonly (readonly number[])[];
  readonly marks: number;
}

/**
 * The connected sets of a design, the largest first. Two levels are connected when a chain of
 * marks leads from one to the other (two examiners through a candidate whom both marked).
 *
 * Where there is more than one set, levels of different sets cannot be compared: a hard examiner
 * with weak candidates looks like a mild one with good ones. Union-find (Tarjan 1975).
 */
export function connectedSets(factors: readonly Factor[]): ConnectedSet[] {
  const offsets: number[] = [];
  let size = 0;
  for (const { levels } of factors) {
    offsets.push(size);
    size += levels;
  }
  const parent = Int32Array.from({ length: size }, (_, i) => i);
  const root = (i: number): number => {
    let at = i;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at] as number] as number;
      at = parent[at] as number;
    }
    return at;
  };
  const n = factors[0]?.level.length ?? 0;
  const node = (f: number, i: number) =>
    (offsets[f] as number) + ((factors[f] as Factor).level[i] as number);
  for (let i = 0; i < n; i++) {
    for (let f = 1; f < factors.length; f++) parent[root(node(f, i))] = root(node(0, i));
  }
  const marks = new Map<number, number>();
  for (let i = 0; i < n; i++) {
    const set = root(node(0, i));
    marks.set(set, (marks.get(set) ?? 0) + 1);
  }
  return [...marks]
    .sort((a, b) => b[1] - a[1])
    .map(([set, count]) => ({
      marks: count,
      levels: factors.map(({ levels }, f) =>
        Array.from({ length: levels }, (_, l) => l).filter(
          (l) => root((offsets[f] as number) + l) === set,
        ),
      ),
    }));
}
