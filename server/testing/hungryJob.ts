import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** For tests, in a thread: takes memory or time without end, after leaving something behind. */
export default async function run({ takes }: { takes: 'memory' | 'time' | 'nothing' }) {
  writeFileSync(join(tmpdir(), 'left-behind'), 'x'.repeat(1000));
  const hoard: number[][] = [];
  while (takes === 'memory') hoard.push(new Array<number>(1_000_000).fill(Math.random()));
  if (takes === 'time') for (;;);
  return Promise.resolve({ folder: tmpdir() });
}
