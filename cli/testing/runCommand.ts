import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inject, vi } from 'vitest';
import { commandLine } from '../commandLine.ts';

/** Of this worker; its test files run one after the other. */
const folder = mkdtempSync(join(inject('commandFolder'), 'worker-'));

/** Where a file of this name stands, whether or not it is there. */
export function pathOf(name: string): string {
  return join(folder, name);
}

/** Writes a file for the command to read, gone when all tests are over. */
export function file(name: string, content: string): string {
  writeFileSync(pathOf(name), content);
  return pathOf(name);
}

/** Runs a line of the command here, and catches what it writes. */
export async function run(...words: string[]) {
  const written = { stdout: '', stderr: '' };
  const spies = (['stdout', 'stderr'] as const).map((stream) =>
    vi.spyOn(process[stream], 'write').mockImplementation((text) => {
      written[stream] += String(text);
      return true;
    }),
  );
  try {
    return answered(await commandLine(words), written);
  } finally {
    for (const spy of spies) spy.mockRestore();
  }
}

/** Runs the command as a person would, in a process of its own. */
export function runProcess(...words: string[]) {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'cli/main.ts', ...words],
    { encoding: 'utf8', maxBuffer: 64 * 1024 * 1024 },
  );
  return answered(status, { stdout, stderr });
}

function answered(status: number | null, { stdout, stderr }: { stdout: string; stderr: string }) {
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
