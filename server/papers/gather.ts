import type { Account } from '@kritikos/contracts/accounts';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import { knownProcedures } from '../catalogue/shelf.ts';
import { figuresOf } from '../catalogue/stationFigures.ts';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';
import { requireExamination } from '../examinations/service.ts';
import { stationsOf } from '../timetable/question.ts';
import type { StationOfPlan } from '../timetable/question.ts';
import { listPlans } from '../timetable/planRepository.ts';
import { readPlan } from '../timetable/service.ts';
import type {
  Printed,
  PrintedCandidate,
  PrintedPlan,
  PrintedSheet,
  PrintedStation,
} from './printed.ts';

/** Brings together all that the papers of an examination are made of, as it stands now. */
export async function gather(
  db: Database,
  examinationId: string,
  viewer: Account,
  door: string,
): Promise<Printed> {
  const { id, title, school, heldOn, zone } = await requireExamination(db, examinationId, viewer);
  const known = await knownProcedures(db);
  const stations = await stationsOf(db, examinationId, viewer.id);
  const contents = await contentsOf(db, examinationId, viewer.id);
  const holding = (await listPlans(db, examinationId, viewer.id)).find(
    ({ state }) => state === 'published',
  );
  const published = holding && (await readPlan(db, examinationId, holding.id, viewer));
  const printed = stations.map((station): PrintedStation => {
    const own = contents.get(station.id);
    if (!own) throw new RangeError(`Station ${station.position} has no checklist.`);
    return {
      id: station.id,
      position: station.position,
      title: station.title,
      minutes: station.minutes,
      region: station.region,
      equipment: station.equipment,
      checklistVersion: own.version,
      content: own.content,
      figures: figuresOf(own.content, own.side, known),
      places: (published?.circuitNames ?? []).flatMap((circuit, i) => {
        const place = published?.places[`${i + 1} ${station.position} ${station.title}`];
        return place === undefined ? [] : [{ circuit, place }];
      }),
    };
  });
  return {
    examination: { id, title, school, heldOn, zone },
    door,
    stations: printed,
    candidates: await candidatesOf(db, examinationId, viewer.id),
    sheets: await sheetsOf(db, examinationId, viewer.id),
    plan: published ? planOf(published, stations) : null,
  };
}

type ReadPlan = Awaited<ReturnType<typeof readPlan>>;

function planOf(plan: ReadPlan, stations: readonly StationOfPlan[]): PrintedPlan {
  const ids = new Map(stations.map(({ id, position, title }) => [`${position} ${title}`, id]));
  return {
    number: plan.number,
    revision: plan.revision,
    readingMinutes: plan.wish.readingMinutes,
    quarantineMinutes: plan.wish.quarantineMinutes ?? 0,
    slots: plan.slots.map((slot) => ({
      start: slot.start,
      end: slot.end,
      day: slot.day,
      circuit: plan.circuitNames[slot.circuit] ?? String(slot.circuit + 1),
      station: slot.station === null ? null : (ids.get(slot.station) ?? null),
      place: plan.places[`${slot.circuit + 1} ${slot.station ?? ''}`] ?? '',
      candidate: Number(slot.candidate.replace(/^candidate /, '')),
      examiner: slot.examiner,
      second: slot.second,
      patient: slot.patient,
    })),
  };
}

interface Content {
  readonly version: number;
  readonly content: ChecklistContent;
  readonly side: 'left' | 'right';
}

async function contentsOf(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<Map<string, Content>> {
  const { rows } = await db.raw(
    `select s.id, v.version, v.content, coalesce(b.side, 'right') as side
     from station s join checklist_version v on v.id = s.checklist_version_id
       join bank_station_version b on b.id = s.bank_version_id
     where s.examination_id = :examinationId and ${readBy('s.examination_id')}`,
    { examinationId, viewer },
  );
  return new Map(rows.map(({ id, ...own }: Content & { id: string }) => [id, own]));
}

/** Whoever is expected; nobody prints a card for a candidate who has withdrawn. */
async function candidatesOf(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<PrintedCandidate[]> {
  const { rows } = await db.raw(
    `select c.id, c.number, p.number as "studentNumber", p.name,
       p.extra_time as "extraTime"
     from candidate c join student p on p.id = c.student_id
     where c.examination_id = :examinationId and c.state = 'expected'
       and ${readBy('c.examination_id')} order by c.number`,
    { examinationId, viewer },
  );
  return rows;
}

/** The sheets of whoever is expected, in the order of stations and candidates. */
async function sheetsOf(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<PrintedSheet[]> {
  const { rows } = await db.raw(
    `select h.id, h.station_id as station, c.number as candidate, a.name as examiner,
       h.submitted_at is not null as "handedIn"
     from sheet h join station s on s.id = h.station_id join candidate c on c.id = h.candidate_id
       join account a on a.id = h.examiner_id
     where s.examination_id = :examinationId and c.state = 'expected'
       and ${readBy('s.examination_id')} order by s.position, c.number, a.name`,
    { examinationId, viewer },
  );
  return rows;
}
