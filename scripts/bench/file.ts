import { seededChance } from '@kritikos/core/numerics/random';
import { spawnSync } from 'node:child_process';
import { closeSync, mkdtempSync, openSync, rmSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const ROWS = 2_000_000;

/** The command on a marks file of two million rows: seconds, and memory at most. */
export async function benchFile(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'kritikos-bench-'));
  try {
    const file = join(folder, 'marks.csv');
    const chance = seededChance(5);
    const handle = openSync(file, 'w');
    let text = 'candidate,station,item,examiner,mark\n';
    for (let i = 0; i < ROWS; i++) {
      const candidate = Math.floor(i / 400);
      const rest = i % 400;
      const examiner = (rest % 2) * 20 + Math.floor(rest / 40);
      text += `c${candidate},s${Math.floor(rest / 40)},i${Math.floor((rest % 40) / 2)},e${examiner},${Math.floor(chance.uniform() * 3)}\n`;
      if (text.length > 1 << 20) {
        writeSync(handle, text);
        text = '';
      }
    }
    writeSync(handle, text);
    closeSync(handle);
    for (const args of [
      ['variance', file, '--model', 'candidate + examiner + station'],
      ['agreement', file, '--level', 'ordinal'],
    ]) {
      const started = performance.now();
      const atEnd = `data:text/javascript,process.on('exit', () => console.error('\\n' + process.resourceUsage().maxRSS))`;
      const run = spawnSync(
        process.execPath,
        ['--import', 'tsx', '--import', atEnd, 'cli/main.ts', ...args, '--json'],
        { encoding: 'utf8', maxBuffer: 1 << 28 },
      );
      const memory = Number(run.stderr.trim().split('\n').at(-1)) / 1024;
      const seconds = (performance.now() - started) / 1000;
      console.log(
        `kritikos ${args[0]}, two million rows: ${seconds.toFixed(1)} s, ${memory.toFixed(0)} MB at most, ended with ${run.status}`,
      );
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
