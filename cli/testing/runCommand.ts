import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll } from 'vitest';

const folder = mkdtempSync(join(tmpdir(), 'kritikos-cli-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Where a file of this name stands, whether or not it is there. */
export function pathOf(name: string): string {
  return join(folder, name);
}

/** Writes a file for the command to read, gone after the test file. */
export function file(name: string, content: string): string {
  writeFileSync(pathOf(name), content);
  return pathOf(name);
}

/** Runs the command as a person would. */
export function run(...args: string[]) {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'cli/main.ts', ...args],
    { encoding: 'utf8', maxBuffer: 64 * 1024 * 1024 },
  );
  return { status, stdout, stderr, json: () => JSON.parse(stdout) };
}

/** Shrout & Fleiss 1979, table 2: six targets, four judges. */
export const SHROUT_FLEISS = [
  [9, 2, 5, 8],
  [6, 1, 3, 2],
  [8, 4, 6, 8],
  [7, 1, 2, 6],
  [10, 5, 6, 9],
  [6, 2, 4, 7],
];
export const wide = [
  'target,a,b,c,d',
  ...SHROUT_FLEISS.map((row, i) => `${i + 1},${row.join(',')}`),
].join('\n');
export const long = [
  'candidate,examiner,mark',
  ...SHROUT_FLEISS.flatMap((row, i) => row.map((x, j) => `${i},${'abcd'[j]},${x}`)),
].join('\n');
