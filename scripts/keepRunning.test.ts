import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { keepRunning } from './keepRunning.mjs';

const folder = mkdtempSync(join(tmpdir(), 'kritikos-keep-'));

/** Runs a server that does this at its n-th start, until it has ended or been started so often. */
async function run(server: string, { stopAtStart = Infinity } = {}) {
  const starts = join(folder, `${Math.random()}`);
  writeFileSync(starts, '');
  const program = `
    require('node:fs').appendFileSync(${JSON.stringify(starts)}, 'x');
    const start = require('node:fs').readFileSync(${JSON.stringify(starts)}, 'utf8').length;
    process.once('disconnect', () => process.exit());
    process.once('SIGTERM', () => process.exit());
    const answer = () => process.send('listening');
    const killed = () => setTimeout(() => process.kill(process.pid, 'SIGKILL'), 50);
    ${server}`;
  const said: string[] = [];
  const code = await new Promise<number>((ended) => {
    const kept = keepRunning(['-e', program], {
      say: (words: string) => said.push(words),
      ended,
      pauses: [0, 0.01],
    });
    const looking = setInterval(() => {
      if (readFileSync(starts, 'utf8').length < stopAtStart) return;
      clearInterval(looking);
      setTimeout(() => kept.stop(5_000), 100);
    }, 20);
    setTimeout(() => clearInterval(looking), 200_000).unref();
  });
  return { code, said, starts: readFileSync(starts, 'utf8').length };
}

describe('a server that is watched over', () => {
  it('is started again each time it is killed, however soon after the last', async () => {
    const { starts, said, code } = await run('answer(); if (start < 6) killed();', {
      stopAtStart: 6,
    });
    expect([starts, code]).toEqual([6, 0]);
    expect(said).toHaveLength(5);
    expect(said[0]).toMatch(/SIGKILL.*started again now/);
  });

  it('that cannot start says so once, and is not tried again', async () => {
    expect(await run('process.exit(1)')).toEqual({ code: 1, said: [], starts: 1 });
  });

  it('that answered before is tried again, also where it cannot start for a while', async () => {
    const { starts, code } = await run(
      'if (start === 1) { answer(); killed(); } else if (start < 5) process.exit(1); else { answer(); setTimeout(() => {}, 1e6); }',
      { stopAtStart: 5 },
    );
    expect([starts, code]).toEqual([5, 0]);
  });

  it('that is killed before it ever answers is given up with words', async () => {
    const { starts, said, code } = await run('killed(); setTimeout(() => {}, 1e6);');
    expect([starts, code]).toEqual([3, 1]);
    expect(said.at(-1)).toMatch(/SIGKILL before it answered, 3 times/);
  });
});
