import type { Account } from '@kritikos/contracts/accounts';
import type { Timetable } from '@kritikos/contracts/timetable';
import { usualVariants } from '@kritikos/core/scoring/checklist';
import { faultsIn, hardWords } from '@kritikos/core/timetable/faults';
import type { Slot } from '@kritikos/core/timetable/problem';
import { recordAction } from '../audit/repository.ts';
import { findChecklistVersion } from '../checklists/service.ts';
import type { Database } from '../db/database.ts';
import { insertPlannedSheets, removeUnplannedSheets } from '../examinations/planRepository.ts';
import type { PlannedSheet } from '../examinations/planRepository.ts';
import { holdExamination } from '../examinations/service.ts';
import { listStations, replaceStationExaminers } from '../examinations/stationRepository.ts';
import { newId } from '../http/newId.ts';
import { conflict } from '../http/problems.ts';
import { setPublished } from './planRepository.ts';
import type { Known } from './question.ts';
import { holdDraft, openPlan, readPlan, readTimetable } from './service.ts';

/**
 * Publishes a draft: from now on it is the plan. The candidates stand in its circuits, its examiners
 * at the stations, and the sheets follow from its slots; what has been begun stays, wanted or not.
 */
export async function publishPlan(
  db: Database,
  examinationId: string,
  id: string,
  revision: number,
  lead: Account,
): Promise<Timetable> {
  const { problem, known, slots } = await openPlan(db, examinationId, id, lead);
  const hard = hardWords(faultsIn(problem, slots));
  if (hard.length > 0) {
    throw conflict(
      'The day could not be run so',
      `${hard.slice(0, 3).join('. ')}. Change the plan, or plan anew; what is published stays.`,
    );
  }
  const { circuitNames } = await readPlan(db, examinationId, id, lead);
  await db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    await holdDraft(trx, examinationId, id, revision, lead);
    await setPublished(trx, examinationId, id, lead.id);
    await standInCircuits(trx, slots, circuitNames, known);
    await standAtStations(trx, slots, circuitNames, known);
    // Whoever is absent or has withdrawn since is planned no sheet.
    const expected = new Set(problem.candidates.map(({ id: who }) => who));
    const coming = slots.filter(({ candidate }) => expected.has(candidate));
    const wanted = await sheetsOf(trx, examinationId, coming, known, lead);
    const removed = await removeUnplannedSheets(trx, examinationId, wanted);
    const added = await insertPlannedSheets(trx, wanted);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'timetable published',
      subject: examinationId,
      detail: { timetable: id, added, removed },
    });
  });
  return readTimetable(db, examinationId, lead);
}

async function standInCircuits(
  trx: Database,
  slots: readonly Slot[],
  names: readonly string[],
  known: Known,
): Promise<void> {
  const circuits = new Map(
    slots.map(({ candidate, circuit }) => [candidate, names[circuit] ?? '']),
  );
  await trx.raw(
    `update candidate c set circuit = w.circuit
     from unnest(:ids::uuid[], :circuits::text[]) as w(id, circuit)
     where c.id = w.id and c.circuit <> w.circuit`,
    {
      ids: [...circuits.keys()].map((name) => known.candidates.idOf(name)),
      circuits: [...circuits.values()],
    },
  );
}

/** Who examines where, as the pages of preparation and calibration tell it. */
async function standAtStations(
  trx: Database,
  slots: readonly Slot[],
  names: readonly string[],
  known: Known,
): Promise<void> {
  const stations = new Map<string, Slot[]>();
  for (const slot of slots) {
    if (slot.station !== null)
      stations.set(slot.station, [...(stations.get(slot.station) ?? []), slot]);
  }
  for (const [station, own] of stations) {
    const firsts = new Map<string, Set<number>>();
    const seconds = new Map<string, number>();
    for (const { examiner, second, circuit } of own) {
      if (examiner !== null) firsts.set(examiner, (firsts.get(examiner) ?? new Set()).add(circuit));
      if (second !== null) seconds.set(second, (seconds.get(second) ?? 0) + 1);
    }
    const examiners = [
      ...[...firsts].map(([name, circuits]) => ({
        accountId: known.examiners.idOf(name),
        every: 1,
        circuit: circuits.size === 1 ? (names[[...circuits][0] ?? 0] ?? null) : null,
      })),
      ...[...seconds]
        .filter(([name]) => !firsts.has(name))
        .map(([name, sheets]) => ({
          accountId: known.examiners.idOf(name),
          every: Math.max(2, Math.round(own.length / sheets)),
          circuit: null,
        })),
    ];
    await replaceStationExaminers(trx, known.stations.idOf(station), examiners);
  }
}

/** A sheet for every examiner and second examiner of a slot. */
export async function sheetsOf(
  trx: Database,
  examinationId: string,
  slots: readonly Slot[],
  known: Known,
  lead: Account,
): Promise<PlannedSheet[]> {
  const stations = await listStations(trx, examinationId, lead.id);
  const versions = new Map<string, { version: string; variants: string }>();
  for (const { id, checklistVersionId } of stations) {
    const { content } = await findChecklistVersion(trx, checklistVersionId);
    versions.set(id, {
      version: checklistVersionId,
      variants: JSON.stringify(usualVariants(content)),
    });
  }
  return slots.flatMap(({ station, candidate, examiner, second }) => {
    if (station === null) return [];
    const stationId = known.stations.idOf(station);
    const own = versions.get(stationId);
    if (!own) return [];
    return [examiner, second].flatMap((who) =>
      who === null
        ? []
        : [
            {
              id: newId(),
              station_id: stationId,
              candidate_id: known.candidates.idOf(candidate),
              examiner_id: known.examiners.idOf(who),
              checklist_version_id: own.version,
              variants: own.variants,
            },
          ],
    );
  });
}
