import knex from 'knex';
import type { Knex } from 'knex';
import pg from 'pg';
import * as first from './migrations/0001_first.ts';
import * as criticalItems from './migrations/0002_critical_items.ts';
import * as readingsAndOffers from './migrations/0003_readings_and_offers.ts';

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
};

export function connect(url: string): Database {
  return knex({
    client: 'pg',
    connection: url,
    pool: { min: 2, max: 20 },
    migrations: {
      migrationSource: {
        getMigrations: () => Promise.resolve(Object.keys(migrations)),
        getMigrationName: (name: string) => name,
        getMigration: (name: string) => Promise.resolve(migrations[name] as Knex.Migration),
      },
    },
  });
}

/** Makes the database where it does not exist, and brings its schema up to date. */
export async function prepareDatabase(url: string): Promise<Database> {
  await createWhereMissing(url);
  const db = connect(url);
  await db.migrate.latest();
  return db;
}

async function createWhereMissing(url: string): Promise<void> {
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
  await client.query(`create database ${pg.escapeIdentifier(name)}`);
  await client.end();
}
