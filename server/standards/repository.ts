import type { Decision, Settings } from '@kritikos/contracts/standards';
import type { StationRecord } from '@kritikos/core/standards/setStandard';
import type { Database } from '../db/database.ts';

/**
 * One row a candidate and station with a submitted sheet: mean score and mean grade over the
 * sheets, and the critical failures that every one of them records.
 */
export async function stationRecords(
  db: Database,
  examinationId: string,
): Promise<(StationRecord & { station: string })[]> {
  const { rows } = await db.raw(
    `select h.station_id as station, h.candidate_id as candidate, avg(h.percent)::float8 as percent,
       avg(h.rating)::float8 as grade, min(h.critical_failures) as "criticalFailures"
     from sheet h join station s on s.id = h.station_id
     where s.examination_id = ? and h.submitted_at is not null
     group by h.station_id, h.candidate_id`,
    [examinationId],
  );
  return rows;
}

export async function countOutstanding(db: Database, examinationId: string): Promise<number> {
  const row = await db('sheet as h')
    .join('station as s', 's.id', 'h.station_id')
    .where('s.examination_id', examinationId)
    .whereNull('h.submitted_at')
    .count('* as n')
    .first();
  return Number(row?.n ?? 0);
}

export async function findDraft(
  db: Database,
  examinationId: string,
): Promise<Settings | undefined> {
  return (await db('standard_draft').where({ examination_id: examinationId }).first('settings'))
    ?.settings;
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

type Content = Omit<Decision, 'id' | 'number' | 'reason' | 'signedBy' | 'signedAt'>;

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
  },
): Promise<void> {
  const { id, examinationId, number, follows, content, reason, signedBy } = decision;
  await db('decision').insert({
    id,
    examination_id: examinationId,
    number,
    follows,
    content: JSON.stringify(content),
    reason,
    signed_by: signedBy,
  });
}

/** All decisions of an examination, the newest first. */
export async function listDecisions(db: Database, examinationId: string): Promise<Decision[]> {
  const rows = await decisions(db)
    .where('d.examination_id', examinationId)
    .orderBy('d.number', 'desc');
  return rows.map(decisionOf);
}

export async function findDecision(db: Database, id: string): Promise<Decision | undefined> {
  const row = await decisions(db).where('d.id', id).first();
  return row && decisionOf(row);
}

export async function newestDecision(
  db: Database,
  examinationId: string,
): Promise<Decision | undefined> {
  const row = await decisions(db)
    .where('d.examination_id', examinationId)
    .orderBy('d.number', 'desc')
    .first();
  return row && decisionOf(row);
}

function decisions(db: Database) {
  return db('decision as d')
    .join('account as a', 'a.id', 'd.signed_by')
    .select('d.id', 'd.number', 'd.content', 'd.reason', 'd.signed_at', 'a.name as signedBy');
}

function decisionOf(row: {
  id: string;
  number: number;
  content: Content;
  reason: string;
  signed_at: Date;
  signedBy: string;
}): Decision {
  const { id, number, content, reason, signedBy } = row;
  return { id, number, ...content, reason, signedBy, signedAt: row.signed_at.toISOString() };
}
