import { GENERATORS } from '@kritikos/core/numerics/random';
import { z } from 'zod';
import { cellError } from './examinations.ts';
import { houseProposal } from './house.ts';
import { day, id, instant, text } from './primitives.ts';

/** A time of day on the wall of the house. */
const wallTime = z
  .string()
  .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'must be a time of day such as 08:30');

export const stretch = z
  .object({ start: instant, end: instant })
  .refine(({ start, end }) => Date.parse(start) < Date.parse(end), 'ends before it begins');
/** When somebody is there; `null` for all the time. */
const present = z.array(stretch).min(1).max(30).nullable();
const reason = text(200, 3);

/** Hours in which stations run. Two sessions of a date have the same stations. */
export const session = z
  .object({ date: day, from: wallTime, until: wallTime })
  .refine(({ from, until }) => from < until, 'ends before it begins');

/** What a timetable is asked to be. */
export const timetableWish = z.object({
  sessions: z.array(session).min(1, 'needs a session at least').max(30),
  circuits: z.int().min(1, 'must be 1 circuit or more').max(12),
  readingMinutes: z.number().min(0).max(30),
  changeMinutes: z.number().min(0).max(30),
  rests: z.int().min(0).max(6),
  breaks: z
    .object({
      afterRounds: z.int().min(1).max(60),
      minutes: z.number().positive('must be more than 0 minutes').max(120),
    })
    .nullable(),
  /** How long before a session its candidates are gathered, apart from those ahead of them. */
  quarantineMinutes: z.int().min(0).max(120).nullable(),
  /** Sheets that are marked twice. */
  pairs: z.int().min(0).max(200_000),
  seed: z.int().min(0).max(2_000_000_000),
});
export type TimetableWish = z.infer<typeof timetableWish>;

/* Who and what may be used. */

export const examinerResource = z.object({
  accountId: id,
  name: z.string(),
  email: z.string(),
  takesPart: z.boolean(),
  present: present,
  /** `null` for every region. */
  regions: z.array(z.string()).nullable(),
  /** Candidates of this examination whom they must not mark, and why. */
  conflicts: z.array(
    z.object({
      candidateId: id,
      number: z.int(),
      /** Told in confidence: to whoever wrote it down, and to administrators; else `null`. */
      reason: z.string().nullable(),
      /** Who wrote it down; `null` where that was not noted yet. */
      writtenBy: z.string().nullable(),
      /** Whether the viewer may change it, or take it out. */
      own: z.boolean(),
    }),
  ),
});
export type ExaminerResource = z.infer<typeof examinerResource>;

export const patientResource = z.object({
  id,
  name: z.string(),
  takesPart: z.boolean(),
  present: present,
  barred: z.array(z.string()),
  mostInARow: z.int().nullable(),
  /** The stations of this examination that they may play at. */
  stations: z.array(z.string()),
});
export type PatientResource = z.infer<typeof patientResource>;

export const roomResource = z.object({ id, name: z.string(), couches: z.int() });
export const placeResource = z.object({
  stationId: id,
  circuit: z.int(),
  roomId: id,
  couch: z.int(),
});
export type PlaceResource = z.infer<typeof placeResource>;

export const resources = z.object({
  examiners: z.array(examinerResource),
  patients: z.array(patientResource),
  rooms: z.array(roomResource),
  /** Things that the stations need or that were counted; `null` where nobody counted. */
  equipment: z.array(
    z.object({
      what: z.string(),
      needed: z.int(),
      pieces: z.int().nullable(),
      stations: z.array(z.string()),
    }),
  ),
  places: z.array(placeResource),
  regions: z.array(z.string()),
  procedures: z.array(z.string()),
  circuits: z.int(),
  /** Whether the viewer changes what is the house’s; whoever does not proposes it. */
  keepsHouse: z.boolean(),
  /** What was proposed for this examination and waits for the office. */
  proposals: z.array(houseProposal),
});
export type Resources = z.infer<typeof resources>;

/** What is said of these; whoever is not named stays as they are. */
export const examinersWanted = z.object({
  examiners: z
    .array(
      z.object({
        accountId: id,
        takesPart: z.boolean(),
        present: present.default(null),
        regions: z.array(text(60)).min(1, 'names no region').max(40).nullable().default(null),
        conflicts: z
          /** Those that somebody else wrote down stay, named or not; `null` leaves a reason as it is. */
          .array(z.object({ candidateId: id, reason: reason.nullable() }))
          .max(1000)
          .default([]),
      }),
    )
    .max(500),
});
export type ExaminersWanted = z.infer<typeof examinersWanted>;

/** What is said of these; whoever is not named stays as they are. */
export const patientsWanted = z.object({
  patients: z
    .array(
      z.object({
        /** `null` for somebody new. */
        id: id.nullable(),
        name: text(120),
        takesPart: z.boolean(),
        present: present.default(null),
        barred: z.array(text(80)).max(200).default([]),
        mostInARow: z.int().min(1).max(20).nullable().default(null),
        /** Out of the choice; plans that use them keep their name. */
        retired: z.boolean().default(false),
      }),
    )
    .max(500)
    .refine(
      (list) => new Set(list.map(({ name }) => name)).size === list.length,
      'names somebody twice',
    ),
});
export type PatientsWanted = z.infer<typeof patientsWanted>;

/** New rooms and changed ones, and those that are taken away; the others stay as they are. */
export const roomsWanted = z.object({
  rooms: z
    .array(z.object({ id: id.nullable(), name: text(80), couches: z.int().min(1).max(40) }))
    .max(200)
    .refine(
      (list) => new Set(list.map(({ name }) => name)).size === list.length,
      'names a room twice',
    ),
  removed: z.array(id).max(200).default([]),
});
export type RoomsWanted = z.infer<typeof roomsWanted>;

/** Where these stand, and which stand nowhere any more; the others stay where they are. */
export const placesWanted = z.object({
  places: z.array(placeResource).max(1000),
  cleared: z
    .array(placeResource.pick({ stationId: true, circuit: true }))
    .max(1000)
    .default([]),
});
export type PlacesWanted = z.infer<typeof placesWanted>;

export const equipmentWanted = z.object({
  equipment: z
    .array(z.object({ what: text(120), pieces: z.int().min(0).max(999).nullable() }))
    .max(500),
});
export type EquipmentWanted = z.infer<typeof equipmentWanted>;

export const RESOURCE_FILES = ['examiners', 'patients', 'rooms', 'equipment'] as const;
export type ResourceFile = (typeof RESOURCE_FILES)[number];
/** What a file brought: all of it, or the cells that kept it from being taken. */
export const resourceFileTaken = z.object({
  taken: z.int(),
  errors: z.array(cellError),
  resources,
});
export type ResourceFileTaken = z.infer<typeof resourceFileTaken>;

/* The plans. */

const interval = z.object({ start: z.number(), end: z.number() });
const available = z.array(interval).nullable();

/** The question as the core plans it, in minutes since 1970; everybody and everything by their name. */
export const planningProblem = z.object({
  days: z.array(interval),
  readingMinutes: z.number(),
  changeMinutes: z.number(),
  rests: z.int(),
  breaks: z.object({ afterRounds: z.int(), minutes: z.number() }).nullable(),
  circuits: z.int(),
  stations: z.array(
    z.object({ id: z.string(), minutes: z.number(), joint: z.string().nullable() }),
  ),
  candidates: z.array(
    z.object({
      id: z.string(),
      extraTime: z.number(),
      conflicts: z.array(z.string()),
      ability: z.number().nullable(),
    }),
  ),
  examiners: z.array(
    z.object({ id: z.string(), stations: z.array(z.string()).nullable(), available }),
  ),
  patients: z.array(
    z.object({
      id: z.string(),
      stations: z.array(z.string()),
      mostInARow: z.int().nullable(),
      available,
    }),
  ),
  pairs: z.int(),
});

export const plannedSlot = interval.extend({
  candidate: z.string(),
  day: z.int(),
  circuit: z.int(),
  wave: z.int(),
  station: z.string().nullable(),
  examiner: z.string().nullable(),
  second: z.string().nullable(),
  patient: z.string().nullable(),
});

export const unmet = z.object({
  rule: z.enum([
    'examiner',
    'conflict',
    'circuit',
    'simulated-patient',
    'same-joint',
    'double-marking',
    'clock',
    'equipment',
    'room',
  ]),
  who: z.string(),
  why: z.string(),
});

export const PLAN_STATES = ['draft', 'published', 'superseded', 'dropped'] as const;
/** A plan without its slots. */
export const planSummary = z.object({
  id,
  number: z.int(),
  state: z.enum(PLAN_STATES),
  wish: timetableWish,
  madeBy: z.string(),
  madeAt: instant,
  publishedAt: instant.nullable(),
  /** When on the day it was planned again from; `null` for a plan of the whole. */
  replannedAt: instant.nullable(),
  follows: z.int().nullable(),
  seed: z.int(),
  bound: z.number(),
  length: z.number(),
  unmet: z.array(unmet),
  /** Half-widths of the interval of a severity, in percent points, by simulation of this very plan. */
  precision: z
    .object({ halfWidth: z.number().nullable(), worst: z.number().nullable() })
    .nullable(),
  generator: z.literal(GENERATORS),
  revision: z.int(),
});
export type PlanSummary = z.infer<typeof planSummary>;

export const timetable = z.object({
  /** As it was asked last, or as an examination like this is usually asked. */
  wish: timetableWish,
  zone: z.string(),
  /** The newest first; what was dropped is not among them. */
  plans: z.array(planSummary),
  /** What left the house, the newest first, and whether it still holds. */
  copies: z.array(
    z.object({
      what: z.string(),
      number: z.int(),
      takenBy: z.string(),
      takenAt: instant,
      stale: z.boolean(),
    }),
  ),
});
export type Timetable = z.infer<typeof timetable>;

export const plan = planSummary.extend({
  zone: z.string(),
  problem: planningProblem,
  slots: z.array(plannedSlot),
  circuitNames: z.array(z.string()),
  /** Where the station of a circuit stands, by "circuit station". */
  places: z.record(z.string(), z.string()),
  /** What was changed by hand and not undone, the newest first. */
  changes: z.array(z.object({ revision: z.int(), words: z.string(), by: z.string() })),
});
export type Plan = z.infer<typeof plan>;

const post = z.object({ day: z.int(), circuit: z.int(), wave: z.int(), station: z.string() });
/** One change by hand; everybody and everything by their name in the plan. */
export const planChange = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('exchange'), one: z.string(), other: z.string() }),
  z.object({
    kind: z.literal('move'),
    candidate: z.string(),
    to: post.extend({ start: z.number() }),
  }),
  z.object({ kind: z.literal('examiner'), post, examiner: z.string().nullable() }),
  z.object({
    kind: z.literal('second'),
    candidate: z.string(),
    station: z.string(),
    second: z.string().nullable(),
  }),
  z.object({ kind: z.literal('patient'), post, patient: z.string().nullable() }),
]);
export const planChanged = z.object({ revision: z.int(), change: planChange });
export type PlanChanged = z.infer<typeof planChanged>;
export const atRevision = z.object({ revision: z.int() });

/** What happened on the day, for the rest of it to be planned again. */
export const happened = z.object({
  now: instant,
  examiners: z.array(z.string()).max(200).default([]),
  patients: z.array(z.string()).max(200).default([]),
  gone: z.array(z.string()).max(2000).default([]),
  late: z
    .array(z.object({ candidate: z.string(), from: instant }))
    .max(200)
    .default([]),
  /** Whether the new plan is kept as a draft, or only told. */
  take: z.boolean(),
});
export type Happened = z.infer<typeof happened>;

export const replanned = z.object({
  people: z.array(
    z.object({
      who: z.string(),
      as: z.enum(['candidate', 'examiner', 'second examiner', 'simulated patient']),
      words: z.array(z.string()),
    }),
  ),
  /** How many are told nothing new. */
  same: z.int(),
  unmet: z.array(unmet),
  /** The draft that was made of it. */
  plan: id.nullable(),
});
export type Replanned = z.infer<typeof replanned>;
