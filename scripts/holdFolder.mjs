import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Holds a data folder for this process: two starts from one folder would share a database, and the
 * first to end would stop it. A process is known by its number and the moment it began, so that a
 * number that another program has by now does not block.
 */
export function holdFolder(folder) {
  const file = join(folder, 'running');
  try {
    mkdirSync(folder, { recursive: true });
    const holder = read(file);
    if (holder && holder.pid !== process.pid && beginOf(holder.pid) === holder.began) {
      throw new Error(
        `Kritikos is running already from this folder (process ${holder.pid}). Stop that one first.`,
      );
    }
    writeFileSync(file, `${process.pid} ${beginOf(process.pid)}`);
  } catch (error) {
    if (!error.code) throw error;
    throw new Error(
      `The data folder ${folder} cannot be written to (${error.code}). Set KRITIKOS_DATA to another one.`,
      { cause: error },
    );
  }
  return { release: () => rmSync(file, { force: true }) };
}

function read(file) {
  try {
    const [pid, began] = readFileSync(file, 'utf8').split(' ');
    return { pid: Number(pid), began };
  } catch {
    return undefined;
  }
}

/** When a process began, in ticks since the machine did (proc(5), field 22); undefined where there is none. */
function beginOf(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19];
  } catch {
    return undefined;
  }
}
