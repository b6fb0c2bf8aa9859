import type { Interval, Plan, PlanningProblem } from '@kritikos/core/timetable/problem';
import { z } from 'zod';
import { readFile } from './openFile.ts';

const MINUTE = 60_000;
/** Ends in Z or in an offset from UTC. */
const ZONED = /(Z|[+-]\d\d:?\d\d)$/;
/** With a zone or without one; what comes back is said as what was asked. */
const time = z.iso.datetime({
  offset: true,
  local: true,
  error: 'must be a time of ISO 8601, such as 2027-05-21T09:00:00Z',
});
const interval = z
  .strictObject({ start: time, end: time })
  .refine(({ start, end }) => inMinute(start) < inMinute(end), {
    path: ['end'],
    error: ({ input }) => {
      const { start, end } = input as { start: string; end: string };
      return `${end} is not after ${start}`;
    },
  });
/** A name or a number; what comes back is what was asked. */
const name = z.union([z.string().min(1), z.number()]);
const minutes = z.number().nonnegative();
const aboveZero = z.number().positive('must be more than 0 minutes');

/** Beyond this a plan would not be found while somebody waits; no examination here has as many. */
const MOST_CANDIDATES = 2000;

/** Who and what there is for an examination, as a file for whoever has no installation. */
export const planProblem = z
  .strictObject({
    days: z.array(interval).min(1).max(60),
    readingMinutes: minutes,
    stationMinutes: aboveZero,
    changeMinutes: minutes,
    rests: z.int().nonnegative().max(60).default(0),
    circuits: z.int().positive().max(60).default(1),
    stations: z
      .array(
        z.strictObject({ id: name, minutes: aboveZero.optional(), joint: z.string().optional() }),
      )
      .min(1)
      .max(60),
    candidates: z
      .array(
        z.strictObject({
          id: name,
          extraTime: z.number().min(0).max(2).optional(),
          conflicts: z.array(name).optional(),
        }),
      )
      .max(
        MOST_CANDIDATES,
        `there may be ${MOST_CANDIDATES} candidates at most; plan the rest as another examination`,
      ),
    examiners: z
      .array(
        z.strictObject({
          id: name,
          stations: z.array(name).optional(),
          available: z.array(interval).optional(),
        }),
      )
      .max(2000),
    simulatedPatients: z
      .array(
        z.strictObject({
          id: name,
          stations: z.array(name),
          mostInARow: z.int().positive().optional(),
        }),
      )
      .default([]),
    doubleMarking: z.strictObject({ pairs: z.int().nonnegative() }).default({ pairs: 0 }),
  })
  .superRefine(({ days, examiners, candidates }, context) => {
    const all = [
      ...days.map((own, i) => ({ ...own, path: ['days', i] })),
      ...examiners.flatMap(({ available = [] }, i) =>
        available.map((own, k) => ({ ...own, path: ['examiners', i, 'available', k] })),
      ),
    ];
    const zoned = ZONED.test(days[0]?.start ?? '');
    for (const { path, ...own } of all) {
      for (const [key, text] of Object.entries(own)) {
        if (ZONED.test(text) === zoned) continue;
        const said = zoned
          ? 'names no zone, and other times of the file do'
          : 'names a zone, and other times of the file do not';
        context.addIssue({ code: 'custom', path: [...path, key], message: `${text} ${said}` });
      }
    }
    const known = new Set(examiners.map(({ id }) => String(id)));
    for (const [i, { conflicts = [] }] of candidates.entries()) {
      for (const [k, who] of conflicts.entries()) {
        if (known.has(String(who))) continue;
        const path = ['candidates', i, 'conflicts', k];
        context.addIssue({ code: 'custom', path, message: `${who} is no examiner of this file` });
      }
    }
  });
export type PlanProblem = z.infer<typeof planProblem>;

/** Reads a problem file whole, or refuses it with every path and reason. */
export function readPlanProblem(content: string): PlanProblem {
  return readFile(planProblem, content);
}

/** The same as the core plans it: in minutes, every wish said. */
export function asPlanningProblem(file: PlanProblem): PlanningProblem {
  const names = (list: readonly (string | number)[]) => list.map(String);
  return {
    days: file.days.map(inMinutes),
    readingMinutes: file.readingMinutes,
    changeMinutes: file.changeMinutes,
    rests: file.rests,
    breaks: null,
    circuits: file.circuits,
    stations: file.stations.map((own) => ({
      id: String(own.id),
      minutes: own.minutes ?? file.stationMinutes,
      joint: own.joint ?? null,
    })),
    candidates: file.candidates.map(({ id, extraTime = 0, conflicts = [] }) => ({
      id: String(id),
      extraTime,
      conflicts: names(conflicts),
      ability: null,
    })),
    examiners: file.examiners.map(({ id, stations, available }) => ({
      id: String(id),
      stations: stations ? names(stations) : null,
      available: available ? available.map(inMinutes) : null,
    })),
    patients: file.simulatedPatients.map(({ id, stations, mostInARow }) => ({
      id: String(id),
      stations: names(stations),
      mostInARow: mostInARow ?? null,
      available: null,
    })),
    pairs: file.doubleMarking.pairs,
  };
}

/** A plan as a file says it: names and times as they were asked. */
export function asPlanFile(file: PlanProblem, plan: Plan, seed: number): object {
  const asked = new Map(
    [...file.stations, ...file.candidates, ...file.examiners, ...file.simulatedPatients].map(
      ({ id }) => [String(id), id],
    ),
  );
  const said = (id: string | null) => (id === null ? null : (asked.get(id) ?? id));
  const zoned = file.days.every(({ start }) => ZONED.test(start));
  const at = (minute: number) => {
    const iso = new Date(Math.round(minute * MINUTE)).toISOString();
    return zoned ? iso : iso.slice(0, -1);
  };
  return {
    slots: plan.slots.map(({ second, patient, ...slot }) => ({
      candidate: said(slot.candidate),
      day: slot.day + 1,
      circuit: slot.circuit + 1,
      station: said(slot.station),
      start: at(slot.start),
      end: at(slot.end),
      examiner: said(slot.examiner),
      ...(second === null ? {} : { second: said(second) }),
      ...(patient === null ? {} : { simulatedPatient: said(patient) }),
    })),
    bound: rounded(plan.bound),
    length: rounded(plan.length),
    unmet: plan.unmet,
    seed,
  };
}

function inMinutes({ start, end }: { start: string; end: string }): Interval {
  return { start: inMinute(start), end: inMinute(end) };
}

/** A time without a zone is read as it stands; all of a file have one or none has. */
function inMinute(text: string): number {
  return Date.parse(ZONED.test(text) ? text : `${text}Z`) / MINUTE;
}

/** Minutes to a thousandth: times are kept to the millisecond. */
function rounded(value: number): number {
  return Math.round(value * 1000) / 1000;
}
