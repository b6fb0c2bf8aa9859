import type { MarkEvent } from '@kritikos/contracts/marking';
import type { KeptItem } from '@kritikos/core/scoring/keptItems';
import type { StoredScore } from '../marking/repository.ts';
import type { Database } from '../db/database.ts';

export interface EmptySheet {
  readonly id: string;
  readonly candidateNumber: number;
  readonly examinerId: string;
  readonly examiner: string;
}

/** The sheets of one station in the order of candidates and examiners. */
export async function sheetsOfStation(db: Database, stationId: string): Promise<EmptySheet[]> {
  const { rows } = await db.raw(
    `select h.id, c.number as "candidateNumber", a.id as "examinerId", a.name as examiner
     from sheet h join candidate c on c.id = h.candidate_id join account a on a.id = h.examiner_id
     where h.station_id = ? order by c.number, a.name`,
    [stationId],
  );
  return rows;
}

export interface SheetTaps {
  readonly sheet: string;
  readonly account: string;
  readonly events: readonly MarkEvent[];
}

/**
 * Writes the streams of many untouched sheets, received when they were tapped, and makes every
 * sheet of its stream as the database does when taps come in another order.
 */
export async function insertStreams(db: Database, sheets: readonly SheetTaps[]): Promise<void> {
  const taps = sheets.flatMap(({ sheet, account, events }) =>
    events.map((event) => ({ ...event, sheet, account })),
  );
  await db.raw(
    `insert into mark_event (id, sheet_id, account_id, checklist_version_id, device, sequence, at,
       clock_ahead, happened_at, received_at, body)
     select t.id, t.sheet, t.account, t."checklistVersionId", t.device, t.sequence, t.at, 0, t.at,
       t.at, t.body
     from jsonb_to_recordset(?) as t(id uuid, sheet uuid, account uuid, "checklistVersionId" uuid,
       device text, sequence integer, at timestamptz, body jsonb)`,
    [JSON.stringify(taps)],
  );
  const ids = sheets.map(({ sheet }) => sheet);
  await db.raw('select read_off_stream(id) from unnest(?::uuid[]) id', [ids]);
  await db.raw(
    `update sheet h set started_at = (select min(e.happened_at) from mark_event e
       where e.sheet_id = h.id) where h.id = any(?)`,
    [ids],
  );
}

export interface ScoredSheet {
  readonly sheet: string;
  readonly submittedAt: string;
  readonly checklistVersionId: string;
  readonly score: StoredScore;
  readonly kept: readonly KeptItem[];
}

/** Writes down what many submitted sheets scored and what each of their items earned. */
export async function insertScores(db: Database, sheets: readonly ScoredSheet[]): Promise<void> {
  const items = sheets.flatMap(({ sheet, checklistVersionId, kept }) =>
    kept.map((item) => ({ ...item, sheet, checklistVersionId })),
  );
  await db.raw(
    `insert into sheet_item (sheet_id, item, item_id, state, share, category)
     select k.sheet, k.item, c.item_id, k.state, k.share, k.category
     from jsonb_to_recordset(?) as k(sheet uuid, "checklistVersionId" uuid, item text, state text,
         share numeric, category text)
       join checklist_item c on c.version_id = k."checklistVersionId" and c.key = k.item`,
    [JSON.stringify(items)],
  );
  const texts = (list: string) =>
    `array(select jsonb_array_elements_text(k.score -> 'critical' -> '${list}'))`;
  await db.raw(
    `update sheet h set submitted_at = k."submittedAt", percent = (k.score ->> 'percent')::numeric,
       critical_missed = ${texts('missed')}, critical_met = ${texts('met')},
       critical_unseen = ${texts('unseen')},
       missing_marks = jsonb_array_length(k.score -> 'unmarked'), score = k.score
     from jsonb_to_recordset(?) as k(sheet uuid, "submittedAt" timestamptz, score jsonb)
     where h.id = k.sheet`,
    [
      JSON.stringify(
        sheets.map(({ sheet, submittedAt, score }) => ({ sheet, submittedAt, score })),
      ),
    ],
  );
}
