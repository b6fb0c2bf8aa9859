import { longestMinutes } from './problem.ts';
import type { Interval, PlanningProblem } from './problem.ts';

/** The extra time of candidates who share a wave for it, the most first. */
export type ExtraGroup = readonly number[];

/**
 * Candidates who begin together, each at another place of the circuit, and move one place on at
 * every bell until all have been everywhere.
 */
export interface Wave {
  /** The stations in the order in which they are passed, by their place in the list; `null` rests. */
  readonly places: readonly (number | null)[];
  /** How many places somebody begins at; they are the first ones. */
  readonly taken: number;
  /** The extra time for which the bells wait, of those who begin at the first places. */
  readonly extra: ExtraGroup;
  /** From the bell that begins the station to the one that ends it, from the wave's first reading. */
  readonly rounds: readonly Interval[];
  /** From the first reading to the last bell. */
  readonly minutes: number;
}

type Shape = Pick<
  PlanningProblem,
  'stations' | 'rests' | 'breaks' | 'readingMinutes' | 'changeMinutes'
>;

/** So much longer may a circuit run where its candidates then rest less. */
const FOR_LESS_REST = 0.03;

/**
 * The waves of one circuit on one day. All its stations see `candidates`, one a round, so that it
 * cannot run for fewer rounds than that, nor than a candidate has places to pass; it runs for just
 * as many. There are as many waves as fit, so that nobody rests for longer than must be. Waves with
 * extra time come last: they delay nobody else.
 *
 * Worked value: 25 candidates at 10 stations are 2 waves, of 13 and 12 places with 3 and 2 rests:
 * 25 rounds, where waves of 10 would take 30.
 */
export function wavesOf(shape: Shape, candidates: number, extra: readonly ExtraGroup[]): Wave[] {
  if (candidates === 0) return [];
  const fewest = shape.stations.length + shape.rests;
  let waves = Math.max(1, extra.length, Math.floor(candidates / fewest));
  if ((waves + 1) * fewest <= candidates * (1 + FOR_LESS_REST)) waves++;
  const plain = waves - extra.length;
  const stretched =
    plain > 0 ? extra.map(() => fewest) : parted(Math.max(candidates, waves * fewest), waves);
  const rest = candidates - stretched.reduce((sum, places) => sum + places, 0);
  const usual = plain > 0 ? parted(Math.max(rest, plain * fewest), plain) : [];
  let left = candidates - extra.reduce((sum, group) => sum + group.length, 0);
  const filled = (places: number, reserved: number): number => {
    const others = Math.min(left, places - reserved);
    left -= others;
    return reserved + others;
  };
  return [
    ...usual.map((places) => ({ places, taken: filled(places, 0), extra: [] })),
    ...stretched.map((places, i) => {
      const group = extra[i] ?? [];
      return { places, taken: filled(places, group.length), extra: group };
    }),
  ]
    .filter(({ taken }) => taken > 0)
    .map(({ places, taken, extra: own }) => timed(shape, places, taken, own));
}

/** How long a circuit runs on a day, its breaks among it; nothing for nobody. */
export function minutesOf(shape: Shape, waves: readonly Wave[]): number {
  return laidOut(shape, waves).at(-1)?.rounds.at(-1)?.end ?? 0;
}

/**
 * Waves one after the other, their rounds from the first reading of the first of them. After as many
 * rounds as were asked for everybody in the circuit pauses, wherever in a wave that is.
 */
export function laidOut({ breaks, changeMinutes }: Shape, waves: readonly Wave[]): Wave[] {
  let [now, paused, count] = [0, 0, 0];
  return waves.map((wave) => {
    const rounds = wave.rounds.map(({ start, end }) => {
      if (breaks && count > 0 && count % breaks.afterRounds === 0) paused += breaks.minutes;
      count++;
      return { start: now + paused + start, end: now + paused + end };
    });
    now += wave.minutes + changeMinutes;
    return { ...wave, rounds };
  });
}

/** A wave with its bells: each round is as long as whoever is at work in it needs. */
function timed(shape: Shape, count: number, taken: number, extra: ExtraGroup): Wave {
  const { stations, readingMinutes, changeMinutes } = shape;
  const places = spread(stations.length, count);
  const longest = longestMinutes(stations);
  const shortest = Math.min(...stations.map(({ minutes }) => minutes));
  const stationOf = (from: number, round: number) => {
    const place = places[(from + round) % count];
    return place == null ? undefined : stations[place];
  };
  const rounds: Interval[] = [];
  let now = 0;
  for (let round = 0; round < count; round++) {
    let reading = readingMinutes;
    let minutes = taken === count ? longest : shortest;
    for (let from = 0; from < taken && minutes < longest; from++) {
      minutes = Math.max(minutes, stationOf(from, round)?.minutes ?? 0);
    }
    for (const [from, extraTime] of extra.entries()) {
      const own = stationOf(from, round)?.minutes ?? 0;
      reading = Math.max(reading, readingMinutes * (1 + extraTime));
      minutes = Math.max(minutes, own * (1 + extraTime));
    }
    const start = now + reading;
    rounds.push({ start, end: start + minutes });
    now = start + minutes + changeMinutes;
  }
  return { places, taken, extra, rounds, minutes: now - changeMinutes };
}

/** The stations over so many places, with the rests spread evenly between them. */
function spread(stations: number, count: number): (number | null)[] {
  return Array.from({ length: count }, (_, place) => {
    const before = Math.floor((place * stations) / count);
    return Math.floor(((place + 1) * stations) / count) > before ? before : null;
  });
}

/** A number in parts as equal as can be, the larger first. */
function parted(whole: number, parts: number): number[] {
  const least = Math.floor(whole / parts);
  return Array.from({ length: parts }, (_, i) => least + (i < whole - least * parts ? 1 : 0));
}
