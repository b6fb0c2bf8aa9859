/** A station as far as it needs things and people. */
export interface NeedyStation {
  readonly title: string;
  readonly equipment: readonly string[];
  /** What the simulated patient has, in words; the same words are the same part to play. */
  readonly patient: string;
}

export interface Need {
  readonly what: string;
  readonly count: number;
  /** The stations that need it. */
  readonly stations: readonly string[];
}

/** What a day needs where every circuit has each station once: things, then parts to be played. */
export function needsOf(
  stations: readonly NeedyStation[],
  circuits: number,
): { readonly equipment: readonly Need[]; readonly patients: readonly Need[] } {
  const equipment = gathered(
    stations.flatMap(({ title, equipment: things }) =>
      [...new Set(things)].map((what) => ({ what, title })),
    ),
    circuits,
  );
  const patients = gathered(
    stations.map(({ title, patient }) => ({ what: patient, title })),
    circuits,
  );
  return { equipment, patients };
}

function gathered(uses: readonly { what: string; title: string }[], circuits: number): Need[] {
  const where = new Map<string, string[]>();
  for (const { what, title } of uses) where.set(what, [...(where.get(what) ?? []), title]);
  return [...where]
    .map(([what, stations]) => ({ what, count: stations.length * circuits, stations }))
    .sort((a, b) => b.count - a.count || a.what.localeCompare(b.what, 'en'));
}
