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
      [...new Map(things.map((what) => [thingKey(what), what])).values()].map((what) => ({
        what,
        title,
      })),
    ),
    circuits,
  );
  const patients = gathered(
    stations.map(({ title, patient }) => ({ what: patient, title })),
    circuits,
  );
  return { equipment, patients };
}

/** By this, two spellings are the same thing: “Couch” is a couch. */
export function thingKey(what: string): string {
  return what.normalize('NFC').trim().replace(/\s+/g, ' ').toLowerCase();
}

/** Under the spelling that comes first. */
function gathered(uses: readonly { what: string; title: string }[], circuits: number): Need[] {
  const named = new Map<string, { what: string; stations: string[] }>();
  for (const { what, title } of uses) {
    const key = thingKey(what);
    const { stations } = named.get(key) ?? { stations: [] };
    named.set(key, { what: named.get(key)?.what ?? what, stations: [...stations, title] });
  }
  return [...named.values()]
    .map(({ what, stations }) => ({ what, count: stations.length * circuits, stations }))
    .sort((a, b) => b.count - a.count || a.what.localeCompare(b.what, 'en'));
}
