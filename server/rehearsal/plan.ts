import type { Account } from '@kritikos/contracts/accounts';
import type { RehearsalAsked, RehearsalPage } from '@kritikos/contracts/rehearsal';
import { stationCarries } from '@kritikos/core/rehearsal/earlierMarks';
import type { RehearsedPlan, RehearsedSheet } from '@kritikos/core/rehearsal/plan';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import type { PlanningProblem, Slot } from '@kritikos/core/timetable/problem';
import { withPairs } from '@kritikos/core/timetable/seconds';
import { earlierUses } from '../checklists/earlierUse.ts';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';
import { cycleCounts } from '../examinations/repository.ts';
import { usualSettings } from '../standards/service.ts';
import { listPlans } from '../timetable/planRepository.ts';
import { openPlan } from '../timetable/service.ts';
import { examinedScores, lastCohort, sharedStations, stationMeans } from './repository.ts';

/** What the plan is rehearsed under. */
export type Supposed = Pick<RehearsalAsked, 'pairs' | 'asMarked' | 'assumptions'>;

/** What is rehearsed: the plan in numbers, and with a second examiner more where the plan tells who is free. */
export interface PlanToRehearse {
  readonly plan: RehearsedPlan;
  readonly titles: readonly string[];
  readonly ids: readonly string[];
  readonly pairs: number;
  /** What earlier marks say of each station. */
  readonly known: RehearsalPage['stations'];
  readonly more: { readonly plan: RehearsedPlan; readonly pairs: number } | null;
  /** Where it comes from, in words. */
  readonly from: string;
}

/** The planned examination: by the plan that holds, else the newest draft, else one examiner a station. */
export async function planToRehearse(
  db: Database,
  examinationId: string,
  { pairs, asMarked, assumptions }: Supposed,
  viewer: Account,
): Promise<PlanToRehearse | string> {
  const stations = await stationsOf(db, examinationId, viewer);
  if (stations.length < 2)
    return 'Add two stations at least; one alone tells nothing of candidates.';
  const around = {
    stations: stations.map(({ id, content, ...marked }) => ({
      id,
      content,
      mean: (asMarked ? marked.mean : null) ?? assumptions.mean,
      carries: (asMarked ? marked.carries : null) ?? 1,
      facilities: asMarked ? marked.facilities : {},
    })),
    settings: usualSettings(stations.length),
  };
  const known = {
    titles: stations.map((own) => `${own.position} ${own.title}`),
    ids: stations.map(({ id }) => id),
    known: stations.map(({ position, title, mean, carries, facilities, content }) => ({
      title: `${position} ${title}`,
      mean,
      carries,
      known: content.items.filter(({ key }) => facilities[key] !== undefined).length,
      items: content.items.length,
    })),
  };
  const plans = await listPlans(db, examinationId, viewer.id);
  const held = plans.find(({ state }) => state === 'published') ?? plans[0];
  if (!held) return withoutPlan(db, examinationId, { pairs, around, known, viewer });
  const { problem, slots } = await openPlan(db, examinationId, held.id, viewer);
  const places = new Map(known.titles.map((title, place) => [title, place]));
  const own = pairs === null ? slots : withPairs(problem, slots, pairs);
  const count = own.filter(({ second }) => second !== null).length;
  const day = Math.ceil(problem.candidates.length / problem.circuits);
  const helper = { id: 'one more second examiner', stations: null, available: null };
  const helped: PlanningProblem = { ...problem, examiners: [...problem.examiners, helper] };
  const more = withPairs(helped, slots, Math.min(count + day, slots.length));
  return {
    ...known,
    plan: { ...around, ...inNumbers(own, places) },
    pairs: count,
    more: {
      plan: { ...around, ...inNumbers(more, places) },
      pairs: more.filter(({ second }) => second !== null).length,
    },
    from: `plan ${held.number}, ${held.state}`,
  };
}

function inNumbers(
  slots: readonly Slot[],
  places: ReadonlyMap<string, number>,
): Pick<RehearsedPlan, 'sheets' | 'candidates' | 'examiners'> {
  const [candidates, examiners] = [new Map<string, number>(), new Map<string, number>()];
  const numberOf = (known: Map<string, number>, name: string) => {
    const number = known.get(name) ?? known.size;
    known.set(name, number);
    return number;
  };
  const sheets = slots.flatMap(
    ({ station, candidate, examiner, second, circuit }): RehearsedSheet[] => {
      const place = station === null ? undefined : places.get(station);
      if (place === undefined) return [];
      return [examiner, second].flatMap((who) =>
        who === null
          ? []
          : [
              {
                candidate: numberOf(candidates, candidate),
                station: place,
                examiner: numberOf(examiners, who),
                circuit,
              },
            ],
      );
    },
  );
  return { sheets, candidates: candidates.size, examiners: examiners.size };
}

/** Until there is a plan: an examiner for each station of each circuit, the pairs spread evenly. */
async function withoutPlan(
  db: Database,
  examinationId: string,
  {
    pairs,
    around,
    known,
    viewer,
  }: {
    readonly pairs: number | null;
    readonly around: Pick<RehearsedPlan, 'stations' | 'settings'>;
    readonly known: Pick<PlanToRehearse, 'titles' | 'ids' | 'known'>;
    readonly viewer: Account;
  },
): Promise<PlanToRehearse | string> {
  const [counted] = await db('candidate')
    .where({ examination_id: examinationId, state: 'expected' })
    .count('* as n');
  const candidates = Number(counted?.n ?? 0);
  if (candidates < 3) return 'Bring in candidates first: three at least.';
  const circuits = Math.max(1, (await cycleCounts(db, examinationId, viewer.id)).circuits.length);
  const stations = around.stations.length;
  const wanted = pairs ?? 0;
  if (wanted > candidates * stations) {
    return `${wanted} pairs are more than the ${candidates * stations} sheets that there are.`;
  }
  const all = Array.from({ length: candidates * stations }, (_, i): RehearsedSheet => {
    const [candidate, station] = [Math.floor(i / stations), i % stations];
    const circuit = candidate % circuits;
    return { candidate, station, circuit, examiner: circuit * stations + station };
  });
  const examiners = circuits * stations;
  const seconds = Array.from({ length: wanted }, (_, k) => {
    const sheet = all[Math.floor((k * all.length) / wanted)] as RehearsedSheet;
    return { ...sheet, examiner: (sheet.examiner + 1 + (k % (examiners - 1))) % examiners };
  });
  return {
    ...known,
    plan: { ...around, candidates, examiners, sheets: [...all, ...seconds] },
    pairs: wanted,
    more: null,
    from: 'no plan yet: an examiner at each station of each circuit',
  };
}

interface StationToRehearse {
  readonly id: string;
  readonly position: number;
  readonly title: string;
  readonly content: ChecklistContent;
  readonly mean: number | null;
  readonly carries: number | null;
  readonly facilities: Readonly<Record<string, number>>;
}

async function stationsOf(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<StationToRehearse[]> {
  const { rows } = await db.raw(
    `select s.id, s.position, s.title, v.id as version, v.content
     from station s join checklist_version v on v.id = s.checklist_version_id
     where s.examination_id = :examinationId and ${readBy('s.examination_id')} order by s.position`,
    { examinationId, viewer: viewer.id },
  );
  const means = await stationMeans(db, examinationId, viewer.id);
  const carries = await carriedBefore(db, examinationId, viewer.id);
  const read = rows.map(
    async ({
      version,
      ...station
    }: Pick<StationToRehearse, 'id' | 'position' | 'title' | 'content'> & { version: string }) => {
      const uses = await earlierUses(db, version, viewer);
      const facilities = Object.fromEntries(
        Object.entries(uses).flatMap(([key, { facility }]) =>
          facility === null ? [] : [[key, facility]],
        ),
      );
      return {
        ...station,
        facilities,
        mean: means.get(station.id) ?? null,
        carries: carries.get(station.id) ?? null,
      };
    },
  );
  return Promise.all(read);
}

/** How far ability told at each station when the last cohort was examined there, by the id of today's. */
async function carriedBefore(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<Map<string, number>> {
  const last = await lastCohort(db, examinationId, viewer);
  if (!last) return new Map();
  const carries = stationCarries(await examinedScores(db, last.id, viewer));
  const shared = await sharedStations(db, examinationId, last.id, viewer);
  return new Map(
    shared.flatMap(({ id, place }) => {
      const own = carries.get(place);
      return own === undefined ? [] : [[id, own] as const];
    }),
  );
}
