import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import { HttpProblem } from '../http/problems.ts';
import { emptied } from './emptied.ts';

/** What a file may cost to be read: a real one of the largest size takes a fraction of it. */
const LONGEST_MILLISECONDS = 30_000;
const MOST_MEGABYTES = 900;
/** So many wait for the thread; whoever comes then is asked to come again. */
const MOST_WAITING = 6;
/** The thread and what it held are given back when nothing was brought for so long. */
const IDLE_MILLISECONDS = 20_000;

let pool: Piscina | undefined;
let folder = '';
let reading = 0;
let last: Promise<unknown> = Promise.resolve();

export interface Careful {
  readonly signal?: AbortSignal;
  progress?(share: number): void;
  /** Shorter than usual, in tests. */
  readonly longest?: number;
}

/**
 * Runs what reads a file that somebody brought, in a thread that has so much time and memory and no
 * more: one that breaks a limit is ended, with whatever it wrote into its temporary folder, and the
 * server goes on. Throws a problem that says which limit it was.
 */
export async function readCarefully<Question extends object, Result>(
  file: string,
  question: Question,
  around: Careful = {},
): Promise<Result> {
  if (reading > MOST_WAITING) throw busy();
  reading++;
  // In turn: what waits behind a trap has its whole time when it comes to be read.
  const own = last.then(() => readAlone<Question, Result>(file, question, around));
  last = own.catch(() => undefined); // whoever brought it is told
  return own.finally(() => reading--);
}

async function readAlone<Question extends object, Result>(
  file: string,
  question: Question,
  { signal, progress, longest = LONGEST_MILLISECONDS }: Careful,
): Promise<Result> {
  const { port1: own, port2: port } = new MessageChannel();
  own.on('message', (share: number) => progress?.(share));
  const late = AbortSignal.timeout(longest);
  try {
    return (await threads().run(
      { ...question, port },
      {
        filename: new URL(file, import.meta.url).href,
        transferList: [port],
        signal: signal ? AbortSignal.any([signal, late]) : late,
      },
    )) as Result;
  } catch (error) {
    throw late.aborted ? tooLong(longest) : asProblem(error);
  } finally {
    own.close();
    // What a thread left behind that was ended.
    emptied(folder);
  }
}

function threads(): Piscina {
  folder ||= mkdtempSync(join(tmpdir(), 'kritikos-reading-'));
  pool ??= new Piscina({
    execArgv: ['--import', 'tsx'],
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: IDLE_MILLISECONDS,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
    // What a reader unfolds on the way it unfolds here, where it can be found.
    env: { ...process.env, TMPDIR: folder },
  });
  return pool;
}

function tooLong(milliseconds: number): HttpProblem {
  return new HttpProblem(
    422,
    'invalid',
    'The file takes too long to read',
    `After ${milliseconds / 1000} s it was given up; nothing was taken. Bring fewer rows at once, or save the file anew.`,
  );
}

function asProblem(error: unknown): unknown {
  const { code } = error as { code?: string };
  if (code === 'ERR_WORKER_OUT_OF_MEMORY') {
    return new HttpProblem(
      422,
      'invalid',
      'The file takes too much memory to read',
      'It was given up; nothing was taken. Bring fewer rows at once, or save the file anew.',
    );
  }
  return error;
}

function busy(): HttpProblem {
  return new HttpProblem(
    503,
    'unavailable',
    'Many files are being read just now',
    'Bring it again in a moment; nothing was taken.',
  );
}

export async function closeCarefulPool(): Promise<void> {
  await pool?.destroy();
  pool = undefined;
  if (folder !== '') rmSync(folder, { recursive: true, force: true });
  folder = '';
}
