import { mkdtempSync, mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { afterAll, expect, it } from 'vitest';
import { emptied } from './emptied.ts';

const folder = mkdtempSync(join(tmpdir(), 'kritikos-emptied-'));
afterAll(() => rmSync(folder, { recursive: true, force: true, maxRetries: 5 }));

it('takes out files and folders with what is in them', () => {
  mkdirSync(join(folder, 'deep', 'deeper'), { recursive: true });
  writeFileSync(join(folder, 'deep', 'deeper', 'one'), '1');
  writeFileSync(join(folder, 'two'), '2');
  emptied(folder);
  expect(readdirSync(folder)).toEqual([]);
});

/** Writes file after file into a folder that it makes anew whenever it is gone. */
const WRITES = `
  const { mkdirSync, writeFileSync } = require('node:fs');
  const { parentPort, workerData } = require('node:worker_threads');
  parentPort.postMessage('writing');
  for (let i = 0; ; i++) {
    try {
      mkdirSync(workerData, { recursive: true });
      writeFileSync(workerData + '/' + i, 'x');
    } catch {}
  }
`;

it('is not troubled by somebody who goes on writing, and takes the rest out afterwards', async () => {
  const writer = new Worker(WRITES, { eval: true, workerData: join(folder, 'written') });
  await new Promise((resolve) => writer.once('message', resolve));
  for (let i = 0; i < 300; i++) emptied(folder);
  await writer.terminate();
  emptied(folder);
  expect(readdirSync(folder)).toEqual([]);
});
