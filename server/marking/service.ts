import type { Account } from '@kritikos/contracts/accounts';
import type { ChecklistVersion } from '@kritikos/contracts/checklists';
import type {
  MarkEvent,
  MarkingProgress,
  Recorded,
  RecordEvents,
  Sheet,
  SheetRecord,
} from '@kritikos/contracts/marking';
import { whyNotMarkable } from '@kritikos/core/marking/checkMark';
import { withReadings } from '@kritikos/core/scoring/patientReadings';
import type { PatientReadings } from '@kritikos/core/scoring/patientReadings';
import { scoreSheet } from '@kritikos/core/scoring/scoreSheet';
import { findChecklistVersion } from '../checklists/service.ts';
import type { Database } from '../db/database.ts';
import { requireExamination } from '../examinations/service.ts';
import { conflict, HttpProblem, invalid, notAllowed, notFound } from '../http/problems.ts';
import * as marking from './repository.ts';
import type { LockedSheet, SheetRow } from './repository.ts';

/**
 * Writes an examiner's taps down, each exactly once. What is answered is on disk.
 *
 * Events that are there already are acknowledged without effect, also after submission, because
 * a device that lost the answer sends them again. A batch is taken whole or not at all.
 */
export async function recordEvents(
  db: Database,
  sheetId: string,
  batch: RecordEvents,
  examiner: Account,
): Promise<Recorded> {
  return db.transaction(async (trx) => {
    const sheet = await marking.lockSheet(trx, sheetId);
    if (!sheet) throw notFound('sheet');
    if (sheet.examinerId !== examiner.id) {
      throw notAllowed('This is another examiner’s sheet. Examiners mark and see only their own.');
    }
    const acknowledged = batch.events.map((event) => event.id);
    const closed = whyClosed(sheet, batch);
    if (closed) {
      if (!(await allKnown(trx, sheetId, batch.events))) throw closed;
      return { acknowledged, submittedAt: sheet.submittedAt?.toISOString() ?? null };
    }
    const checklist = await frozenChecklist(trx, sheet.checklistVersionId);
    checkEvents(batch.events, checklist, sheet);

    const fresh = await marking.insertEvents(trx, sheetId, batch.events);
    if (fresh.length < batch.events.length) await refuseImpostors(trx, sheetId, batch.events);
    if (sheet.startedAt === null) await marking.markStarted(trx, sheetId);
    for (const event of fresh) await marking.project(trx, sheetId, event);
    const submission = fresh.find((event) => event.body.type === 'submit');
    if (submission) await submit(trx, sheetId, submission, checklist);
    return { acknowledged, submittedAt: submission?.at ?? null };
  });
}

async function allKnown(
  db: Database,
  sheetId: string,
  events: readonly MarkEvent[],
): Promise<boolean> {
  const known = await marking.knownEvents(db, sheetId, events);
  return events.every((event) => known.some((k) => k.id === event.id && k.sheetId === sheetId));
}

/** An event that was not written must be the very one that is there, not another in its place. */
async function refuseImpostors(
  db: Database,
  sheetId: string,
  events: readonly MarkEvent[],
): Promise<void> {
  const known = await marking.knownEvents(db, sheetId, events);
  const errors = events.flatMap((event, i) => {
    const same = known.find((k) => k.id === event.id);
    if (same?.sheetId === sheetId) return [];
    const detail = same
      ? 'has the id of an event on another sheet'
      : 'has the place (device and sequence) of another event';
    return [{ pointer: `/events/${i}`, detail }];
  });
  if (errors.length > 0) throw invalid(errors, 'Some marks cannot be taken');
}

function whyClosed(sheet: LockedSheet, batch: RecordEvents): HttpProblem | null {
  if (sheet.submittedAt) {
    return new HttpProblem(
      409,
      'already-submitted',
      'This sheet is submitted',
      'Submitted marks stand. If one is wrong, tell the lead, who can see the sheet and its history.',
    );
  }
  if (sheet.checklistVersionId !== batch.checklistVersionId) {
    return new HttpProblem(
      409,
      'stale-checklist',
      'The checklist of this station has changed',
      'Reload the sheet to get the version in use. What was tapped stays on this device until then.',
    );
  }
  if (!sheet.markingOpen && sheet.startedAt === null) {
    return conflict(
      'Marking is not open',
      'The lead opens it; sheets under way can still be finished.',
    );
  }
  return null;
}

/** Names every event of the batch that cannot stand, by its place in the batch. */
function checkEvents(
  events: readonly MarkEvent[],
  { content }: ChecklistVersion,
  sheet: LockedSheet,
): void {
  const errors: { pointer: string; detail: string }[] = [];
  let rated = sheet.rating !== null || sheet.safetyEvents > 0;
  let submitted = false;
  for (const [i, event] of events.entries()) {
    const { body } = event;
    const at = `/events/${i}/body`;
    const complain = (field: string, detail: string) =>
      errors.push({ pointer: `${at}/${field}`, detail });
    if (submitted) complain('type', 'comes after the submission');
    if (body.type === 'mark' || body.type === 'clear') {
      const item = content.items.find((i) => i.key === body.item);
      if (!item) complain('item', `is not on this checklist: ${body.item}`);
      else if (body.type === 'mark') {
        const why = whyNotMarkable(item, body.value, body.observation);
        if (why) complain('value', why);
      }
    } else if (body.type === 'fault' && !content.faults.some((f) => f.key === body.fault)) {
      complain('fault', `is not on this checklist: ${body.fault}`);
    } else if (body.type === 'variant' && !content.variants.some((v) => v.key === body.variant)) {
      complain('variant', `is not a variant of this procedure: ${body.variant}`);
    }
    if (body.type === 'rating' || body.type === 'safety') rated = true;
    if (body.type === 'submit') {
      submitted = true;
      if (!rated)
        complain(
          'type',
          'needs the overall grade first; borderline regression cannot do without it',
        );
    }
  }
  if (errors.length > 0) throw invalid(errors, 'Some marks cannot be taken');
}

async function submit(
  db: Database,
  sheetId: string,
  submission: MarkEvent,
  { content }: ChecklistVersion,
): Promise<void> {
  const now = await marking.findSheet(db, sheetId);
  const { marks } = await marking.marksAndFaults(db, sheetId);
  const items = withReadings(content.items, now?.patientReadings ?? {});
  const score = scoreSheet(items, marks, now?.variant ?? null);
  await marking.markSubmitted(db, sheetId, submission.at, score);
}

// A version is never edited, so what was read once stays true for as long as the server runs.
const checklists = new Map<string, ChecklistVersion>();
const MOST_CACHED = 500;

async function frozenChecklist(db: Database, id: string): Promise<ChecklistVersion> {
  const known = checklists.get(id);
  if (known) return known;
  const version = await findChecklistVersion(db, id);
  if (checklists.size >= MOST_CACHED) checklists.clear();
  checklists.set(id, version);
  return version;
}

/** The sheet as its own examiner sees it. */
export async function openOwnSheet(db: Database, id: string, examiner: Account): Promise<Sheet> {
  const row = await requireSheet(db, id);
  if (row.examinerId !== examiner.id) {
    throw notAllowed('This is another examiner’s sheet. Examiners mark and see only their own.');
  }
  return describeSheet(db, row);
}

/** The sheet with its whole history, for the lead: moderation and appeals begin here. */
export async function readRecord(db: Database, id: string): Promise<SheetRecord> {
  const row = await requireSheet(db, id);
  return {
    sheet: await describeSheet(db, row),
    percent: row.percent,
    events: await marking.listEvents(db, id),
  };
}

export async function requireSheet(db: Database, id: string): Promise<SheetRow> {
  const row = await marking.findSheet(db, id);
  if (!row) throw notFound('sheet');
  return row;
}

export async function describeSheet(db: Database, row: SheetRow): Promise<Sheet> {
  const { marks, faults } = await marking.marksAndFaults(db, row.id);
  const { id, stationId, station, position, minutes, examinationTitle, candidateNumber, examiner } =
    row;
  return {
    id,
    stationId,
    station,
    position,
    minutes,
    examinationTitle,
    candidateNumber,
    examiner,
    checklist: withPatient(await frozenChecklist(db, row.checklistVersionId), row.patientReadings),
    state: {
      marks,
      faults,
      variant: row.variant,
      comment: row.comment,
      rating: row.rating,
      clock: row.clock,
      safetyEvents: row.safetyEvents,
      submittedAt: row.submittedAt?.toISOString() ?? null,
    },
  };
}

/** The checklist as it holds for the person who plays the patient at this station. */
function withPatient(checklist: ChecklistVersion, readings: PatientReadings): ChecklistVersion {
  if (Object.keys(readings).length === 0) return checklist;
  const items = withReadings(checklist.content.items, readings);
  return { ...checklist, content: { ...checklist.content, items } };
}

/** How the day is going, and which sheets want a look. */
export async function followMarking(db: Database, examinationId: string): Promise<MarkingProgress> {
  const examination = await requireExamination(db, examinationId);
  return {
    open: examination.markingOpenedAt !== null,
    stations: await marking.progressRows(db, examinationId),
    attention: await marking.attentionRows(db, examinationId),
  };
}
