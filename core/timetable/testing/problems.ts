import fc from 'fast-check';
import type { PlanningProblem } from '../problem.ts';

const HOUR = 60;
const DAY = 24 * HOUR;

/** A problem of so many candidates, stations and circuits, with nothing else asked. */
export function plainProblem(
  candidates: number,
  stations: number,
  circuits: number,
  more: Partial<PlanningProblem> = {},
): PlanningProblem {
  return {
    days: [{ start: 0, end: 20 * HOUR }],
    readingMinutes: 2,
    changeMinutes: 1,
    rests: 0,
    breaks: null,
    circuits,
    stations: named(stations, 's').map((id) => ({ id, minutes: 8, joint: null })),
    candidates: named(candidates, 'c').map((id) => ({
      id,
      extraTime: 0,
      conflicts: [],
      ability: null,
    })),
    examiners: named(stations * circuits, 'e').map((id) => ({
      id,
      stations: null,
      available: null,
    })),
    patients: [],
    pairs: 0,
    ...more,
  };
}

/** Days, people and wishes of many shapes; most can be met, and some cannot. */
export const anyProblem: fc.Arbitrary<PlanningProblem> = fc
  .record({
    stations: fc.integer({ min: 1, max: 7 }),
    circuits: fc.integer({ min: 1, max: 3 }),
    candidates: fc.integer({ min: 1, max: 40 }),
    days: fc.integer({ min: 1, max: 3 }),
    hours: fc.integer({ min: 3, max: 9 }),
    rests: fc.integer({ min: 0, max: 2 }),
    reading: fc.integer({ min: 0, max: 3 }),
    change: fc.integer({ min: 0, max: 2 }),
    spare: fc.integer({ min: 0, max: 5 }),
    pairs: fc.integer({ min: 0, max: 12 }),
    // What each of many people draws from: fast-check shrinks it towards nobody special.
    lots: fc.array(fc.nat(999), { minLength: 60, maxLength: 60 }),
  })
  .map(({ lots, ...size }) => {
    const lot = (i: number) => lots[i % lots.length] ?? 0;
    const stations = named(size.stations, 's').map((id, i) => ({
      id,
      minutes: lot(i) > 800 ? 5 + (lot(i) % 8) : 8,
      joint: lot(i + 1) > 500 ? (['knee', 'hip', 'shoulder'][lot(i + 2) % 3] as string) : null,
    }));
    const posts = size.stations * size.circuits;
    const days = Array.from({ length: size.days }, (_, i) => ({
      start: i * DAY + 8 * HOUR,
      end: i * DAY + (8 + size.hours) * HOUR,
    }));
    const examiners = named(posts + size.spare, 'e').map((id, i) => ({
      id,
      // Everybody may examine the station that is theirs by number, so that somebody may each.
      stations:
        lot(i + 7) > 700
          ? [
              ...new Set([
                stations[i % stations.length]?.id ?? '',
                stations[lot(i) % stations.length]?.id ?? '',
              ]),
            ]
          : null,
      available:
        lot(i + 11) > 900
          ? days.map(({ start, end }) => ({
              start,
              end: start + ((end - start) * (lot(i) % 100)) / 100,
            }))
          : null,
    }));
    const candidates = named(size.candidates, 'c').map((id, i) => ({
      id,
      extraTime: lot(i + 13) > 930 ? ([0.25, 0.5][lot(i) % 2] as number) : 0,
      ability: null,
      conflicts: lot(i + 17) > 900 ? [examiners[lot(i + 3) % examiners.length]?.id ?? ''] : [],
    }));
    const plays = lot(59) > 400;
    const patients = plays
      ? named(posts * 2, 'p').map((id, i) => ({
          id,
          stations: [
            stations[i % stations.length]?.id ?? '',
            ...(lot(i) > 500 ? [stations[lot(i) % stations.length]?.id ?? ''] : []),
          ],
          mostInARow: lot(i + 19) > 600 ? 1 + (lot(i) % 3) : null,
          available:
            lot(i + 23) > 850
              ? days.map(({ start, end }) => ({ start: (start + end) / 2, end }))
              : null,
        }))
      : [];
    return {
      days,
      readingMinutes: size.reading,
      changeMinutes: size.change,
      rests: size.rests,
      breaks:
        lot(58) > 600 ? { afterRounds: 2 + (lot(57) % 5), minutes: 5 + (lot(56) % 20) } : null,
      circuits: size.circuits,
      stations,
      candidates,
      examiners,
      patients,
      pairs: Math.min(size.pairs, size.candidates * size.stations),
    };
  });

function named(count: number, letter: string): string[] {
  return Array.from({ length: count }, (_, i) => `${letter}${i + 1}`);
}
