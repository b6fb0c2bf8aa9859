import type { PlanSummary, Timetable, TimetableWish } from '@kritikos/contracts/timetable';
import type { RandomGenerator } from '@kritikos/core/numerics/random';
import type { Database } from '../db/database.ts';
import { ledBy, readBy } from '../examinations/leads.ts';

export async function findWish(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<TimetableWish | undefined> {
  const row = await db('timetable_wish')
    .where({ examination_id: examinationId })
    .whereRaw(readBy('timetable_wish.examination_id'), { viewer })
    .first('wish');
  return row?.wish;
}

export async function keepWish(
  trx: Database,
  examinationId: string,
  wish: TimetableWish,
  by: string,
): Promise<void> {
  await trx('timetable_wish')
    .insert({
      examination_id: examinationId,
      wish: JSON.stringify(wish),
      updated_by: by,
      updated_at: trx.fn.now(),
    })
    .onConflict('examination_id')
    .merge();
}

/** The instants of sessions that are said as times on the wall, in minutes since 1970. */
export async function minutesOf(
  db: Database,
  sessions: TimetableWish['sessions'],
  zone: string,
): Promise<{ start: number; end: number }[]> {
  const { rows } = await db.raw(
    `select extract(epoch from ((s ->> 'date') || ' ' || (s ->> 'from'))::timestamp at time zone :zone)
         ::double precision / 60 as start,
       extract(epoch from ((s ->> 'date') || ' ' || (s ->> 'until'))::timestamp at time zone :zone)
         ::double precision / 60 as end
     from jsonb_array_elements(:sessions::jsonb) with ordinality e(s, o) order by o`,
    { sessions: JSON.stringify(sessions), zone },
  );
  return rows.map((row: { start: number; end: number }) => ({
    start: Number(row.start),
    end: Number(row.end),
  }));
}

interface SummaryRow extends Omit<PlanSummary, 'madeAt' | 'publishedAt' | 'replannedAt'> {
  readonly madeAt: Date;
  readonly publishedAt: Date | null;
  readonly replannedAt: Date | null;
}

const SUMMARY = `select t.id, t.number, t.state, t.wish, a.name as "madeBy", t.made_at as "madeAt",
    t.published_at as "publishedAt", t.replanned_at as "replannedAt", f.number as follows, t.seed,
    t.bound, t.length, t.unmet, t.precision, t.generator, t.revision
  from timetable t join account a on a.id = t.made_by left join timetable f on f.id = t.follows`;

function summaryOf({ madeAt, publishedAt, replannedAt, ...row }: SummaryRow): PlanSummary {
  return {
    ...row,
    madeAt: madeAt.toISOString(),
    publishedAt: publishedAt?.toISOString() ?? null,
    replannedAt: replannedAt?.toISOString() ?? null,
  };
}

export async function listPlans(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<PlanSummary[]> {
  const { rows } = await db.raw(
    `${SUMMARY} where t.examination_id = :examinationId and t.state <> 'dropped'
       and ${readBy('t.examination_id')} order by t.number desc`,
    { examinationId, viewer },
  );
  return rows.map(summaryOf);
}

export async function findPlan(
  db: Database,
  examinationId: string,
  id: string,
  viewer: string,
): Promise<PlanSummary | undefined> {
  const { rows } = await db.raw(
    `${SUMMARY} where t.id = :id and t.examination_id = :examinationId and t.state <> 'dropped'
       and ${readBy('t.examination_id')}`,
    { id, examinationId, viewer },
  );
  return rows[0] && summaryOf(rows[0]);
}

/** Holds a plan as it stands while this transaction changes it. */
export async function lockPlan(
  trx: Database,
  examinationId: string,
  id: string,
  lead: string,
): Promise<{ state: PlanSummary['state']; revision: number } | undefined> {
  return trx('timetable')
    .where({ id, examination_id: examinationId })
    .whereRaw(ledBy('timetable.examination_id'), { viewer: lead })
    .forUpdate()
    .first('state', 'revision');
}

export interface NewPlan {
  readonly id: string;
  readonly examinationId: string;
  readonly wish: TimetableWish;
  readonly follows: { readonly id: string; readonly at: Date } | null;
  readonly seed: number;
  readonly bound: number;
  readonly length: number;
  readonly unmet: readonly unknown[];
  readonly precision: unknown;
  /** What the simulations behind the precision were drawn from. */
  readonly generator: RandomGenerator;
  readonly madeBy: string;
}

/** A draft takes the place of the one before it; a published plan stays. */
export async function insertPlan(trx: Database, plan: NewPlan): Promise<void> {
  await trx('timetable')
    .where({ examination_id: plan.examinationId, state: 'draft' })
    .update({ state: 'dropped' });
  await trx.raw(
    `insert into timetable (id, examination_id, number, state, wish, follows, replanned_at, seed,
       bound, length, unmet, precision, generator, made_by)
     select :id, :examinationId, coalesce(max(number), 0) + 1, 'draft', :wish, :follows, :at, :seed,
       :bound, :length, :unmet, :precision, :generator, :madeBy
     from timetable where examination_id = :examinationId`,
    {
      ...plan,
      wish: JSON.stringify(plan.wish),
      follows: plan.follows?.id ?? null,
      at: plan.follows?.at ?? null,
      unmet: JSON.stringify(plan.unmet),
      precision: plan.precision === null ? null : JSON.stringify(plan.precision),
    },
  );
}

export async function setRevision(trx: Database, id: string, revision: number): Promise<void> {
  await trx('timetable').where({ id }).update({ revision });
}

export async function dropPlan(trx: Database, id: string): Promise<void> {
  await trx('timetable').where({ id }).update({ state: 'dropped' });
}

/** The plan is the one from now on; the one that was is superseded. */
export async function setPublished(
  trx: Database,
  examinationId: string,
  id: string,
  by: string,
): Promise<void> {
  await trx('timetable')
    .where({ examination_id: examinationId, state: 'published' })
    .update({ state: 'superseded' });
  await trx('timetable')
    .where({ id })
    .update({ state: 'published', published_at: trx.fn.now(), published_by: by });
}

export async function insertChange(
  trx: Database,
  change: {
    readonly timetableId: string;
    readonly revision: number;
    readonly words: string;
    readonly before: readonly unknown[];
    readonly after: readonly unknown[];
    readonly undoes: number | null;
    readonly madeBy: string;
  },
): Promise<void> {
  await trx('timetable_change').insert({
    timetable_id: change.timetableId,
    revision: change.revision,
    words: change.words,
    before: JSON.stringify(change.before),
    after: JSON.stringify(change.after),
    undoes: change.undoes,
    made_by: change.madeBy,
  });
}

export interface StandingChange<Slot> {
  readonly revision: number;
  readonly words: string;
  readonly by: string;
  readonly before: Slot[];
  readonly after: Slot[];
}

/** Changes that are not undone and undo nothing, the newest first. */
export async function standingChanges<Slot>(
  db: Database,
  timetableId: string,
): Promise<StandingChange<Slot>[]> {
  return db('timetable_change as c')
    .join('account as a', 'a.id', 'c.made_by')
    .where('c.timetable_id', timetableId)
    .whereNull('c.undoes')
    .whereRaw(
      'not exists (select from timetable_change u where u.timetable_id = c.timetable_id and u.undoes = c.revision)',
    )
    .orderBy('c.revision', 'desc')
    .select('c.revision', 'c.words', 'a.name as by', 'c.before', 'c.after');
}

export async function noteCopy(
  db: Database,
  copy: { id: string; timetableId: string; revision: number; what: string; takenBy: string },
): Promise<void> {
  await db('timetable_copy').insert({
    id: copy.id,
    timetable_id: copy.timetableId,
    revision: copy.revision,
    what: copy.what,
    taken_by: copy.takenBy,
  });
}

/** A copy is stale once its plan was changed, dropped or superseded, or another was published since. */
export async function listCopies(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<Timetable['copies']> {
  const { rows } = await db.raw(
    `select c.what, t.number, a.name as "takenBy", c.taken_at as "takenAt",
       t.state in ('superseded', 'dropped') or t.revision <> c.revision
         or exists (select from timetable o where o.examination_id = t.examination_id
           and o.published_at > c.taken_at and o.id <> t.id) as stale
     from timetable_copy c join timetable t on t.id = c.timetable_id
       join account a on a.id = c.taken_by
     where t.examination_id = :examinationId and ${readBy('t.examination_id')}
     order by c.taken_at desc limit 100`,
    { examinationId, viewer },
  );
  return rows.map((row: Timetable['copies'][number] & { takenAt: Date }) => ({
    ...row,
    takenAt: row.takenAt.toISOString(),
  }));
}
