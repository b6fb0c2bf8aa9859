import type { MarkEvent } from '@kritikos/contracts/marking';
import type { SheetState } from '@kritikos/core/marking/sheetState';
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

/** A sheet with everything that is written of it. */
export interface WholeSheet {
  readonly sheet: string;
  readonly account: string;
  readonly checklistVersionId: string;
  readonly events: readonly MarkEvent[];
  readonly state: SheetState;
  /** Where it was submitted: what it scored, and what each of its items earned. */
  readonly scored: { readonly score: StoredScore; readonly kept: readonly KeptItem[] } | null;
}

/** Writes many untouched sheets: their streams, received when they were tapped, and what is on them. */
export async function insertWholeSheets(
  db: Database,
  sheets: readonly WholeSheet[],
): Promise<void> {
  await insertStreams(db, sheets);
  await insertMarks(db, sheets);
  await updateSheets(db, sheets);
  await insertItems(db, sheets);
}

async function insertStreams(db: Database, sheets: readonly WholeSheet[]): Promise<void> {
  const taps = sheets.flatMap(({ sheet, account, events }) =>
    events.map((event) => ({ ...event, sheet, account })),
  );
  await db.raw(
    `insert into mark_event (id, sheet_id, account_id, checklist_version_id, device, sequence, at,
       clock_ahead, happened_at, stands_at, received_at, body)
     select t.id, t.sheet, t.account, t."checklistVersionId", t.device, t.sequence, t.at, 0, t.at,
       t.at, t.at, t.body
     from jsonb_to_recordset(?) as t(id uuid, sheet uuid, account uuid, "checklistVersionId" uuid,
       device text, sequence integer, at timestamptz, body jsonb)`,
    [JSON.stringify(taps)],
  );
}

async function insertMarks(db: Database, sheets: readonly WholeSheet[]): Promise<void> {
  const marks = sheets.flatMap(({ sheet, state, events }) =>
    state.marks.map((mark) => {
      const tap = events.findLast((e) => e.body.type === 'mark' && e.body.item === mark.item);
      return { ...mark, sheet, event: tap?.id, at: new Date(mark.at).toISOString() };
    }),
  );
  await db.raw(
    `insert into sheet_mark (sheet_id, item, attempt, number_value, choice_value, observation,
       manner, prompted, by_fault, at, event_id)
     select m.sheet, m.item, m.attempt,
       case jsonb_typeof(m.value) when 'number' then m.value::numeric end,
       case jsonb_typeof(m.value) when 'string' then m.value #>> '{}' end,
       m.observation, m.manner, m.prompted, m."byFault", m.at, m.event
     from jsonb_to_recordset(?) as m(sheet uuid, item text, attempt smallint, value jsonb,
       observation text, manner text, prompted boolean, "byFault" text, at timestamptz,
       event uuid)`,
    [JSON.stringify(marks)],
  );
  const faults = sheets.flatMap(({ sheet, state }) =>
    state.faults.map((fault) => ({ sheet, fault })),
  );
  await db.raw(
    `insert into sheet_fault (sheet_id, fault)
     select f.sheet, f.fault from jsonb_to_recordset(?) as f(sheet uuid, fault text)`,
    [JSON.stringify(faults)],
  );
}

async function updateSheets(db: Database, sheets: readonly WholeSheet[]): Promise<void> {
  const texts = (list: string) =>
    `array(select jsonb_array_elements_text(k.score -> 'critical' -> '${list}'))`;
  const rows = sheets.map(({ sheet, state, events, scored }) => {
    const { variants, comment, rating, clock, safety, submittedAt } = state;
    const own = { variants, comment, rating, clock, safety, submittedAt };
    return { sheet, startedAt: events[0]?.at, score: scored?.score ?? null, ...own };
  });
  await db.raw(
    `update sheet h set started_at = k."startedAt", submitted_at = k."submittedAt",
       variants = k.variants, comment = k.comment, rating = k.rating, clock = k.clock,
       safety = k.safety, percent = (k.score ->> 'percent')::numeric,
       critical_missed = ${texts('missed')}, critical_met = ${texts('met')},
       critical_unseen = ${texts('unseen')},
       missing_marks = coalesce(jsonb_array_length(k.score -> 'unmarked'), 0), score = k.score
     from jsonb_to_recordset(?) as k(sheet uuid, "startedAt" timestamptz,
       "submittedAt" timestamptz, variants jsonb, comment text, rating integer, clock jsonb,
       safety jsonb, score jsonb)
     where h.id = k.sheet`,
    [JSON.stringify(rows)],
  );
}

async function insertItems(db: Database, sheets: readonly WholeSheet[]): Promise<void> {
  const items = sheets.flatMap(({ sheet, checklistVersionId, scored }) =>
    (scored?.kept ?? []).map((item) => ({ ...item, sheet, checklistVersionId })),
  );
  await db.raw(
    `insert into sheet_item (sheet_id, item, item_id, state, share, category)
     select k.sheet, k.item, c.item_id, k.state, k.share, k.category
     from jsonb_to_recordset(?) as k(sheet uuid, "checklistVersionId" uuid, item text, state text,
         share numeric, category text)
       join checklist_item c on c.version_id = k."checklistVersionId" and c.key = k.item`,
    [JSON.stringify(items)],
  );
}
