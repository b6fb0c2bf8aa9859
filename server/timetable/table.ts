import type { Account } from '@kritikos/contracts/accounts';
import { wallClock } from '@kritikos/core/timetable/wallClock';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { noteCopy } from './planRepository.ts';
import { stationsOf } from './question.ts';
import { readPlan } from './service.ts';

/** A plan as a table, a row a slot; that it left the house is written down. */
export async function planTable(
  db: Database,
  examinationId: string,
  id: string,
  viewer: Account,
): Promise<{ fileName: string; rows: string[][] }> {
  const plan = await readPlan(db, examinationId, id, viewer);
  const positions = new Map(
    (await stationsOf(db, examinationId, viewer.id)).map((station) => [
      `${station.position} ${station.title}`,
      station.position,
    ]),
  );
  const { sortable } = wallClock(plan.zone);
  await noteCopy(db, {
    id: newId(),
    timetableId: id,
    revision: plan.revision,
    what: 'table of all slots',
    takenBy: viewer.id,
  });
  const version = `plan ${plan.number}, ${plan.state}${plan.revision > 0 ? `, change ${plan.revision}` : ''}`;
  const header = [
    'version',
    'session',
    'circuit',
    'start',
    'end',
    'station',
    'title',
    'place',
    'candidate',
    'examiner',
    'second examiner',
    'simulated patient',
  ];
  const rows = plan.slots.map((slot) => {
    const { station } = slot;
    return [
      version,
      String(slot.day + 1),
      plan.circuitNames[slot.circuit] ?? String(slot.circuit + 1),
      sortable(slot.start),
      sortable(slot.end),
      station === null ? 'rest' : String(positions.get(station) ?? ''),
      station === null ? '' : station.replace(/^\d+ /, ''),
      station === null ? '' : (plan.places[`${slot.circuit + 1} ${station}`] ?? ''),
      slot.candidate.replace(/^candidate /, ''),
      slot.examiner ?? '',
      slot.second ?? '',
      slot.patient ?? '',
    ];
  });
  return { fileName: `plan-${plan.number}.csv`, rows: [header, ...rows] };
}
