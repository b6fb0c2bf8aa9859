import { randomBytes } from 'node:crypto';
import { spawn } from 'node:child_process';
import pg from 'pg';
import { afterAll, describe, expect, inject, it } from 'vitest';
import { asApplication } from '../testing/asApplication.ts';
import { connect } from './database.ts';

/** Processes of the server, started as `npm start` does, on databases in every state. */
const made: string[] = [];
function database(): string {
  const url = new URL(inject('serverUrl'));
  url.pathname = `/start_${randomBytes(6).toString('hex')}`;
  made.push(url.pathname.slice(1));
  return url.href;
}
async function run(url: string, ...statements: string[]): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  for (const statement of statements) await client.query(statement);
  await client.end();
}
async function created(): Promise<string> {
  const url = database();
  await run(inject('serverUrl'), `create database ${new URL(url).pathname.slice(1)}`);
  return url;
}
afterAll(async () => {
  for (const name of made)
    await run(inject('serverUrl'), `drop database if exists ${name} with (force)`);
});

interface Started {
  readonly answers: boolean;
  readonly said: string;
}

/** Starts a process and waits until it answers or ends; it is ended afterwards. */
async function start(url: string, settings: Record<string, string> = {}): Promise<Started> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
    env: {
      PATH: process.env.PATH,
      NODE_ENV: 'production',
      DATABASE_URL: url && asApplication(url),
      DATABASE_OWNER_URL: url,
      PORT: '0',
      SECRET_KEY: 'for-the-tests-and-for-nothing-else',
      ...settings,
    },
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream?.on('data', (d) => (said += String(d)));
  const answers = await new Promise<boolean>((resolve) => {
    child.once('message', () => resolve(true));
    child.once('exit', () => resolve(false));
  });
  const ended = new Promise((resolve) => child.once('exit', resolve));
  if (child.exitCode === null && child.kill('SIGKILL')) await ended;
  return { answers, said };
}

const STACK = /^\s+at .*:\d+/m;

describe('starting', () => {
  it('two at once on a database that is not there yet: both answer', async () => {
    const url = database();
    const both = await Promise.all([start(url), start(url)]);
    expect(
      both.map(({ answers }) => answers),
      both.map(({ said }) => said).join(),
    ).toEqual([true, true]);
  });

  it('after a start that was killed in the middle of the migrations', async () => {
    const url = await created();
    const db = connect(url);
    await db.migrate.up(); // the first migration, and knex's own tables
    await db('knex_migrations_lock').update({ is_locked: 1 });
    await db.destroy();
    expect((await start(url)).answers).toBe(true);
  });

  it('on a database of a newer program ends with words, and changes nothing', async () => {
    const url = await created();
    const db = connect(url);
    await db.migrate.up();
    await db('knex_migrations').insert({
      name: '9999_of_next_year',
      batch: 9,
      migration_time: new Date(),
    });
    const { answers, said } = await start(url);
    expect(answers).toBe(false);
    expect(said).toMatch(/newer version of Kritikos \(it has 9999_of_next_year/);
    expect(said).not.toMatch(STACK);
    expect(await db('knex_migrations').pluck('name')).toEqual(['0001_first', '9999_of_next_year']);
    await db.destroy();
  });

  it('on a database with tables of somebody else ends with words, and changes nothing', async () => {
    const url = await created();
    await run(url, 'create table account (id integer)', 'create table invoice (id integer)');
    const { answers, said } = await start(url);
    expect(answers).toBe(false);
    expect(said).toMatch(/tables that are not of Kritikos \(account, invoice\)/);
    expect(said).not.toMatch(STACK);
    const db = connect(url);
    const { rows } = await db.raw(`select tablename from pg_tables where schemaname = 'public'`);
    expect(rows.map((row: { tablename: string }) => row.tablename).sort()).toEqual([
      'account',
      'invoice',
    ]);
    await db.destroy();
  });

  it('beside the tables of an extension is nobody else’s', async () => {
    const url = await created();
    await run(url, 'create extension btree_gist');
    expect((await start(url)).answers).toBe(true);
  });

  it.each([
    [{ DATABASE_URL: '', DATABASE_OWNER_URL: '' }, /DATABASE_URL is not set/],
    [
      { DATABASE_URL: 'postgres://x:y@127.0.0.1:1/none', DATABASE_OWNER_URL: '' },
      /does not answer/,
    ],
  ])('without a database that can be used ends with a sentence: %o', async (settings, sentence) => {
    const { answers, said } = await start(inject('serverUrl'), settings);
    expect(answers).toBe(false);
    expect(said).toMatch(sentence);
    expect(said).not.toMatch(STACK);
  });
});
