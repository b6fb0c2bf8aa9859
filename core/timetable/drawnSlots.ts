import type { PlacedWave } from './frame.ts';
import type { PlanningProblem, Slot } from './problem.ts';
import type { Staffing } from './staffing.ts';

/** A slot while it is being staffed. */
export type OpenSlot = { -readonly [Part in keyof Slot]: Slot[Part] };

/**
 * Every candidate at every place of their wave, with the examiners of its stations. As many rests as
 * were asked for are slots of their own; what somebody waits beyond them is time between two slots.
 */
export function drawnSlots(
  { stations, candidates, examiners, rests }: PlanningProblem,
  waves: readonly PlacedWave[],
  staffing: Staffing,
): OpenSlot[] {
  return waves.flatMap((wave, w) => {
    const { day, circuit, number, places, rounds } = wave;
    return (staffing.candidates[w] ?? []).flatMap((c, from) => {
      const candidate = candidates[c];
      if (!candidate) return [];
      let rested = 0;
      return rounds.flatMap(({ start, end }, round): OpenSlot | [] => {
        const place = places[(from + round) % places.length];
        if (place == null && ++rested > rests) return [];
        const station = place == null ? undefined : stations[place];
        const examiner = place == null ? null : staffing.examiners[w]?.[place];
        return {
          candidate: candidate.id,
          day,
          circuit,
          wave: number,
          station: station?.id ?? null,
          start,
          // Whoever has no extra time leaves on time and waits for the bell.
          end: station ? start + station.minutes * (1 + candidate.extraTime) : end,
          examiner: examiner == null ? null : (examiners[examiner]?.id ?? null),
          second: null,
          patient: null,
        };
      });
    });
  });
}
