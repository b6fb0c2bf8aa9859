import { readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Takes out what is in a temporary folder. Where something is still being written into it just then
 * (a thread that was ended late, one that keeps what it has compiled), what is left goes the next
 * time: whoever waits for an answer is not to be told of it.
 */
export function emptied(folder: string): void {
  for (const name of readdirSync(folder)) {
    try {
      rmSync(join(folder, name), { recursive: true, force: true });
    } catch (error) {
      if (!STILL_WRITTEN.includes((error as { code?: string }).code ?? '')) throw error;
    }
  }
}

const STILL_WRITTEN = ['ENOTEMPTY', 'EBUSY', 'EEXIST'];
