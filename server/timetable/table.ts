import type { Account } from '@kritikos/contracts/accounts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { noteCopy } from './planRepository.ts';
import { stationsOf } from './question.ts';
import { readPlan } from './service.ts';

const MINUTE = 60_000;

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
  const at = new Intl.DateTimeFormat('en-GB', {
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    timeZone: plan.zone,
  });
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
      at.format(slot.start * MINUTE),
      at.format(slot.end * MINUTE),
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
