import type { Slot } from './problem.ts';

/** Two examiners, and how many candidates both of them mark. */
export interface Link {
  readonly examiners: readonly [string, string];
  readonly candidates: number;
}

/** How examiners are connected through the candidates that they have in common. */
export interface Connection {
  /** Every pair with a candidate in common, the weakest first. */
  readonly links: readonly Link[];
  /** Examiners who can be compared with one another; more than one group cannot be. */
  readonly groups: readonly (readonly string[])[];
  /** Links without which a group would fall in two. */
  readonly bridges: readonly Link[];
}

/**
 * How far examiners can later be told apart from their candidates: two who mark the same candidate
 * can be compared, and so can everybody along a chain of such pairs. Where a group hangs together by
 * one pair alone that pair is a bridge (Tarjan 1974), and the comparison across it is no better than
 * the candidates of that pair.
 */
export function connectionOf(slots: readonly Slot[]): Connection {
  const marks = new Map<string, Set<string>>();
  const add = (examiner: string | null, candidate: string) => {
    if (examiner === null) return;
    const own = marks.get(examiner) ?? new Set();
    marks.set(examiner, own.add(candidate));
  };
  for (const { examiner, second, candidate } of slots) {
    add(examiner, candidate);
    add(second, candidate);
  }
  const names = [...marks.keys()].sort();
  const links = names.flatMap((one, i) =>
    names.slice(i + 1).flatMap((other): Link[] => {
      const candidates = common(marks.get(one), marks.get(other));
      return candidates > 0 ? [{ examiners: [one, other], candidates }] : [];
    }),
  );
  const groups = groupsOf(names, links);
  return {
    links: links.sort((a, b) => a.candidates - b.candidates),
    groups,
    bridges: bridgesOf(names, links),
  };
}

function common(one: ReadonlySet<string> = new Set(), other: ReadonlySet<string> = new Set()) {
  let count = 0;
  for (const name of one) if (other.has(name)) count++;
  return count;
}

function neighboursOf(links: readonly Link[]): Map<string, string[]> {
  const neighbours = new Map<string, string[]>();
  for (const { examiners } of links) {
    const [one, other] = examiners;
    neighbours.set(one, [...(neighbours.get(one) ?? []), other]);
    neighbours.set(other, [...(neighbours.get(other) ?? []), one]);
  }
  return neighbours;
}

function groupsOf(names: readonly string[], links: readonly Link[]): string[][] {
  const neighbours = neighboursOf(links);
  const seen = new Set<string>();
  const groups: string[][] = [];
  for (const name of names) {
    if (seen.has(name)) continue;
    const group: string[] = [];
    const waiting = [name];
    for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
      if (seen.has(next)) continue;
      seen.add(next);
      group.push(next);
      waiting.push(...(neighbours.get(next) ?? []));
    }
    groups.push(group.sort());
  }
  return groups;
}

/** Depth first: a link is a bridge where nobody beyond it reaches back past it. */
function bridgesOf(names: readonly string[], links: readonly Link[]): Link[] {
  const neighbours = neighboursOf(links);
  const found = new Map<string, number>();
  const earliest = new Map<string, number>();
  const bridges = new Set<string>();
  const visit = (name: string, from: string | null): void => {
    const at = found.size;
    found.set(name, at);
    earliest.set(name, at);
    for (const next of neighbours.get(name) ?? []) {
      if (next === from) continue;
      const before = found.get(next);
      if (before === undefined) {
        visit(next, name);
        if ((earliest.get(next) ?? 0) > at) bridges.add([name, next].sort().join('\n'));
      }
      const reach = before ?? earliest.get(next) ?? at;
      earliest.set(name, Math.min(earliest.get(name) ?? at, reach));
    }
  };
  for (const name of names) if (!found.has(name)) visit(name, null);
  return links.filter(({ examiners }) => bridges.has([...examiners].sort().join('\n')));
}
