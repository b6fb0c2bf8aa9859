import type { Account } from '@kritikos/contracts/accounts';
import type { ChecklistVersion } from '@kritikos/contracts/checklists';
import type { MarkingProgress, Sheet, SheetRecord } from '@kritikos/contracts/marking';
import { withReadings } from '@kritikos/core/scoring/patientReadings';
import type { PatientReadings } from '@kritikos/core/scoring/patientReadings';
import { inSnapshot } from '../db/database.ts';
import type { Database } from '../db/database.ts';
import { requireExamination } from '../examinations/service.ts';
import { notFound } from '../http/problems.ts';
import { frozenChecklist } from './frozenChecklist.ts';
import { attentionRows, progressRows } from './progressRepository.ts';
import * as marking from './repository.ts';
import type { SheetRow } from './repository.ts';

/** The sheet as its own examiner sees it. */
export async function openOwnSheet(db: Database, id: string, examiner: Account): Promise<Sheet> {
  return inSnapshot(db, async (trx) => {
    const row = await requireSheet(trx, id, examiner);
    if (row.examinerId !== examiner.id) throw notFound('sheet');
    return describeSheet(trx, row);
  });
}

/** The sheet with its whole history, for the lead: moderation and appeals begin here. */
export async function readRecord(db: Database, id: string, viewer: Account): Promise<SheetRecord> {
  return inSnapshot(db, async (trx) => {
    const row = await requireSheet(trx, id, viewer);
    return {
      sheet: await describeSheet(trx, row),
      percent: row.percent,
      events: await marking.listEvents(trx, row),
    };
  });
}

export async function requireSheet(db: Database, id: string, viewer: Account): Promise<SheetRow> {
  const row = await marking.findSheet(db, id, viewer.id);
  if (!row) throw notFound('sheet');
  return row;
}

/**
 * A sheet with what is on it. Call it in a snapshot: the taps that it names must be the taps that
 * its state was made of.
 */
export async function describeSheet(db: Database, row: SheetRow): Promise<Sheet> {
  const { marks, faults } = await marking.marksAndFaults(db, row);
  const { stamp, tapped } = await marking.tapsOf(db, row);
  const { id, stationId, station, position, minutes, warningSeconds } = row;
  const { examinationTitle, candidateNumber, examiner } = row;
  return {
    id,
    stationId,
    station,
    position,
    minutes,
    warningSeconds,
    examinationTitle,
    candidateNumber,
    examiner,
    checklist: withPatient(await frozenChecklist(db, row.checklistVersionId), row.patientReadings),
    state: {
      marks,
      faults,
      variants: row.variants,
      comment: row.comment,
      rating: row.rating,
      clock: row.clock,
      safetyEvents: row.safetyEvents,
      submittedAt: row.submittedAt?.toISOString() ?? null,
    },
    stamp,
    tapped,
  };
}

/** The checklist as it holds for the person who plays the patient at this station. */
function withPatient(checklist: ChecklistVersion, readings: PatientReadings): ChecklistVersion {
  if (Object.keys(readings).length === 0) return checklist;
  const items = withReadings(checklist.content.items, readings);
  return { ...checklist, content: { ...checklist.content, items } };
}

/** How the day is going, and which sheets want a look. */
export async function followMarking(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<MarkingProgress> {
  const examination = await requireExamination(db, examinationId, viewer);
  return {
    open: examination.markingOpen,
    stations: await progressRows(db, examinationId, viewer.id),
    attention: await attentionRows(db, examinationId, viewer.id),
  };
}
