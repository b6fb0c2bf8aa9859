import type { Decision, DecisionSummary, Release, Settings } from '@kritikos/contracts/standards';
import { groupBy } from '@kritikos/core/numerics/groupBy';
import type { MarkColumns } from '@kritikos/core/standards/markColumns';
import { partPercents, RULE_PARTS } from '@kritikos/core/standards/partPercents';
import type { PartPercents, PartSums } from '@kritikos/core/standards/partPercents';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';

/** The submitted sheets of these stations that the viewer may read; `knownTo` a decision, where named. */
const KNOWN = `known as not materialized (
    select h.* from sheet h join station s on s.id = h.station_id
    where s.id = any(:stations) and ${readBy('s.examination_id')} and h.submitted_at is not null
      and (:knownTo::uuid is null or exists (select from decision_sheet d
        where d.sheet_id = h.id and d.decision_id = :knownTo)))`;

/**
 * The marks of stations in columns, a place for each candidate in the order of their numbers: mean
 * score and mean grade over the submitted sheets, and the critical items that somebody missed or
 * nobody observed. With `knownTo` only the sheets that the decision knew.
 */
export async function markColumns(
  db: Database,
  { examinationId, stations }: { examinationId: string; stations: readonly string[] },
  viewer: string,
  knownTo: string | null = null,
): Promise<Map<string, MarkColumns>> {
  const bound = { examinationId, stations: [...stations], viewer, knownTo };
  const people = `people as (
    select id as candidate_id, row_number() over (order by number) - 1 as place
    from candidate where examination_id = :examinationId)`;
  // One line of text a station: the driver reads it in a tenth of the time of as many rows.
  const { rows: means } = await db.raw(
    `with ${KNOWN}, ${people},
     means as (
       select station_id, candidate_id, avg(percent::float8) as percent, avg(rating::float8) as grade
       from known group by station_id, candidate_id)
     select station_id as station, string_agg(concat(place, ',', percent, ',', grade), ' ') as marks
     from means join people using (candidate_id) group by station_id`,
    bound,
  );
  const { rows: critical } = await db.raw(
    `with ${KNOWN}, ${people},
     suspect as (
       select distinct station_id, candidate_id from known
       where critical_missed <> '{}' or critical_unseen <> '{}'),
     suspected as (select k.* from known k join suspect using (station_id, candidate_id)),
     critical as (${criticalCounts('suspected')})
     select station_id as station, place, counts from critical join people using (candidate_id)
     order by place`,
    bound,
  );
  const everybody = await db('candidate').where({ examination_id: examinationId }).count('* as n');
  const length = Number(everybody[0]?.n ?? 0);
  return new Map(
    means.map(({ station, marks }: { station: string; marks: string }) => [
      station,
      columnsOf(
        marks,
        length,
        critical.filter((one: { station: string }) => one.station === station),
      ),
    ]),
  );
}

/**
 * What each candidate earned part by part over the submitted sheets, by the candidate's id; with
 * `knownTo` only over the sheets that the decision knew.
 */
export async function candidateParts(
  db: Database,
  examinationId: string,
  viewer: string,
  knownTo: string | null = null,
): Promise<Map<string, PartPercents>> {
  // One line of text a candidate: the driver reads it in a tenth of the time of as many arrays.
  const { rows } = await db.raw(
    `select h.candidate_id as candidate,
       string_agg(concat(h.station_id, ',', array_to_string(h.part_sums, ',')), ' ') as sheets
     from sheet h join station s on s.id = h.station_id
     where s.examination_id = :examinationId and ${readBy('s.examination_id')}
       and h.submitted_at is not null and h.part_sums is not null
       and (:knownTo::uuid is null or exists (select from decision_sheet d
         where d.sheet_id = h.id and d.decision_id = :knownTo))
     group by h.candidate_id`,
    { examinationId, viewer, knownTo },
  );
  return new Map(
    rows.map(({ candidate, sheets }: { candidate: string; sheets: string }) => {
      const byStation = groupBy(sheets.split(' '), (sheet) => sheet.slice(0, sheet.indexOf(',')));
      const sums = [...byStation.values()].map((own) => own.map(partSumsOf));
      return [candidate, partPercents(sums)] as const;
    }),
  );
}

/** "station,earned,possible,earned,possible" in the order of the parts. */
function partSumsOf(sheet: string): PartSums {
  const [, ...weights] = sheet.split(',');
  return RULE_PARTS.map((_, i) => ({
    earned: Number(weights[2 * i] ?? 0),
    possible: Number(weights[2 * i + 1] ?? 0),
  }));
}

function columnsOf(
  marks: string,
  length: number,
  critical: readonly MarkColumns['critical'][number][],
): MarkColumns {
  const percents = Array<number | null>(length).fill(null);
  const grades = Array<number | null>(length).fill(null);
  for (const mark of marks.split(' ')) {
    const [place = '', percent, grade] = mark.split(',');
    percents[Number(place)] = percent ? Number(percent) : null;
    grades[Number(place)] = grade ? Number(grade) : null;
  }
  return { percents, grades, critical: critical.map(({ place, counts }) => ({ place, counts })) };
}

/**
 * A query over sheets that counts, for every candidate and station, who observed and who missed
 * each critical item; items that everybody met are left out, because they decide nothing.
 */
export function criticalCounts(sheets: string): string {
  return `select station_id, candidate_id, jsonb_agg(jsonb_build_object(
      'item', item, 'observed', observed, 'missed', missed) order by item) as counts
    from (
      select h.station_id, h.candidate_id, v.item, count(*) filter (where v.seen) as observed,
        count(*) filter (where v.missed) as missed
      from ${sheets} h cross join lateral (
        select unnest(h.critical_missed) as item, true as seen, true as missed
        union all select unnest(h.critical_met), true, false
        union all select unnest(h.critical_unseen), false, false) v
      group by h.station_id, h.candidate_id, v.item) counted
    where missed > 0 or observed = 0
    group by station_id, candidate_id`;
}

export async function countOutstanding(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<number> {
  const row = await db('sheet as h')
    .join('station as s', 's.id', 'h.station_id')
    .where('s.examination_id', examinationId)
    .whereRaw(readBy('s.examination_id'), { viewer })
    .whereNull('h.submitted_at')
    .count('* as n')
    .first();
  return Number(row?.n ?? 0);
}

/** How many submitted sheets a decision does not know. */
export async function countSubmittedSince(
  db: Database,
  decisionId: string,
  viewer: string,
): Promise<number> {
  const { rows } = await db.raw(
    `select count(*) as n from decision d
       join station s on s.examination_id = d.examination_id
       join sheet h on h.station_id = s.id
     where d.id = :decisionId and ${readBy('d.examination_id')} and h.submitted_at is not null
       and not exists (select from decision_sheet k
         where k.decision_id = d.id and k.sheet_id = h.id)`,
    { decisionId, viewer },
  );
  return rows[0].n;
}

export async function findDraft(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<Settings | undefined> {
  const row = await db('standard_draft')
    .where({ examination_id: examinationId })
    .whereRaw(readBy('standard_draft.examination_id'), { viewer })
    .first('settings');
  return row?.settings;
}

export async function saveDraft(
  db: Database,
  examinationId: string,
  settings: Settings,
): Promise<void> {
  await db('standard_draft')
    .insert({
      examination_id: examinationId,
      settings: JSON.stringify(settings),
      updated_at: db.fn.now(),
    })
    .onConflict('examination_id')
    .merge();
}

type Signature = 'id' | 'number' | 'reason' | 'signedBy' | 'signedAt';
type SignedNow = Extract<Decision, { schema: 7 }>;
export type Content = Omit<SignedNow, Signature>;

export async function insertDecision(
  db: Database,
  decision: {
    id: string;
    examinationId: string;
    number: number;
    follows: string | null;
    content: Content;
    reason: string;
    signedBy: string;
    /** The submitted sheets that it was computed from. */
    sheets: readonly string[];
  },
): Promise<void> {
  const { id, examinationId, number, follows, content, reason, signedBy, sheets } = decision;
  await db('decision').insert({
    id,
    examination_id: examinationId,
    number,
    follows,
    content: JSON.stringify(content),
    reason,
    signed_by: signedBy,
  });
  await db.raw('insert into decision_sheet select ?, unnest(?::uuid[])', [id, [...sheets]]);
}

/** The sheets of an examination that are submitted. */
export async function submittedSheets(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<string[]> {
  return db('sheet as h')
    .join('station as s', 's.id', 'h.station_id')
    .where('s.examination_id', examinationId)
    .whereRaw(readBy('s.examination_id'), { viewer })
    .whereNotNull('h.submitted_at')
    .pluck('h.id');
}

/** The examination that a decision belongs to. */
export async function examinationOf(db: Database, decisionId: string): Promise<string> {
  const row = await db('decision').where({ id: decisionId }).first('examination_id');
  return row.examination_id;
}

export async function findRelease(
  db: Database,
  decisionId: string,
  viewer: string,
): Promise<Release | null> {
  const row = await db('release as r')
    .join('decision as d', 'd.id', 'r.decision_id')
    .join('account as a', 'a.id', 'r.released_by')
    .where('r.decision_id', decisionId)
    .whereRaw(readBy('d.examination_id'), { viewer })
    .first('r.released_at', 'a.name');
  return row ? { releasedAt: row.released_at.toISOString(), releasedBy: row.name } : null;
}

/** Releases a decision, once. */
export async function insertRelease(db: Database, decisionId: string, by: string): Promise<void> {
  await db('release')
    .insert({ decision_id: decisionId, released_by: by })
    .onConflict('decision_id')
    .ignore();
}

/**
 * All decisions of an examination, the newest first, with their counts; thousands of single outcomes
 * stay behind.
 */
export async function listDecisions(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<DecisionSummary[]> {
  const rows = await decisions(db, viewer, `d.content - 'outcomes'`)
    .where('d.examination_id', examinationId)
    .orderBy('d.number', 'desc');
  return rows.map(decisionOf);
}

export async function findDecision(
  db: Database,
  id: string,
  viewer: string,
): Promise<Decision | undefined> {
  const row = await decisions(db, viewer).where('d.id', id).first();
  return row && decisionOf(row);
}

export async function newestDecision(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<Decision | undefined> {
  const row = await decisions(db, viewer)
    .where('d.examination_id', examinationId)
    .orderBy('d.number', 'desc')
    .first();
  return row && decisionOf(row);
}

function decisions(db: Database, viewer: string, content = 'd.content') {
  return db('decision as d')
    .whereRaw(readBy('d.examination_id'), { viewer })
    .join('account as a', 'a.id', 'd.signed_by')
    .select('d.id', 'd.number', 'd.reason', 'd.signed_at', 'a.name as signedBy')
    .select(db.raw(`${content} as content`));
}

function decisionOf(row: {
  id: string;
  number: number;
  content: Omit<Decision, Signature>;
  reason: string;
  signed_at: Date;
  signedBy: string;
}): Decision {
  const { id, number, content, reason, signedBy } = row;
  const signature = { id, number, reason, signedBy, signedAt: row.signed_at.toISOString() };
  // The first decisions were signed before there was a second schema, and do not name theirs.
  return { ...signature, ...content, schema: content.schema ?? 1 } as Decision;
}
