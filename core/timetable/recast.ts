import { Diary } from './diary.ts';
import { isAvailable } from './problem.ts';
import type { PlannedPatient, PlanningProblem, Slot, Unmet } from './problem.ts';
import { DEMANDS, Strains } from './strains.ts';
import type { Demand } from './strains.ts';

/**
 * Somebody who is free plays on for patients who cannot: whoever it asks least of, and nobody more
 * than was agreed, before the slot or after it. What nobody can play has no patient, and is told.
 */
export function recast(
  problem: PlanningProblem,
  done: readonly Slot[],
  slots: readonly Slot[],
  ill: readonly string[],
): { readonly slots: readonly Slot[]; readonly unmet: readonly Unmet[] } {
  const away = new Set(ill);
  const played = new Set(problem.patients.flatMap(({ stations }) => stations));
  const diary = new Diary();
  const parts = new Map<string, Slot[]>();
  const give = (who: string, slot: Slot) => {
    diary.take(who, slot);
    parts.set(who, [...(parts.get(who) ?? []), slot]);
  };
  const kept = slots.map((slot) =>
    slot.patient !== null && away.has(slot.patient) ? { ...slot, patient: null } : slot,
  );
  for (const slot of [...done, ...kept]) if (slot.patient !== null) give(slot.patient, slot);
  const unmet: Unmet[] = [];
  return {
    unmet,
    slots: kept.map((slot) => {
      const { station } = slot;
      if (station === null || slot.patient !== null || !played.has(station)) return slot;
      const able = problem.patients.flatMap((one) => {
        const { id, stations, available } = one;
        const isFree =
          !away.has(id) &&
          stations.includes(station) &&
          isAvailable(available, slot) &&
          diary.isFree(id, slot);
        const demand = isFree ? worstOf(problem, one, [...(parts.get(id) ?? []), slot]) : null;
        return demand === null ? [] : [{ id, demand }];
      });
      const best = DEMANDS.flatMap((demand) => able.find((one) => one.demand === demand) ?? [])[0];
      if (!best) {
        const why = `nobody who may play ${station} is free and rested for ${slot.candidate}`;
        unmet.push({ rule: 'simulated-patient', who: station, why });
        return slot;
      }
      const now = { ...slot, patient: best.id };
      give(best.id, now);
      return now;
    }),
  };
}

/** The most that a day asks of somebody; `null` where that is more than was agreed. */
function worstOf(
  problem: PlanningProblem,
  patient: PlannedPatient,
  parts: readonly Slot[],
): Demand | null {
  const strains = new Strains(problem);
  let worst = 0;
  for (const slot of [...parts].sort((a, b) => a.start - b.start)) {
    const demand = strains.demandOf(patient, slot);
    if (demand === null) return null;
    worst = Math.max(worst, DEMANDS.indexOf(demand));
    strains.bear(patient, slot);
  }
  return DEMANDS[worst] ?? null;
}
