import { connect, prepareDatabase } from '../../server/db/database.ts';
import type { Database } from '../../server/db/database.ts';
import { offerCatalogue } from '../../server/checklists/service.ts';
import { loadDemo, USUAL_SIZE } from '../../server/demo/scenario.ts';
import { Jobs } from '../../server/jobs/jobs.ts';
import { closeJobs } from '../../server/jobs/pool.ts';
import { workersOn } from '../../server/jobs/workers.ts';
import { pino } from 'pino';

export const CANDIDATES = 10_000;
/** The demo has eight stations; the second examination of this database has so many, and so many items each. */
export const MANY_STATIONS = 20;
export const MANY_ITEMS = 25;

/**
 * A database with the demo for ten thousand candidates, and beside it an examination of twenty
 * stations of 25 items, a tenth of it marked twice, whose sheets are copies with their items twice
 * over. It takes minutes to make, so it is kept for the next time.
 */
export async function tenThousand(): Promise<string> {
  const url = new URL(process.env.BENCH_DATABASE_URL ?? '');
  url.pathname = '/bench_ten_thousand';
  if (await isMade(url.href)) return url.href;
  console.log(`making the demo for ${CANDIDATES} candidates; it is kept for the next time`);
  await dropDatabase(url.href);
  const db = await prepareDatabase(url.href);
  await offerCatalogue(db);
  const jobs = new Jobs(db, pino({ level: 'warn' }), workersOn(url.href));
  await loadDemo(db, jobs, { ...USUAL_SIZE, candidates: CANDIDATES });
  await jobs.stop();
  await addManyStations(db);
  await db.raw('vacuum analyze');
  await db.destroy();
  await closeJobs();
  return url.href;
}

/** True where it is there, finished, and of the present schema. */
async function isMade(url: string): Promise<boolean> {
  const db = connect(url);
  try {
    const { length } = await db.migrate.list().then(([, pending]) => pending as unknown[]);
    const row = await db('examination as e')
      .join('station as s', 's.examination_id', 'e.id')
      .join('checklist_version as v', 'v.id', 's.checklist_version_id')
      .where({ 'e.title': MANY })
      .whereRaw(`jsonb_array_length(v.content -> 'items') = ${MANY_ITEMS}`)
      .first('e.id');
    return length === 0 && row !== undefined;
  } catch {
    return false;
  } finally {
    await db.destroy();
  }
}

async function dropDatabase(url: string): Promise<void> {
  const maintenance = new URL(url);
  maintenance.pathname = '/postgres';
  const db = connect(maintenance.href);
  await db.raw('drop database if exists bench_ten_thousand with (force)');
  await db.destroy();
}

export const MANY = `${MANY_STATIONS} stations`;
/** The demo's own examination of this year; the copy is dated the day before. */
const NEWEST = '(select id from examination order by held_on desc limit 1)';

/**
 * Twenty stations with the sheets of the eight, over and over, and those of second examiners for a
 * tenth of the candidates.
 */
async function addManyStations(db: Database): Promise<void> {
  await db.transaction(async (trx) => {
    const { rows } = await trx.raw(
      `insert into examination (id, title, school, held_on, zone, created_by, cohort_id,
         marking_opened_at)
       select new_id(), ?, school, held_on - 1, zone, created_by, cohort_id, marking_opened_at
       from examination order by held_on desc limit 1 returning id`,
      [MANY],
    );
    const of = { many: rows[0].id };
    await trx.raw(
      `insert into examination_lead select :many, account_id, 'lead' from examination_lead limit 1`,
      of,
    );
    await trx.raw(
      `insert into candidate (id, examination_id, number, circuit, student_id)
       select new_id(), :many, number, circuit, student_id from candidate c
       where examination_id = ${NEWEST}`,
      of,
    );
    await trx.raw(
      `insert into checklist_version (id, checklist_id, version, content)
       select new_id(), v.checklist_id,
         (select max(w.version) + 1 from checklist_version w where w.checklist_id = v.checklist_id),
         jsonb_set(v.content, '{items}', (
           select jsonb_agg(item order by n) from (
             select item, n from jsonb_array_elements(v.content -> 'items') with ordinality a(item, n)
             union all
             select item || jsonb_build_object('key', item ->> 'key' || '-more',
               'text', (item ->> 'text') || ', again'), 100 + n
             from jsonb_array_elements(v.content -> 'items') with ordinality b(item, n)
             order by n limit ${MANY_ITEMS}) more))
       from checklist_version v
       where v.id in (select s.checklist_version_id from station s
         where s.examination_id = ${NEWEST})`,
    );
    await trx.raw(
      `insert into station (id, examination_id, position, title, minutes, checklist_version_id,
         bank_version_id)
       select new_id(), :many, n, s.title || ' ' || n, s.minutes, (
           select w.id from checklist_version w
             join checklist_version v on v.checklist_id = w.checklist_id
           where v.id = s.checklist_version_id order by w.version desc limit 1),
         s.bank_version_id
       from generate_series(1, ${MANY_STATIONS}) n join station s on s.position = (n - 1) % 8 + 1
       where s.examination_id = ${NEWEST}`,
      of,
    );
    await trx.raw(
      `insert into sheet (id, station_id, candidate_id, examiner_id, checklist_version_id, variants,
         rating, started_at, submitted_at, percent, missing_marks, score, critical_missed,
         critical_met, critical_unseen, kept_categories, kept_shares)
       select gen_random_uuid(), m.id, k.id, h.examiner_id, m.checklist_version_id, h.variants,
         h.rating, h.started_at, h.submitted_at, h.percent, h.missing_marks, h.score,
         h.critical_missed, h.critical_met, h.critical_unseen,
         (h.kept_categories || h.kept_categories)[1:${MANY_ITEMS}],
         (h.kept_shares || h.kept_shares)[1:${MANY_ITEMS}]
       from station m
         join station s on s.position = (m.position - 1) % 8 + 1 and s.examination_id = ${NEWEST}
         join station_examiner x on x.station_id = s.id
         join sheet h on h.station_id = s.id and h.examiner_id = x.account_id
         join candidate c on c.id = h.candidate_id
         join candidate k on k.examination_id = m.examination_id and k.number = c.number
       where m.examination_id = :many and h.submitted_at is not null
         -- Every third has a second examiner here; three of ten of those make a tenth.
         and (x.circuit is not null or c.number % 10 < 3)`,
      of,
    );
  });
}
