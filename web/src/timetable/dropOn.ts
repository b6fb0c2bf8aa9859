import type { PlanChange } from '@kritikos/core/timetable/changes';
import type { Place } from './boardGrid.ts';

/** What it means to let one thing of the board go on another; `null` where it means nothing. */
export function dropOn(from: Place, to: Place): PlanChange | null {
  if (from.key === to.key) return null;
  if (from.kind === 'stint') {
    const [examiner] = from.examiners;
    if (to.kind !== 'stint' || examiner === undefined) return null;
    const { day, circuit, wave, station } = to;
    return { kind: 'examiner', post: { day, circuit, wave, station }, examiner };
  }
  if (to.kind !== 'cell' || from.slot === null) return null;
  const { candidate } = from.slot;
  if (to.slot === null) {
    const { day, circuit, wave, station, start } = to;
    return { kind: 'move', candidate, to: { day, circuit, wave, station, start } };
  }
  return to.slot.candidate === candidate
    ? null
    : { kind: 'exchange', one: candidate, other: to.slot.candidate };
}

/** The place that an arrow key leads to, or the same at an edge. */
export function stepFrom(places: readonly Place[], from: Place, key: string): Place {
  const across = key === 'ArrowLeft' ? -1 : key === 'ArrowRight' ? 1 : 0;
  const down = key === 'ArrowUp' ? -1 : key === 'ArrowDown' ? 1 : 0;
  const same = places.filter(({ kind }) => kind === from.kind);
  const steps = same.filter((place) => {
    const [dx, dy] = [place.column - from.column, place.row - from.row];
    if (place.circuit !== from.circuit) return false;
    return across !== 0 ? dy === 0 && dx * across > 0 : dx === 0 && dy * down > 0;
  });
  const near = ({ column, row }: Place) =>
    Math.abs(column - from.column) + Math.abs(row - from.row);
  const next = steps.sort((a, b) => near(a) - near(b))[0];
  if (next || across !== 0) return next ?? from;
  // Beyond the last couch of a circuit the next one begins.
  const circuits = same.filter((place) => (place.circuit - from.circuit) * down > 0);
  const edge = circuits.sort(
    (a, b) =>
      (a.circuit - b.circuit) * down ||
      (a.row - b.row) * down ||
      Math.abs(a.column - from.column) - Math.abs(b.column - from.column),
  )[0];
  return edge ?? from;
}
