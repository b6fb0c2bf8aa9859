import { Diary } from './diary.ts';
import type { OpenSlot } from './drawnSlots.ts';
import { matched } from './matching.ts';
import { isAvailable } from './problem.ts';
import type { PlannedPatient, PlanningProblem, Unmet } from './problem.ts';
import { DEMANDS, Strains } from './strains.ts';

/**
 * Gives every slot at a station that has a patient somebody who plays them: who may, who is free, and
 * who has not borne more than they agreed to. Round by round, as many are found as can be; nobody's
 * joint is stressed twice in a row, nor anybody used without their pause, while there is somebody
 * else. Where it has to be, it is told.
 */
export function castPatients(problem: PlanningProblem, slots: readonly OpenSlot[]): Unmet[] {
  const { patients } = problem;
  const strains = new Strains(problem);
  const last = new Map<string, string | null>();
  const diary = new Diary();
  const unmet: Unmet[] = [];
  /** Whoever stays where they are first, then whoever may play least elsewhere. */
  const preference = ({ id, stations }: PlannedPatient, { station }: OpenSlot) =>
    (last.get(id) === station ? 0 : 1000) + stations.length;

  // A station that nobody is there to play for has no patient.
  const played = new Set(patients.flatMap(({ stations }) => stations));
  const asked = slots.filter(({ station }) => station !== null && played.has(station));
  for (const round of inRounds(asked)) {
    const able = round.map((slot) =>
      patients
        .filter(
          ({ id, stations, available }) =>
            stations.includes(slot.station ?? '') &&
            isAvailable(available, slot) &&
            diary.isFree(id, slot),
        )
        .sort((a, b) => preference(a, slot) - preference(b, slot)),
    );
    const choices = DEMANDS.map((demand) =>
      round.map((slot, i) =>
        (able[i] ?? []).filter((patient) => strains.demandOf(patient, slot) === demand),
      ),
    );
    for (const [i, patient] of matched(choices).entries()) {
      const slot = round[i];
      if (!slot) continue;
      if (!patient) {
        const why = `nobody who may play ${slot.station} is free and rested for ${slot.candidate}`;
        unmet.push({ rule: 'simulated-patient', who: slot.station ?? '', why });
        continue;
      }
      if (strains.demandOf(patient, slot) === 'same joint again') {
        const why = `the same joint is stressed twice in a row, at ${slot.station} with ${slot.candidate}; one more who may play it would spare them`;
        unmet.push({ rule: 'same-joint', who: patient.id, why });
      }
      slot.patient = patient.id;
      strains.bear(patient, slot);
      last.set(patient.id, slot.station);
      diary.take(patient.id, slot);
    }
  }
  return unmet;
}

/** Slots that begin together, in the order of time. */
function inRounds(slots: readonly OpenSlot[]): OpenSlot[][] {
  const rounds = new Map<number, OpenSlot[]>();
  for (const slot of slots) rounds.set(slot.start, [...(rounds.get(slot.start) ?? []), slot]);
  return [...rounds].sort(([a], [b]) => a - b).map(([, round]) => round);
}
