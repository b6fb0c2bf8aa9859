import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomBytes } from 'node:crypto';
import pg from 'pg';
import { afterAll, describe, expect, inject, it } from 'vitest';
import { asApplication } from '../testing/asApplication.ts';
import { startServer } from '../testing/startServer.ts';
import { prepareDatabase } from './database.ts';

/** The words of docs/operations.md on backups, tried to the letter with the programs of PostgreSQL. */
const server = await startServer('demo');
const folder = mkdtempSync(join(tmpdir(), 'kritikos-backup-'));
const restored = `restored_${randomBytes(6).toString('hex')}`;
const named = (name: string) =>
  Object.assign(new URL(inject('serverUrl')), { pathname: `/${name}` }).href;
const owner = named(server.database);

/** Debian keeps the programs of each version apart. */
const base = '/usr/lib/postgresql';
const version = existsSync(base) ? readdirSync(base).sort((a, b) => Number(b) - Number(a))[0] : '';
const bin = join(base, version ?? '', 'bin');

afterAll(async () => {
  const client = new pg.Client({ connectionString: inject('serverUrl') });
  await client.connect();
  await client.query(`drop database if exists ${restored} with (force)`);
  await client.end();
});

/** The commands of the page under a heading, as they stand there. */
function commandsUnder(heading: string): string[] {
  const page = readFileSync(new URL('../../docs/operations.md', import.meta.url), 'utf8');
  const section = page.split(`\n## ${heading}\n`)[1]?.split('\n## ')[0] ?? '';
  return section.split('\n').flatMap((line) => (line.startsWith('    ') ? [line.trim()] : []));
}

/** Runs a command of the page in a shell, with the addresses that it names. */
function run(command: string, addresses: Record<string, string>) {
  const { status, stderr } = spawnSync('sh', ['-c', command], {
    cwd: folder,
    encoding: 'utf8',
    env: { PATH: `${bin}:${process.env.PATH}`, ...addresses },
  });
  return { status, stderr };
}

const TABLES = [
  'mark_event',
  'sheet_mark',
  'sheet_item',
  'decision',
  'account',
  'audit_link',
  'job',
];
async function counts(url: string): Promise<unknown> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const each = TABLES.map((table) => `(select count(*) from ${table}) as ${table}`);
  const { rows } = await client.query(`select ${each.join(', ')}`);
  await client.end();
  return rows[0];
}

describe('the backup of docs/operations.md', () => {
  const [dump = '', make = '', restore = ''] = commandsUnder('Backup and restore');

  it('is written by the owner, whole', () => {
    expect(dump).toMatch(/^pg_dump .*"\$DATABASE_OWNER_URL"/);
    expect(run(dump, { DATABASE_OWNER_URL: owner })).toEqual({ status: 0, stderr: '' });
    expect(statSync(join(folder, 'kritikos.dump')).size).toBeGreaterThan(100_000);
  });

  it('comes back in a new database without a word of complaint, mark for mark', async () => {
    const addresses = { MAINTENANCE_URL: named('postgres'), NEW_OWNER_URL: named(restored) };
    const inNew = (command: string) => command.replaceAll('kritikos_restored', restored);
    expect(run(inNew(make), addresses)).toEqual({ status: 0, stderr: '' });
    expect(run(inNew(restore), addresses)).toEqual({ status: 0, stderr: '' });
    expect(await counts(named(restored))).toEqual(await counts(owner));
  });

  it('is taken up by the next start, which gives the application its rights anew', async () => {
    const db = await prepareDatabase(asApplication(named(restored)), named(restored));
    await expect(db('sheet').limit(1)).resolves.toHaveLength(1);
    await expect(db('mark_event').delete()).rejects.toMatchObject({ code: '42501' });
    await db.destroy();
  });
});
