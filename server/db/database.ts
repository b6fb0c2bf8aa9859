import type { Socket } from 'node:net';
import knex from 'knex';
import type { Knex } from 'knex';
import pg from 'pg';
import { prepareQueues } from '../jobs/queue.ts';
import * as first from './migrations/0001_first.ts';
import * as criticalItems from './migrations/0002_critical_items.ts';
import * as readingsAndOffers from './migrations/0003_readings_and_offers.ts';
import * as stream from './migrations/0004_stream.ts';
import * as sessionsAndAudit from './migrations/0005_sessions_and_audit.ts';
import * as countdownWarning from './migrations/0006_countdown_warning.ts';
import * as rolesAndLeads from './migrations/0007_roles_and_leads.ts';
import * as itemsAndKeptMarks from './migrations/0008_items_and_kept_marks.ts';
import * as cohortsAndBank from './migrations/0009_cohorts_and_bank.ts';
import * as jobs from './migrations/0010_jobs.ts';
import * as linksAndPost from './migrations/0011_links_and_post.ts';
import * as circuitsOfExaminers from './migrations/0012_circuits_of_examiners.ts';
import * as keptInOneRow from './migrations/0013_kept_in_one_row.ts';
import * as keptAnalyses from './migrations/0014_kept_analyses.ts';
import * as partSums from './migrations/0015_part_sums.ts';
import * as drafts from './migrations/0016_drafts.ts';
import * as bankAndBlueprint from './migrations/0017_bank_and_blueprint.ts';
import * as shelf from './migrations/0018_shelf.ts';
import * as timetable from './migrations/0019_timetable.ts';
import * as papers from './migrations/0020_papers.ts';
import * as panels from './migrations/0021_panels.ts';
import * as jobsThatBeat from './migrations/0022_jobs_that_beat.ts';
import * as standsAt from './migrations/0023_stands_at.ts';
import * as sealedLetters from './migrations/0024_sealed_letters.ts';
import * as sealedByRole from './migrations/0025_sealed_by_role.ts';
import * as theHouse from './migrations/0026_the_house.ts';
import * as generators from './migrations/0027_generators.ts';
import * as patients from './migrations/0028_patients.ts';
import * as safetyEvents from './migrations/0029_safety_events.ts';
import * as safetyFollowUps from './migrations/0030_safety_follow_ups.ts';
import * as reopenedSheets from './migrations/0031_reopened_sheets.ts';
import * as putAway from './migrations/0032_put_away.ts';
import * as thingsByAnySpelling from './migrations/0033_things_by_any_spelling.ts';
import { refuseOthers } from './notOurs.ts';
import { limitRole } from './roles.ts';

/** A connection pool or an open transaction: what repositories speak to. */
export type Database = Knex;

// numeric and date come as text from the driver: the one is exact here (percent with six
// decimals, well inside a double), the other is a calendar day and must not become an instant.
pg.types.setTypeParser(pg.types.builtins.NUMERIC, Number);
pg.types.setTypeParser(pg.types.builtins.INT8, Number);
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

const migrations: Record<string, Knex.Migration> = {
  '0001_first': first,
  '0002_critical_items': criticalItems,
  '0003_readings_and_offers': readingsAndOffers,
  '0004_stream': stream,
  '0005_sessions_and_audit': sessionsAndAudit,
  '0006_countdown_warning': countdownWarning,
  '0007_roles_and_leads': rolesAndLeads,
  '0008_items_and_kept_marks': itemsAndKeptMarks,
  '0009_cohorts_and_bank': cohortsAndBank,
  '0010_jobs': jobs,
  '0011_links_and_post': linksAndPost,
  '0012_circuits_of_examiners': circuitsOfExaminers,
  '0013_kept_in_one_row': keptInOneRow,
  '0014_kept_analyses': keptAnalyses,
  '0015_part_sums': partSums,
  '0016_drafts': drafts,
  '0017_bank_and_blueprint': bankAndBlueprint,
  '0018_shelf': shelf,
  '0019_timetable': timetable,
  '0020_papers': papers,
  '0021_panels': panels,
  '0022_jobs_that_beat': jobsThatBeat,
  '0023_stands_at': standsAt,
  '0024_sealed_letters': sealedLetters,
  '0025_sealed_by_role': sealedByRole,
  '0026_the_house': theHouse,
  '0027_generators': generators,
  '0028_patients': patients,
  '0029_safety_events': safetyEvents,
  '0030_safety_follow_ups': safetyFollowUps,
  '0031_reopened_sheets': reopenedSheets,
  '0032_put_away': putAway,
  '0033_things_by_any_spelling': thingsByAnySpelling,
};

const PATIENT = { statement_timeout: 0, idle_in_transaction_session_timeout: 0 };

/** A pool of connections; `limits` of its own are for work that may take long. */
export function connect(url: string, limits: object = {}): Database {
  return knex({
    client: 'pg',
    connection: {
      connectionString: url,
      connectionTimeoutMillis: 5_000,
      // No request of a screen takes so long; what does has gone wrong and must not hold others up.
      statement_timeout: 60_000,
      idle_in_transaction_session_timeout: 60_000,
      // Compiling a query costs more than it saves at our sizes, and a sort of ten thousand
      // candidates should not go to disk.
      options: '-c jit=off -c work_mem=16MB',
      ...limits,
    },
    acquireConnectionTimeout: 10_000,
    // Whoever asked is told; a database that is away would fill the log with what is thrown anyway.
    log: { error: () => {}, warn: () => {} },
    pool: { min: 0, max: 20 },
    migrations: {
      migrationSource: {
        getMigrations: () => Promise.resolve(Object.keys(migrations)),
        getMigrationName: (name: string) => name,
        getMigration: (name: string) => Promise.resolve(migrations[name] as Knex.Migration),
      },
    },
  });
}

/**
 * Breaks off every connection of a pool: what waits on one fails at once as a database that is away,
 * and the next query makes a new one. For a network that swallows, where nothing else would end them.
 */
export function breakConnections(db: Database): void {
  const { pool } = db.client as { pool: { used: Pooled[]; free: Pooled[] } };
  for (const { resource } of [...pool.used, ...pool.free]) resource.connection.stream.destroy();
}

/** A connection of the driver, as the pool holds it; neither publishes a type of it. */
interface Pooled {
  readonly resource: { readonly connection: { readonly stream: Socket } };
}

/** Reads several things as they were at one instant. */
export async function inSnapshot<T>(db: Database, read: (trx: Database) => Promise<T>): Promise<T> {
  return db.transaction(read, { isolationLevel: 'repeatable read', readOnly: true });
}

/**
 * Makes the database where it does not exist, and brings its schema and the job queue's up to date,
 * as the role that owns them. The pool that is answered works as the role of `url`, which may do
 * less; where both are one, it may do all.
 */
export async function prepareDatabase(url: string, ownerUrl = url): Promise<Database> {
  await createWhereMissing(ownerUrl);
  // A migration of years of marks takes as long as it takes.
  const owner = connect(ownerUrl, PATIENT);
  try {
    await refuseOthers(owner, Object.keys(migrations));
    // Whoever held it was killed: two starts are kept apart before they get here.
    await owner.migrate.forceFreeMigrationsLock();
    await owner.migrate.latest();
    await prepareQueues(ownerUrl);
    if (new URL(url).username !== new URL(ownerUrl).username) await limitRole(owner, url);
  } finally {
    await owner.destroy();
  }
  return connect(url);
}

/** Makes the database of this address where there is none. */
export async function createWhereMissing(url: string): Promise<void> {
  const name = decodeURIComponent(new URL(url).pathname.slice(1));
  const probe = new pg.Client({ connectionString: url });
  try {
    await probe.connect();
    await probe.end();
    return;
  } catch (error) {
    if ((error as { code?: string }).code !== '3D000') throw error; // 3D000: no such database
  }
  const maintenance = new URL(url);
  maintenance.pathname = '/postgres';
  const client = new pg.Client({ connectionString: maintenance.href });
  await client.connect();
  try {
    await client.query(`create database ${pg.escapeIdentifier(name)}`);
  } catch (error) {
    // Another start made it meanwhile: 42P04, or 23505 at the very same moment.
    if (!['42P04', '23505'].includes((error as { code?: string }).code ?? '')) throw error;
  } finally {
    await client.end();
  }
}
