import type { Account } from '@kritikos/contracts/accounts';
import type { PlaceResource, PlacesWanted, Resources } from '@kritikos/contracts/timetable';
import type { Database } from '../db/database.ts';
import { conflict, invalid } from '../http/problems.ts';
import { stationsOf } from './question.ts';
import { replacePlaces } from './resourceRepository.ts';
import { keep, readResources } from './resources.ts';

/** Says where stations stand. A couch has one station: a room used twice is refused, with a couch that is free. */
export async function keepPlaces(
  db: Database,
  examinationId: string,
  { places: wanted, cleared }: PlacesWanted,
  lead: Account,
): Promise<Resources> {
  const { rooms, places: standing } = await readResources(db, examinationId, lead);
  const said = new Set([...wanted, ...cleared].map((one) => `${one.stationId} ${one.circuit}`));
  const others = standing.filter((one) => !said.has(`${one.stationId} ${one.circuit}`));
  const places = [...others, ...wanted];
  const stations = await stationsOf(db, examinationId, lead.id);
  const nameOf = (id: string) => stations.find((station) => station.id === id)?.title ?? '';
  const errors = places.flatMap((place, i) => {
    const room = rooms.find(({ id }) => id === place.roomId);
    const say = (detail: string) => [
      { pointer: `/places/${Math.max(0, i - others.length)}`, detail },
    ];
    if (nameOf(place.stationId) === '') return say('is no station of this examination');
    if (!room) return say('is in no room that there is');
    const here = `circuit ${place.circuit}, “${nameOf(place.stationId)}”`;
    const again = places.findIndex(
      (o, k) => k < i && o.stationId === place.stationId && o.circuit === place.circuit,
    );
    if (again >= 0) return say(`${here} is placed twice`);
    const free = freeCouch(rooms, places);
    const instead = free
      ? `; ${free} is free`
      : '; no other couch is free, so add a room or a couch';
    if (place.couch > room.couches)
      return say(
        `${here}: ${room.name} has ${room.couches} of couches, not ${place.couch}${instead}`,
      );
    const other = places.find(
      (o, k) => k < i && o.roomId === place.roomId && o.couch === place.couch,
    );
    if (other)
      return say(
        `${here}: couch ${place.couch} of ${room.name} has “${nameOf(other.stationId)}” of circuit ${other.circuit} already${instead}`,
      );
    return [];
  });
  if (errors.length > 0) throw invalid(errors, errors[0]?.detail ?? '');
  return keep(db, examinationId, lead, 'places', (trx) =>
    replacePlaces(trx, examinationId, places),
  );
}

function freeCouch(rooms: Resources['rooms'], places: readonly PlaceResource[]): string | null {
  for (const room of rooms) {
    for (let couch = 1; couch <= room.couches; couch++) {
      if (!places.some((place) => place.roomId === room.id && place.couch === couch))
        return `couch ${couch} of ${room.name}`;
    }
  }
  return null;
}

/** Gives every station of every circuit a couch, those of a circuit side by side. */
export async function placeAll(
  db: Database,
  examinationId: string,
  lead: Account,
): Promise<Resources> {
  const { rooms, circuits } = await readResources(db, examinationId, lead);
  const stations = await stationsOf(db, examinationId, lead.id);
  const couches = rooms.flatMap((room) =>
    Array.from({ length: room.couches }, (_, i) => ({ roomId: room.id, couch: i + 1 })),
  );
  const needed = stations.length * circuits;
  if (couches.length < needed) {
    throw conflict(
      'There are too few couches',
      `${needed} stations stand side by side (${stations.length} in each of ${circuits}), and the rooms have ${couches.length} couches. Add ${needed - couches.length}, or plan fewer circuits; nothing was changed.`,
    );
  }
  const places = Array.from({ length: circuits }, (_, c) =>
    stations.map((station, s) => ({
      stationId: station.id,
      circuit: c + 1,
      ...(couches[c * stations.length + s] as { roomId: string; couch: number }),
    })),
  ).flat();
  return keep(db, examinationId, lead, 'places', (trx) =>
    replacePlaces(trx, examinationId, places),
  );
}
