import type { ImportPreview } from '@kritikos/contracts/examinations';
import { Piscina } from 'piscina';
import type { CandidateFileJob } from './candidateFileJob.ts';
import type { StandardJob, StandardJobResult } from './standardJob.ts';

let pool: Piscina | undefined;

/** Runs a job away from the thread that answers requests. */
function run<Job, Result>(file: string, job: Job): Promise<Result> {
  pool ??= new Piscina({
    execArgv: ['--import', 'tsx'],
    minThreads: 0,
    maxThreads: 2,
    idleTimeout: 60_000,
  });
  return pool.run(job, { filename: new URL(file, import.meta.url).href }) as Promise<Result>;
}

export function computeStandard(job: StandardJob): Promise<StandardJobResult> {
  return run('./standardJob.ts', job);
}

export function readCandidates(job: CandidateFileJob): Promise<ImportPreview> {
  return run('./candidateFileJob.ts', job);
}

export async function closeJobs(): Promise<void> {
  await pool?.destroy();
  pool = undefined;
}
