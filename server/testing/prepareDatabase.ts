import { randomBytes } from 'node:crypto';
import pg from 'pg';
import { pino } from 'pino';
import type { TestProject } from 'vitest/node';
import { offerCatalogue } from '../checklists/service.ts';
import { connect, prepareDatabase } from '../db/database.ts';
import { loadDemo } from '../demo/scenario.ts';
import { Jobs } from '../jobs/jobs.ts';
import { closeJobs } from '../jobs/pool.ts';
import { workersOn } from '../jobs/workers.ts';
import { asApplication } from './asApplication.ts';

declare module 'vitest' {
  export interface ProvidedContext {
    serverUrl: string;
    emptyTemplate: string;
    demoTemplate: string;
  }
}

const SILENT = pino({ level: 'silent' });

/**
 * Makes two databases to copy from, one empty and one with the demo examination, so that every
 * test file gets its own in a fraction of a second.
 */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const address = process.env.TEST_DATABASE_URL;
  if (!address)
    throw new Error('TEST_DATABASE_URL is not set; npm test starts PostgreSQL and sets it.');
  const run = randomBytes(4).toString('hex');
  const names = { empty: `empty_${run}`, demo: `demo_${run}` };
  for (const name of Object.values(names)) {
    const url = new URL(address);
    url.pathname = `/${name}`;
    const db = await prepareDatabase(asApplication(url.href), url.href);
    await offerCatalogue(db);
    const jobs = new Jobs(db, SILENT, workersOn(asApplication(url.href)));
    const owner = connect(url.href);
    if (name === names.demo) await loadDemo(owner, jobs);
    await owner.destroy();
    await jobs.stop();
    await db.destroy();
  }
  await closeJobs();
  project.provide('serverUrl', address);
  project.provide('emptyTemplate', names.empty);
  project.provide('demoTemplate', names.demo);
  return async () => {
    const client = new pg.Client({ connectionString: address });
    await client.connect();
    for (const name of Object.values(names)) {
      await client.query(`drop database if exists ${pg.escapeIdentifier(name)} with (force)`);
    }
    await client.end();
  };
}
