import type { BlueprintStation } from './blueprint.ts';

/** A procedure that more than one station asks for. */
export interface Doubling {
  readonly procedure: string;
  readonly stations: readonly string[];
}

export function doubledProcedures(stations: readonly BlueprintStation[]): Doubling[] {
  const asked = new Map<string, string[]>();
  for (const { id, procedures } of stations) {
    for (const procedure of procedures) {
      asked.set(procedure.id, [...(asked.get(procedure.id) ?? []), id]);
    }
  }
  return [...asked]
    .filter(([, where]) => where.length > 1)
    .map(([procedure, where]) => ({ procedure, stations: where }));
}

/** Two stations that ask for the same, and which share of the weight of either that is. */
export interface AlikePair {
  readonly stations: readonly [string, string];
  /** In [0, 1], of the station in which it is less. */
  readonly share: number;
}

/** From this share on a candidate does at the one what they did at the other (common practice, no source). */
export const TOO_ALIKE = 0.5;

/**
 * Pairs of stations that ask for too much in the same words. What every station asks for (consent,
 * hygiene: what is prepared or said for safety's sake) does not make two stations alike.
 *
 * Worked value: of weights 1, 1 and 2 the last two stand in the other station too: 3 / 4.
 */
export function alikeStations(
  stations: readonly BlueprintStation[],
  from = TOO_ALIKE,
): AlikePair[] {
  const tellingOf = new Map(stations.map((station) => [station.id, telling(station)]));
  return stations.flatMap((one, i) =>
    stations.slice(i + 1).flatMap((other): AlikePair[] => {
      const [mine, theirs] = [tellingOf.get(one.id), tellingOf.get(other.id)];
      if (!mine || !theirs) return [];
      const share = Math.min(sharedShare(mine, theirs), sharedShare(theirs, mine));
      return share >= from ? [{ stations: [one.id, other.id], share }] : [];
    }),
  );
}

function telling({ items }: BlueprintStation): ReadonlyMap<string, number> {
  const weights = new Map<string, number>();
  for (const { text, weight, safety, domain } of items) {
    if (safety || domain === 'preparation') continue;
    const words = text.trim().toLowerCase();
    weights.set(words, (weights.get(words) ?? 0) + (weight ?? 0));
  }
  return weights;
}

function sharedShare(of: ReadonlyMap<string, number>, other: ReadonlyMap<string, number>): number {
  let [shared, all] = [0, 0];
  for (const [words, weight] of of) {
    all += weight;
    if (other.has(words)) shared += weight;
  }
  return all === 0 ? 0 : shared / all;
}
