import type { Account } from '@kritikos/contracts/accounts';
import type { ChecklistVersion } from '@kritikos/contracts/checklists';
import type { MarkingProgress, Reopening, Sheet, SheetRecord } from '@kritikos/contracts/marking';
import { withReadings } from '@kritikos/core/scoring/patientReadings';
import type { PatientReadings } from '@kritikos/core/scoring/patientReadings';
import { inSnapshot } from '../db/database.ts';
import type { Database } from '../db/database.ts';
import { requireExamination } from '../examinations/service.ts';
import { recordAction } from '../audit/repository.ts';
import { conflict, notFound } from '../http/problems.ts';
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

/**
 * Puts a submitted sheet back into its examiner's hand. What it scored stays with the reopening; a
 * sheet that a decision knows stays as it was signed.
 */
export async function reopenSheet(
  db: Database,
  id: string,
  reason: string,
  lead: Account,
): Promise<SheetRecord> {
  await db.transaction(async (trx) => {
    await requireSheet(trx, id, lead);
    const outcome = await marking.reopen(trx, id, reason, lead.id);
    if (outcome === 'not-submitted') {
      throw conflict(
        'The sheet is not submitted',
        'It is in its examiner’s hand already, and can be marked there.',
      );
    }
    if (outcome === 'decided') {
      throw conflict(
        'A signed decision knows this sheet',
        'What was signed stays as it was. Say in the reason of a new decision what is to be seen otherwise.',
      );
    }
    await recordAction(trx, {
      accountId: lead.id,
      action: 'sheet reopened',
      subject: id,
      detail: { reason },
    });
  });
  return readRecord(db, id, lead);
}

/** The sheet with its whole history, for the lead: moderation and appeals begin here. */
export async function readRecord(db: Database, id: string, viewer: Account): Promise<SheetRecord> {
  return inSnapshot(db, async (trx) => {
    const row = await requireSheet(trx, id, viewer);
    return {
      sheet: await describeSheet(trx, row),
      percent: row.percent,
      reopenings: await marking.listReopenings(trx, row),
      reopenable: row.submittedAt !== null && !(await marking.isDecided(trx, row)),
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
      safety: row.safety,
      submittedAt: row.submittedAt?.toISOString() ?? null,
    },
    reopened: row.submittedAt === null ? await newestReopening(db, row) : null,
    stamp,
    tapped,
  };
}

async function newestReopening(db: Database, row: SheetRow): Promise<Reopening | null> {
  return (await marking.listReopenings(db, row)).at(-1) ?? null;
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
