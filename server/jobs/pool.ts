import { Piscina } from 'piscina';
import type { StandardJob, StandardJobResult } from './standardJob.ts';

let pool: Piscina | undefined;

/** Computes a standard away from the thread that answers requests. */
export async function computeStandard(job: StandardJob): Promise<StandardJobResult> {
  pool ??= new Piscina({
    filename: new URL('./standardJob.ts', import.meta.url).href,
    execArgv: ['--import', 'tsx'],
    minThreads: 0,
    maxThreads: 2,
    idleTimeout: 60_000,
  });
  return pool.run(job) as Promise<StandardJobResult>;
}

export async function closeJobs(): Promise<void> {
  await pool?.destroy();
  pool = undefined;
}
