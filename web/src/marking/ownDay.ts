import type { OwnStation } from '@kritikos/contracts/marking';

/** One candidate whom the examiner sees, at one station. */
export interface OwnTurn {
  readonly due: string;
  readonly station: OwnStation;
  readonly sheet: OwnStation['sheets'][number];
}

export interface OwnDay {
  /** As it is said in the examination's zone, such as “Friday 21 May 2027”. */
  readonly day: string;
  readonly turns: readonly OwnTurn[];
}

/**
 * The days of an examiner who goes from station to station, by time: whoever stays at one station
 * finds the candidates there. A second examiner's round is read by the clock, not by the station.
 */
export function ownDays(stations: readonly OwnStation[]): OwnDay[] {
  const turns = stations
    .filter(({ assigned }) => assigned)
    .flatMap((station) =>
      station.sheets.flatMap((sheet): OwnTurn[] =>
        sheet.due ? [{ due: sheet.due, station, sheet }] : [],
      ),
    )
    .sort((a, b) => a.due.localeCompare(b.due) || a.station.position - b.station.position);
  if (new Set(turns.map(({ station }) => station.stationId)).size < 2) return [];
  const days = new Map<string, OwnTurn[]>();
  for (const turn of turns) {
    const day = dayWords(turn.due, turn.station.zone);
    days.set(day, [...(days.get(day) ?? []), turn]);
  }
  return [...days].map(([day, own]) => ({ day, turns: own }));
}

function dayWords(instant: string, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { dateStyle: 'full', timeZone: zone }).format(
    new Date(instant),
  );
}

/** Whether an examination's day is over: marking is closed, and the day itself has passed. */
export function isOver({ heldOn, markingOpen, zone }: OwnStation, now: Date): boolean {
  // The Swedish way of writing a date is ISO 8601's.
  const today = new Intl.DateTimeFormat('sv-SE', { dateStyle: 'short', timeZone: zone }).format(
    now,
  );
  return !markingOpen && heldOn < today;
}
