import { z } from 'zod';
import { wantedWeights } from './blueprint.ts';
import { checklistContent } from './checklists.ts';
import { examinationDetails } from './examinations.ts';
import { whyNotVersion } from './openFile.ts';
import { id, instant, key, text } from './primitives.ts';
import { simulatedPatient } from './simulatedPatient.ts';
import { stretch, timetableWish } from './timetable.ts';

export const EXAMINATION_FORMAT = 'kritikos-examination';
export const EXAMINATION_VERSION = 1;

const position = z.int().min(1).max(100);
const present = z.array(stretch).min(1).max(30).nullable();
const number = z.int().min(1).max(1_000_000);
const email = z.email('must be an e-mail address').max(200);

const station = z.strictObject({
  position,
  title: text(80),
  minutes: z.int().min(1).max(60),
  equipment: z.array(text(60)).max(20),
  patient: simulatedPatient.nullable(),
  checklist: checklistContent,
  /** Numbers read on the person who plays the patient, by the key of their item. */
  patientReadings: z.record(key, z.number()),
});

const candidate = z.strictObject({
  number,
  name: text(120),
  student: text(20),
  /** Empty until a plan says. */
  circuit: text(40, 0),
  /** In percent. */
  extraTime: z.int().min(0).max(200),
  seatedBreaks: z.boolean(),
});

const examiner = z.strictObject({
  email,
  name: text(120),
  present,
  regions: z.array(text(60)).min(1).max(40).nullable(),
  conflicts: z.array(z.strictObject({ candidate: number, reason: text(200, 3) })).max(1000),
});

const slot = z.strictObject({
  candidate: number,
  start: instant,
  end: instant,
  day: z.int().min(0),
  circuit: z.int().min(1).max(12),
  wave: z.int().min(0),
  station: position.nullable(),
  examiner: email.nullable(),
  second: email.nullable(),
  patient: text(120).nullable(),
});

/** Of these there is one of a key, so that others can name it. */
const oneOf = <T>(list: readonly T[], by: (one: T) => string | number) =>
  new Set(list.map(by)).size === list.length;

/**
 * A whole examination as it is prepared, as one file that another installation reads: stations with
 * their checklists, candidates, who and what may be used, the timetable. Things name each other by
 * what people call them: stations by position, candidates by number, examiners by e-mail address.
 */
export const openExamination = z
  .strictObject({
    format: z.literal(EXAMINATION_FORMAT, { error: `must be "${EXAMINATION_FORMAT}"` }),
    version: z.literal(EXAMINATION_VERSION, {
      error: ({ input }) => whyNotVersion(input, [EXAMINATION_VERSION]),
    }),
    examination: examinationDetails,
    blueprint: wantedWeights,
    stations: z
      .array(station)
      .max(100)
      .refine((list) => oneOf(list, (one) => one.position), 'give a position twice'),
    candidates: z
      .array(candidate)
      .max(20_000)
      .refine((list) => oneOf(list, (one) => one.number), 'give a number twice'),
    examiners: z
      .array(examiner)
      .max(500)
      .refine((list) => oneOf(list, (one) => one.email.toLowerCase()), 'name an address twice'),
    simulatedPatients: z
      .array(
        z.strictObject({
          name: text(120),
          present,
          barred: z.array(text(80)).max(200),
          mostInARow: z.int().min(1).max(20).nullable(),
        }),
      )
      .max(500)
      .refine((list) => oneOf(list, (one) => one.name), 'name somebody twice'),
    rooms: z
      .array(z.strictObject({ name: text(80), couches: z.int().min(1).max(40) }))
      .max(200)
      .refine((list) => oneOf(list, (one) => one.name), 'name a room twice'),
    places: z
      .array(
        z.strictObject({
          station: position,
          circuit: z.int().min(1).max(12),
          room: text(80),
          couch: z.int().min(1).max(40),
        }),
      )
      .max(1000),
    equipment: z
      .array(z.strictObject({ what: text(120), pieces: z.int().min(0).max(999) }))
      .max(500),
    wish: timetableWish.nullable(),
    /** The plan that holds, or else the draft of one. */
    timetable: z
      .strictObject({ bound: z.number(), length: z.number(), slots: z.array(slot).max(200_000) })
      .nullable(),
  })
  .superRefine((file, context) => {
    const complain = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path, message });
    const stations = new Set(file.stations.map((one) => one.position));
    const numbers = new Set(file.candidates.map((one) => one.number));
    const emails = new Set(file.examiners.map((one) => one.email));
    const patients = new Set(file.simulatedPatients.map(({ name }) => name));
    const couches = new Map(file.rooms.map(({ name, couches }) => [name, couches]));
    for (const [i, { station, room, couch }] of file.places.entries()) {
      if (!stations.has(station))
        complain(['places', i, 'station'], `${station} is no station of this file`);
      if (!((couches.get(room) ?? 0) >= couch))
        complain(['places', i, 'couch'], `couch ${couch} of ${room} is not in this file`);
    }
    for (const [i, { conflicts }] of file.examiners.entries()) {
      for (const [k, { candidate }] of conflicts.entries()) {
        if (!numbers.has(candidate))
          complain(
            ['examiners', i, 'conflicts', k, 'candidate'],
            `${candidate} is no candidate of this file`,
          );
      }
    }
    for (const [i, slot] of (file.timetable?.slots ?? []).entries()) {
      const at = (name: string) => ['timetable', 'slots', i, name];
      if (!numbers.has(slot.candidate))
        complain(at('candidate'), `${slot.candidate} is no candidate of this file`);
      if (slot.station !== null && !stations.has(slot.station))
        complain(at('station'), `${slot.station} is no station of this file`);
      for (const part of ['examiner', 'second'] as const) {
        const who = slot[part];
        if (who !== null && !emails.has(who))
          complain(at(part), `${who} is no examiner of this file`);
      }
      if (slot.patient !== null && !patients.has(slot.patient))
        complain(at('patient'), `${slot.patient} is no simulated patient of this file`);
      if (Date.parse(slot.start) >= Date.parse(slot.end))
        complain(at('end'), 'is before its start');
    }
    if (file.timetable && !file.wish)
      complain(['wish'], 'must say what the timetable was asked to be');
  });
export type OpenExamination = z.output<typeof openExamination>;

/** A file as it comes: whoever sends it need not know its type, whoever takes it has it checked. */
export const examinationFile: z.ZodType<OpenExamination, unknown> = z
  .unknown()
  .pipe(openExamination as z.ZodType<OpenExamination, unknown>);

/** The published schema of the file, JSON Schema draft 2020-12. */
export function openExaminationSchema(): object {
  return z.toJSONSchema(openExamination, { io: 'input', unrepresentable: 'any' });
}

/** What came of a file: the examination, and in sentences what could not come with it. */
export const examinationRead = z.object({ examination: id, told: z.array(z.string()) });
export type ExaminationRead = z.infer<typeof examinationRead>;
