import { Diary } from './diary.ts';
import type { OpenSlot } from './drawnSlots.ts';
import type { PlannedPatient, PlanningProblem, Unmet } from './problem.ts';

/** What somebody was last stressed by: how often in a row, and until when. */
interface Strain {
  readonly joint: string;
  readonly times: number;
  readonly until: number;
}

/**
 * Gives every slot at a station that has a patient somebody who plays them: who may, who is free, and whose
 * joint has not been stressed too often in a row. A round in which somebody plays nothing, or is
 * stressed at another joint, is a pause. Round by round, as many are found as can be (augmenting
 * paths: Kuhn 1955), whoever played the same station before and may go on first.
 */
export function castPatients(
  { patients, stations, readingMinutes, changeMinutes }: PlanningProblem,
  slots: readonly OpenSlot[],
): Unmet[] {
  if (patients.length === 0) return [];
  const jointOf = new Map(stations.map(({ id, joint }) => [id, joint ?? `the station ${id}`]));
  const strains = new Map<string, Strain>();
  const last = new Map<string, string>();
  const diary = new Diary();
  const unmet: Unmet[] = [];
  const shortest = Math.min(...stations.map(({ minutes }) => minutes));
  const pause = shortest + readingMinutes + changeMinutes;

  const timesAt = ({ id }: PlannedPatient, { station, start }: OpenSlot) => {
    const strain = strains.get(id);
    const joint = jointOf.get(station ?? '');
    if (!strain || strain.joint !== joint || start - strain.until >= pause) return 1;
    return strain.times + 1;
  };
  const may = (patient: PlannedPatient, slot: OpenSlot) =>
    slot.station !== null &&
    patient.stations.includes(slot.station) &&
    diary.isFree(patient.id, slot) &&
    (patient.mostInARow === null || timesAt(patient, slot) <= patient.mostInARow);

  // A station that nobody is there to play for has no patient.
  const played = new Set(patients.flatMap((own) => own.stations));
  for (const round of inRounds(slots.filter(({ station }) => played.has(station ?? '')))) {
    const cast = matched(round, (slot) =>
      patients
        .filter((patient) => may(patient, slot))
        .sort((a, b) => preference(a, slot) - preference(b, slot)),
    );
    for (const [i, slot] of round.entries()) {
      const patient = cast[i];
      if (!patient) {
        const why = `nobody who may play ${slot.station} is free and rested for ${slot.candidate}`;
        unmet.push({ rule: 'simulated-patient', who: slot.station ?? '', why });
        continue;
      }
      slot.patient = patient.id;
      const joint = jointOf.get(slot.station ?? '') ?? '';
      strains.set(patient.id, { joint, times: timesAt(patient, slot), until: slot.end });
      last.set(patient.id, slot.station ?? '');
      diary.take(patient.id, slot);
    }
  }
  return unmet;

  /** Whoever stays where they are first, then whoever may play least elsewhere. */
  function preference(patient: PlannedPatient, slot: OpenSlot): number {
    const stays = last.get(patient.id) === slot.station ? 0 : 1;
    return 1000 * stays + patient.stations.length;
  }
}

/** Slots at stations that begin together, in the order of time. */
function inRounds(slots: readonly OpenSlot[]): OpenSlot[][] {
  const rounds = new Map<number, OpenSlot[]>();
  for (const slot of slots) {
    if (slot.station === null) continue;
    rounds.set(slot.start, [...(rounds.get(slot.start) ?? []), slot]);
  }
  return [...rounds].sort(([a], [b]) => a - b).map(([, round]) => round);
}

/** As many slots as can be, each with somebody of its own; the first of a slot's choices if possible. */
function matched(
  round: readonly OpenSlot[],
  choicesOf: (slot: OpenSlot) => readonly PlannedPatient[],
): (PlannedPatient | undefined)[] {
  const choices = round.map(choicesOf);
  const plays = new Map<PlannedPatient, number>();
  const seek = (place: number, asked: Set<PlannedPatient>): boolean => {
    for (const patient of choices[place] ?? []) {
      if (asked.has(patient)) continue;
      asked.add(patient);
      const other = plays.get(patient);
      if (other !== undefined && !seek(other, asked)) continue;
      plays.set(patient, place);
      return true;
    }
    return false;
  };
  // The slots with the fewest choices first.
  const order = round
    .map((_, i) => i)
    .sort((a, b) => (choices[a]?.length ?? 0) - (choices[b]?.length ?? 0));
  for (const place of order) seek(place, new Set());
  const cast = Array.from<PlannedPatient | undefined>({ length: round.length });
  for (const [patient, place] of plays) cast[place] = patient;
  return cast;
}
