import type { Account } from '@kritikos/contracts/accounts';
import type { Planned, Station } from '@kritikos/contracts/examinations';
import { recordAction } from '../audit/repository.ts';
import { usualVariants } from '@kritikos/core/scoring/checklist';
import type { SeenVariants } from '@kritikos/core/scoring/checklist';
import { findChecklistVersion } from '../checklists/service.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { conflict } from '../http/problems.ts';
import { candidateNumbers } from './candidateRepository.ts';
import * as plans from './planRepository.ts';
import { listStations } from './stationRepository.ts';
import type { PlannedSheet } from './planRepository.ts';
import { holdExamination } from './service.ts';

/**
 * Plans who marks whom: a sheet for every candidate of an examiner’s circuit and first examiner,
 * and for every n-th candidate with a second one. The n-th begins elsewhere at each station, so that
 * over the examination most candidates are double-marked somewhere and the examiners stay connected.
 *
 * Who is absent or has withdrawn is planned no sheet. Planning again adds what is missing and removes what the plan no longer wants. A sheet with a tap
 * on it stays, wanted or not. What is answered is what is there now.
 */
export async function planSheets(
  db: Database,
  examinationId: string,
  lead: Account,
): Promise<Planned> {
  return db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    if (
      await trx('timetable')
        .where({ examination_id: examinationId, state: 'published' })
        .first('id')
    ) {
      throw conflict(
        'The sheets follow from the timetable',
        'One is published. Change who marks whom there, and publish it again.',
      );
    }
    const stations = await listStations(trx, examinationId, lead.id);
    const candidates = (await candidateNumbers(trx, examinationId, lead.id)).filter(
      ({ state }) => state === 'expected',
    );
    const unstaffed = stations.filter((s) => s.examiners.length === 0).map((s) => s.position);
    if (stations.length === 0 || candidates.length === 0 || unstaffed.length > 0) {
      throw conflict(
        'The sheets cannot be planned yet',
        unstaffed.length > 0
          ? `Station ${unstaffed.join(', ')} has no examiner.`
          : 'Add stations and import candidates first.',
      );
    }
    const wanted: PlannedSheet[] = [];
    for (const station of stations) {
      const { content } = await findChecklistVersion(trx, station.checklistVersionId);
      wanted.push(...sheetsOf(station, candidates, usualVariants(content)));
    }
    const removed = await plans.removeUnplannedSheets(trx, examinationId, wanted);
    const added = await plans.insertPlannedSheets(trx, wanted);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'sheets planned',
      subject: examinationId,
      detail: { added, removed },
    });
    const present = await plans.countPlanned(trx, examinationId);
    return { ...present, added, removed, unplanned: present.sheets - wanted.length };
  });
}

/** The sheets that a station's examiners are to fill in. */
function sheetsOf(
  { id, position, checklistVersionId, examiners }: Station,
  candidates: readonly { id: string; circuit: string }[],
  variants: SeenVariants,
): PlannedSheet[] {
  return examiners.flatMap(({ accountId, every, circuit }) =>
    candidates
      .filter((candidate) => circuit === null || candidate.circuit === circuit)
      .filter((_, i) => i % every === (position - 1) % every)
      .map((candidate) => ({
        id: newId(),
        station_id: id,
        candidate_id: candidate.id,
        examiner_id: accountId,
        checklist_version_id: checklistVersionId,
        variants: JSON.stringify(variants),
      })),
  );
}
