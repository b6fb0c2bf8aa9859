import { planTimetable } from '@kritikos/core/circuits/timetable';
import { asBadInput, BadInput } from './badInput.ts';

export interface CircuitFlags {
  candidates: number;
  stations: number;
  rests: number;
  circuits: number;
  reading: number;
  minutes: number;
  changeover: number;
  breakAfter: number;
  break: number;
  extra: number;
  extraShare: number;
}

/** How long a day is, wave by wave, and how short it could be at best. */
export function circuit(flags: CircuitFlags) {
  if (flags.extra > flags.candidates) {
    throw new BadInput(
      `--extra ${flags.extra} is more than the ${flags.candidates} candidates there are.`,
    );
  }
  const day = asBadInput(() =>
    planTimetable(
      {
        stations: flags.stations,
        restStations: flags.rests,
        circuits: flags.circuits,
        readingMinutes: flags.reading,
        stationMinutes: flags.minutes,
        changeoverMinutes: flags.changeover,
        slotsBetweenBreaks: flags.breakAfter,
        breakMinutes: flags.break,
      },
      Array.from({ length: flags.candidates }, (_, i) => ({
        number: i + 1,
        extraTime: i < flags.extra ? flags.extraShare : 0,
        notInCircuits: [],
      })),
    ),
  );
  return {
    length: day.length,
    lowerBound: day.lowerBound,
    notes: day.notes,
    waves: day.waves.map((wave, w) => ({
      wave: w + 1,
      candidates: wave.positions.flat().filter((x) => x !== null).length,
      slots: wave.slots.length,
      start: wave.slots[0]?.start,
      end: wave.slots.at(-1)?.end,
      extraTime: wave.extraTime,
      positions: wave.positions,
      bells: wave.slots,
    })),
  };
}
