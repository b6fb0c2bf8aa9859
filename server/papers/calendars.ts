import ical, { ICalEventStatus } from 'ical-generator';
import type { Printed, PrintedSlot } from './printed.ts';

const MINUTE = 60_000;

/** The calendar of one person, as iCalendar (RFC 5545). */
export interface Calendar {
  readonly person: string;
  readonly part: 'candidate' | 'examiner' | 'simulated patient';
  readonly content: string;
}

/**
 * What each person of the published plan has to do and where. Times are instants, which every
 * calendar shows on its own wall. Slots at one station that follow each other are one event for an
 * examiner or a simulated patient; a candidate's are one each. The same event keeps its identity
 * from plan to plan, and its sequence counts the plans, so that a calendar that had the earlier one
 * moves it.
 */
export function calendarsOf(of: Printed, made: Date): Calendar[] {
  const { plan } = of;
  if (!plan) return [];
  const by = (who: (slot: PrintedSlot) => readonly (string | null)[]) => {
    const found = new Map<string, PrintedSlot[]>();
    for (const slot of plan.slots) {
      for (const name of who(slot)) {
        if (name !== null) found.set(name, [...(found.get(name) ?? []), slot]);
      }
    }
    return [...found]
      .map(([person, slots]) => ({ person, slots: slots.sort((a, b) => a.start - b.start) }))
      .sort((a, b) => a.person.localeCompare(b.person, 'en', { numeric: true }));
  };
  const each = (
    part: Calendar['part'],
    list: ReturnType<typeof by>,
    stretches: (slots: readonly PrintedSlot[]) => Stretch[],
  ) =>
    list.map(({ person, slots }) => ({
      person,
      part,
      content: calendar(of, person, stretches(slots), made),
    }));
  return [
    ...each(
      'candidate',
      by(({ candidate, station }) => [station === null ? null : `candidate ${candidate}`]),
      (slots) => slots.map((slot) => ({ ...slot, candidates: 1 })),
    ),
    ...each(
      'examiner',
      by(({ examiner, second }) => [examiner, second]),
      together,
    ),
    ...each(
      'simulated patient',
      by(({ patient }) => [patient]),
      together,
    ),
  ];
}

interface Stretch extends Pick<
  PrintedSlot,
  'start' | 'end' | 'station' | 'place' | 'circuit' | 'day'
> {
  readonly candidates: number;
}

/** A pause longer than this is one: the person may go. */
const PAUSE_MINUTES = 20;

export function together<S extends Omit<Stretch, 'candidates'>>(
  slots: readonly S[],
): (S & Stretch)[] {
  const stretches: (S & Stretch)[] = [];
  for (const slot of slots) {
    const last = stretches.at(-1);
    const goesOn =
      last?.station === slot.station &&
      last.place === slot.place &&
      last.day === slot.day &&
      slot.start - last.end <= PAUSE_MINUTES;
    if (goesOn)
      stretches[stretches.length - 1] = {
        ...last,
        end: Math.max(last.end, slot.end),
        candidates: last.candidates + 1,
      };
    else stretches.push({ ...slot, candidates: 1 });
  }
  return stretches;
}

function calendar(
  { examination, stations, plan }: Printed,
  person: string,
  stretches: readonly Stretch[],
  made: Date,
): string {
  const titles = new Map(
    stations.map(({ id, position, title }) => [id, `Station ${position}, ${title}`]),
  );
  const sequence = (plan?.number ?? 0) * 1000 + (plan?.revision ?? 0);
  return written(
    `${examination.title}: ${person}`,
    stretches.map((stretch) => ({
      ...stretch,
      who: person,
      examination: examination.id,
      station: stretch.station ?? 'rest',
      summary: titles.get(stretch.station ?? '') ?? 'Station',
      description: `${examination.title}, circuit ${stretch.circuit}${stretch.candidates > 1 ? `, ${stretch.candidates} candidates` : ''}. Plan ${plan?.number ?? ''}.`,
      sequence,
    })),
    made,
  );
}

/** Something to be done, as a calendar shows it. */
export interface Duty {
  readonly who: string;
  readonly examination: string;
  readonly station: string;
  readonly start: number;
  readonly end: number;
  readonly summary: string;
  readonly place: string;
  readonly description: string;
  readonly sequence: number;
}

export function written(name: string, duties: readonly Duty[], made: Date): string {
  const calendar = ical({
    name,
    prodId: { company: 'Kritikos', product: 'timetable', language: 'EN' },
  });
  const seen = new Map<string, number>();
  for (const duty of duties) {
    // The how-manieth stretch at the same station it is: what stays the same when times move.
    const of = `${duty.examination}-${Buffer.from(duty.who).toString('base64url')}-${duty.station}`;
    const nth = (seen.get(of) ?? 0) + 1;
    seen.set(of, nth);
    calendar.createEvent({
      id: `${of}-${nth}@kritikos`,
      sequence: duty.sequence,
      start: new Date(duty.start * MINUTE),
      end: new Date(duty.end * MINUTE),
      stamp: made,
      summary: duty.summary,
      location: duty.place === '' ? null : duty.place,
      description: duty.description,
      status: ICalEventStatus.CONFIRMED,
    });
  }
  return calendar.toString();
}
