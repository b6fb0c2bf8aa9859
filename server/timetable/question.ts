import type { Account } from '@kritikos/contracts/accounts';
import type { TimetableWish } from '@kritikos/contracts/timetable';
import { thingKey } from '@kritikos/core/examinations/needs';
import type { PlanningProblem } from '@kritikos/core/timetable/problem';
import type { Unmet } from '@kritikos/core/timetable/problem';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';
import { listStations } from '../examinations/stationRepository.ts';
import { conflict } from '../http/problems.ts';
import { minutesOf } from './planRepository.ts';
import { listEquipment, listExaminers, listPatients, listRooms } from './resourceRepository.ts';

const MINUTE = 60_000;

/** Names in a plan, each of one thing, and the ids that stand for them in the database. */
export class Names {
  private readonly names = new Map<string, string>();
  private readonly ids = new Map<string, string>();

  /** Two of the same name are told apart by what `also` says. */
  constructor(
    list: readonly { readonly id: string; readonly name: string; readonly also: string }[],
  ) {
    const counts = new Map<string, number>();
    for (const { name } of list) counts.set(name, (counts.get(name) ?? 0) + 1);
    for (const { id, name, also } of list) {
      const own = (counts.get(name) ?? 0) > 1 ? `${name} (${also})` : name;
      this.names.set(id, own);
      this.ids.set(own, id);
    }
  }

  nameOf(id: string): string {
    return this.names.get(id) ?? id;
  }

  /** Throws what a route answers with where nobody has that name any more. */
  idOf(name: string): string {
    const id = this.ids.get(name);
    if (id === undefined) {
      throw conflict(
        `Nobody and nothing is called “${name}” here`,
        'Somebody may have been renamed meanwhile. Open the plan again; nothing was changed.',
      );
    }
    return id;
  }

  has(name: string): boolean {
    return this.ids.has(name);
  }
}

export interface Known {
  readonly stations: Names;
  readonly candidates: Names;
  readonly examiners: Names;
  readonly patients: Names;
}

export interface Question {
  readonly problem: PlanningProblem;
  readonly known: Known;
  /** What keeps circuits from running side by side, as wishes that cannot be met. */
  readonly limits: readonly Limit[];
}
export type Limit = Omit<Unmet, 'rule'> & { readonly rule: 'equipment' | 'room' };

/** The question that a plan answers: the wish, and who and what there is for it at this moment. */
export async function questionOf(
  db: Database,
  { id: examinationId, zone }: { readonly id: string; readonly zone: string },
  wish: TimetableWish,
  viewer: Account,
): Promise<Question> {
  const own = [db, examinationId, viewer.id] as const;
  const stations = await stationsOf(...own);
  const candidates = await candidatesOf(...own);
  const [examiners, patients] = [await listExaminers(...own), await listPatients(...own)];
  const everybody = await db('account').select('id', 'name', 'email');
  const everyPatient = await db('simulated_patient').select('id', 'name');
  const known: Known = {
    stations: new Names(
      stations.map(({ id, position, title }) => ({ id, name: `${position} ${title}`, also: id })),
    ),
    candidates: new Names(
      candidates.map(({ id, number }) => ({ id, name: `candidate ${number}`, also: id })),
    ),
    examiners: new Names(everybody.map(({ id, name, email }) => ({ id, name, also: email }))),
    patients: new Names(everyPatient.map(({ id, name }) => ({ id, name, also: id }))),
  };
  const limits = await limitsOf(db, wish.circuits, stations);
  const mayExamine = (regions: readonly string[] | null) =>
    regions &&
    stations
      .filter(({ region }) => regions.includes(region))
      .map(({ id }) => known.stations.nameOf(id));
  const problem: PlanningProblem = {
    days: await minutesOf(db, wish.sessions, zone),
    readingMinutes: wish.readingMinutes,
    changeMinutes: wish.changeMinutes,
    rests: wish.rests,
    breaks: wish.breaks,
    circuits: Math.min(wish.circuits, ...limits.map(({ circuits }) => circuits)),
    stations: stations.map(({ id, minutes, region }) => ({
      id: known.stations.nameOf(id),
      minutes,
      joint: region,
    })),
    candidates: candidates
      .filter(({ state }) => state === 'expected')
      .map(({ id, extraTime, conflicts, ability }) => ({
        id: known.candidates.nameOf(id),
        extraTime: extraTime / 100,
        conflicts: conflicts.map((who) => known.examiners.nameOf(who)),
        ability,
      })),
    examiners: examiners
      .filter(({ takesPart }) => takesPart)
      .map(({ accountId, regions, present }) => ({
        id: known.examiners.nameOf(accountId),
        stations: mayExamine(regions),
        available: inMinutes(present),
      })),
    patients: patients
      .filter(({ takesPart }) => takesPart)
      .map(({ id, barred, mostInARow, present }) => ({
        id: known.patients.nameOf(id),
        stations: stations
          .filter(({ procedures }) => !procedures.some((one) => barred.includes(one)))
          .map((station) => known.stations.nameOf(station.id)),
        mostInARow,
        available: inMinutes(present),
      })),
    pairs: wish.pairs,
  };
  return { problem, known, limits: limits.map(({ rule, who, why }) => ({ rule, who, why })) };
}

export interface StationOfPlan {
  readonly id: string;
  readonly position: number;
  readonly title: string;
  readonly minutes: number;
  readonly region: string;
  readonly procedures: readonly string[];
  readonly equipment: readonly string[];
}

export async function stationsOf(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<StationOfPlan[]> {
  const stations = await listStations(db, examinationId, viewer);
  const versions = await db('bank_station_version')
    .whereIn(
      'id',
      stations.map(({ bankVersionId }) => bankVersionId),
    )
    .select('id', 'procedures', 'equipment');
  const byId = new Map(versions.map((version) => [version.id, version]));
  return stations.map(({ bankVersionId, ...station }) => {
    const { procedures, equipment } = byId.get(bankVersionId) ?? { procedures: [], equipment: [] };
    return { ...station, procedures, equipment };
  });
}

interface CandidateOfPlan {
  readonly id: string;
  readonly number: number;
  readonly state: string;
  readonly extraTime: number;
  /** Accounts that must not mark them. */
  readonly conflicts: readonly string[];
  /** The mean percent of their sheets in other examinations that the viewer may read. */
  readonly ability: number | null;
}

async function candidatesOf(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<CandidateOfPlan[]> {
  const { rows } = await db.raw(
    `select c.id, c.number, c.state, p.extra_time as "extraTime",
       coalesce((select array_agg(o.account_id) from conflict_of_interest o where o.student_id = p.id), '{}') as conflicts,
       (select avg(h.percent) from candidate b join sheet h on h.candidate_id = b.id
         where b.student_id = p.id and b.id <> c.id and h.submitted_at is not null
           and ${readBy('b.examination_id')})::double precision as ability
     from candidate c join student p on p.id = c.student_id
     where c.examination_id = :examinationId and ${readBy('c.examination_id')} order by c.number`,
    { examinationId, viewer },
  );
  return rows;
}

/** As many circuits run side by side as there are things and couches for. */
async function limitsOf(
  db: Database,
  wanted: number,
  stations: readonly StationOfPlan[],
): Promise<(Limit & { readonly circuits: number })[]> {
  const needed = new Map<string, number>();
  for (const { equipment } of stations) {
    for (const thing of new Set(equipment.map(thingKey)))
      needed.set(thing, (needed.get(thing) ?? 0) + 1);
  }
  const things = (await listEquipment(db)).flatMap(({ what, pieces }) => {
    const each = needed.get(thingKey(what)) ?? 0;
    return each * wanted > pieces
      ? [limit('equipment', what, each * wanted, pieces, Math.floor(pieces / each))]
      : [];
  });
  const couches = (await listRooms(db)).reduce((sum, room) => sum + room.couches, 0);
  const posts = stations.length * wanted;
  const rooms =
    couches > 0 && posts > couches
      ? [
          limit(
            'room',
            'couches',
            posts,
            couches,
            Math.floor(couches / Math.max(1, stations.length)),
          ),
        ]
      : [];
  return [...things, ...rooms];
}

function limit(rule: Limit['rule'], what: string, needed: number, there: number, circuits: number) {
  if (circuits === 0) {
    throw conflict(
      `There is not enough for one circuit: ${what}`,
      `One circuit of the stations needs more than the ${there} there are. Count them again, or leave a station out.`,
    );
  }
  const why = `${needed} are needed side by side and ${there} are there: ${circuits === 1 ? 'one circuit runs' : `${circuits} circuits run`}, for longer`;
  return { rule, who: what, why, circuits };
}

function inMinutes(present: readonly { start: string; end: string }[] | null) {
  return (
    present &&
    present.map(({ start, end }) => ({
      start: Date.parse(start) / MINUTE,
      end: Date.parse(end) / MINUTE,
    }))
  );
}
