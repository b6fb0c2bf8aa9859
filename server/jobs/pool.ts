import type { Agreed } from '@kritikos/contracts/agreement';
import type { ImportPreview } from '@kritikos/contracts/examinations';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import type { CandidateFileJob } from './candidateFileJob.ts';
import { closeCarefulPool, readCarefully } from './carefulPool.ts';
import type { Careful } from './carefulPool.ts';
import type { OpenFileJob, OpenFileRead } from './openFileJob.ts';
import type { Standard } from '@kritikos/core/standards/setStandard';
import type { BootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import type { BootstrapJob } from './bootstrapJob.ts';
import type { StandardJob } from './standardJob.ts';
import type { StudentFileJob, StudentFileRead } from './studentFileJob.ts';
import type { RecomputationJob, Recomputed } from './recomputationJob.ts';
import type { Plan } from '@kritikos/core/timetable/problem';
import type { Replanned } from '@kritikos/core/timetable/replan';
import type { TimetableFound, TimetableJob } from './timetableJob.ts';
import type { Precision, PrecisionJob } from './precisionJob.ts';
import type { ReplanJob } from './replanJob.ts';
import type { ExaminationTrust } from '@kritikos/core/reliability/examinationTrust';
import type { Described } from '../agreement/describeStation.ts';
import type { KeptBehaviour } from '../stations/behaviourRepository.ts';
import type { AgreementJob } from './agreementJob.ts';
import type { BehaviourJob } from './behaviourJob.ts';
import type { SeverityFound, SeverityJob } from './severityJob.ts';
import type { TrustJob } from './trustJob.ts';
import type { YearsApart } from '@kritikos/core/standards/acrossYears';
import type { YearsJob } from './yearsJob.ts';
import type { Packed } from '../papers/pack.ts';
import type { PackJob } from './packJob.ts';
import type { Learnt } from '@kritikos/core/rehearsal/fromLastCohort';
import type { Rehearsal } from '@kritikos/core/rehearsal/rehearse';
import type { AssumptionsJob } from './assumptionsJob.ts';
import type { RehearsalJob } from './rehearsalJob.ts';

let pool: Piscina | undefined;
const THREADS = 2;

/** How a job in a thread is watched and called off. */
export interface Around {
  readonly signal?: AbortSignal;
  progress?(share: number): void;
  /** Told of what is found before it is all done. */
  found?(what: never): void;
}

/** Runs a job away from the thread that answers requests. */
async function run<Question extends object, Result>(
  file: string,
  question: Question,
  { signal, progress, found }: Around = {},
): Promise<Result> {
  pool ??= new Piscina({
    execArgv: ['--import', 'tsx'],
    // They stay: a thread takes longer to start than most of what it is asked.
    minThreads: THREADS,
    maxThreads: THREADS,
  });
  const { port1: own, port2: port } = new MessageChannel();
  own.on('message', (told: number | { readonly found: never }) =>
    typeof told === 'number' ? progress?.(told) : found?.(told.found),
  );
  try {
    return (await pool.run(
      { ...question, port },
      {
        filename: new URL(file, import.meta.url).href,
        transferList: [port],
        ...(signal ? { signal } : {}),
      },
    )) as Result;
  } finally {
    own.close();
  }
}

export function computeStandard(job: StandardJob): Promise<Standard> {
  return run('./standardJob.ts', job);
}

export function computeTrust(job: TrustJob): Promise<ExaminationTrust> {
  return run('./trustJob.ts', job);
}

export function computeAgreement(job: AgreementJob, around?: Around): Promise<Described> {
  return run('./agreementJob.ts', job, around);
}

export function computeTechnique(job: AgreementJob): Promise<Agreed> {
  return run('./techniqueJob.ts', job);
}

export function computeBehaviour(job: BehaviourJob): Promise<KeptBehaviour> {
  return run('./behaviourJob.ts', job);
}

export function computeSeverity(job: SeverityJob, around?: Around): Promise<SeverityFound> {
  return run('./severityJob.ts', job, around);
}

export function computeYears(job: YearsJob): Promise<YearsApart> {
  return run('./yearsJob.ts', job);
}

export function bootstrapCuts(job: BootstrapJob, around?: Around): Promise<BootstrapCut[]> {
  return run('./bootstrapJob.ts', job, around);
}

export function planTimetable(
  job: TimetableJob,
  around: Around & { found(plan: Plan): void },
): Promise<TimetableFound> {
  return run('./timetableJob.ts', job, around);
}

export function simulatePrecision(job: PrecisionJob): Promise<Precision | null> {
  return run('./precisionJob.ts', job);
}

export function replanRest(job: ReplanJob): Promise<Replanned> {
  return run('./replanJob.ts', job);
}

export function rehearseSome(job: RehearsalJob, around: Around): Promise<Rehearsal[]> {
  return run('./rehearsalJob.ts', job, around);
}

export function learnAssumptions(job: AssumptionsJob): Promise<Learnt> {
  return run('./assumptionsJob.ts', job);
}

export function packPapers(job: PackJob, around: Around): Promise<Packed> {
  return run('./packJob.ts', job, around);
}

export function readCandidates(job: CandidateFileJob): Promise<ImportPreview> {
  return run('./candidateFileJob.ts', job);
}

export function readStudents(job: StudentFileJob, around?: Careful): Promise<StudentFileRead> {
  return readCarefully('./studentFileJob.ts', job, around);
}

export function readOpenFile(job: OpenFileJob): Promise<OpenFileRead> {
  return readCarefully('./openFileJob.ts', job);
}

export function recompute(job: RecomputationJob, around?: Around): Promise<Recomputed> {
  return run('./recomputationJob.ts', job, around);
}

/** Starts the threads and has each meet its work, so that the first page need not wait. */
export async function warmUp(): Promise<void> {
  await Promise.all(Array.from({ length: THREADS }, () => run('./warmUpJob.ts', {})));
}

export async function closeJobs(): Promise<void> {
  await pool?.destroy();
  pool = undefined;
  await closeCarefulPool();
}
