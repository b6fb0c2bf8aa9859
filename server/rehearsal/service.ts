import type { Account } from '@kritikos/contracts/accounts';
import type { Job } from '@kritikos/contracts/jobs';
import { rehearsalAsked, rehearsalResult } from '@kritikos/contracts/rehearsal';
import type { RehearsalAsked, RehearsalPage, RehearsalResult } from '@kritikos/contracts/rehearsal';
import { USUAL_ASSUMPTIONS } from '@kritikos/core/rehearsal/assumptions';
import type { Assumptions } from '@kritikos/core/rehearsal/assumptions';
import { itemSpread } from '@kritikos/core/rehearsal/earlierMarks';
import { GENERATOR } from '@kritikos/core/numerics/random';
import type { RehearsedPlan } from '@kritikos/core/rehearsal/plan';
import type { Rehearsal } from '@kritikos/core/rehearsal/rehearse';
import { sayRehearsal } from '@kritikos/core/rehearsal/sayRehearsal';
import { summarise } from '@kritikos/core/rehearsal/summary';
import { requirePerson } from '../accounts/people.ts';
import type { Database } from '../db/database.ts';
import { requireExamination } from '../examinations/service.ts';
import { newId } from '../http/newId.ts';
import { conflict, invalid } from '../http/problems.ts';
import type { Jobs, Worker } from '../jobs/jobs.ts';
import { learnAssumptions, rehearseSome } from '../jobs/pool.ts';
import { planToRehearse } from './plan.ts';
import type { PlanToRehearse } from './plan.ts';
import * as repository from './repository.ts';

/** So many rehearsals are one piece of work, so that other work of the threads comes in between. */
const AT_ONCE = 20;
const THREADS = 2;
/** Of the plan with one more second examiner fewer are played: only agreement is read off them. */
const SHARE_OF_MORE = 0.2;

export async function readRehearsal(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<RehearsalPage> {
  await requireExamination(db, examinationId, viewer);
  const last = await repository.lastCohort(db, examinationId, viewer.id);
  const learnt = last && {
    ...(await learnAssumptions({
      scores: await repository.examinedScores(db, last.id, viewer.id),
      stations: last.stations,
    })),
    from: last.title,
  };
  const assumptions = learnt?.assumptions ?? USUAL_ASSUMPTIONS;
  const planned = { pairs: null, asMarked: true, assumptions };
  const found = await planToRehearse(db, examinationId, planned, viewer);
  const newest = await repository.newestRehearsal(db, examinationId, viewer.id);
  const read = newest && rehearsalResult.safeParse(newest.result);
  return {
    suggested: {
      assumptions: typeof found === 'string' ? assumptions : withMarks(assumptions, found),
      from: learnt?.from ?? null,
      notes: [
        ...(learnt?.notes ?? [
          'No cohort before this one shares a station with it; the spreads are the usual ones.',
        ]),
      ],
    },
    stations: typeof found === 'string' ? [] : found.known,
    planned: typeof found === 'string' ? '' : sayPlan(found),
    missing: typeof found === 'string' ? found : null,
    newest: newest && read?.success ? { at: newest.at.toISOString(), result: read.data } : null,
  };
}

/** Stations and items that were not marked yet are supposed to be like those that were. */
function withMarks(assumptions: Assumptions, { plan, known }: PlanToRehearse): Assumptions {
  const spread = itemSpread(plan.stations);
  const means = known.flatMap(({ mean }) => mean ?? []);
  const middle = means.reduce((sum, mean) => sum + mean, 0) / means.length;
  return {
    ...assumptions,
    difficulty: spread === null ? assumptions.difficulty : Math.round(10 * spread) / 10,
    mean: means.length > 0 ? Math.round(middle) : assumptions.mean,
  };
}

function sayPlan({ plan, pairs, from }: PlanToRehearse): string {
  return `${plan.candidates} candidates at ${plan.stations.length} stations, ${plan.examiners} examiners, ${pairs} sheets marked twice (${from})`;
}

export async function askRehearsal(
  db: Database,
  jobs: Jobs,
  examinationId: string,
  asked: RehearsalAsked,
  lead: Account,
): Promise<Job> {
  await requireExamination(db, examinationId, lead);
  const found = await planToRehearse(db, examinationId, { ...asked, pairs: null }, lead);
  if (typeof found === 'string') throw conflict('There is nothing to rehearse yet', found);
  const sheets = found.plan.candidates * found.plan.stations.length;
  if (asked.pairs !== null && asked.pairs > sheets) {
    throw invalid([
      {
        pointer: '/pairs',
        detail: `${asked.pairs} are more than the ${sheets} sheets of ${found.plan.candidates} candidates at ${found.plan.stations.length} stations`,
      },
    ]);
  }
  return jobs.ask({
    kind: 'rehearsal',
    ownerId: lead.id,
    examinationId,
    // What is planned may have changed between two questions in the same words.
    question: { examination: examinationId, ...asked, at: newId() },
  });
}

/** The job: the rehearsals are played in threads, a few at a time, and summed up. */
export const rehearsalWork: Worker = async (db, { question, ownerId }, { signal, progress }) => {
  const { examination, ...rest } = question as RehearsalAsked & { examination: string };
  const asked = rehearsalAsked.parse(rest);
  const found = await planToRehearse(db, examination, asked, await requirePerson(db, ownerId));
  if (typeof found === 'string') throw conflict('There is nothing to rehearse yet', found);
  const { plan, titles, ids, pairs, more, from } = found;
  const extra = more ? Math.max(AT_ONCE, Math.round(SHARE_OF_MORE * asked.rehearsals)) : 0;
  const whole = asked.rehearsals + extra;
  const said = (done: number) => progress(done / whole);
  const played = await play(plan, asked, asked.rehearsals, signal, said);
  const helped = more
    ? await play(more.plan, asked, extra, signal, (done) => said(asked.rehearsals + done))
    : [];
  const summary = summarise(played);
  const helpedSummary = more && summarise(helped);
  const { kappa, icc, cut, cutError, passed, dependability, byExaminer, byCircuit } = summary;
  const result: RehearsalResult = {
    asked,
    from,
    stations: ids.map((id, s) => ({
      id,
      title: titles[s] ?? '',
      carries: summary.stations[s] ?? null,
    })),
    candidates: plan.candidates,
    pairs,
    sentences: sayRehearsal(summary, { titles, candidates: plan.candidates, pairs }),
    generator: GENERATOR,
    rehearsals: summary.rehearsals,
    kappa,
    icc,
    cut,
    cutError,
    passed,
    dependability,
    oneMoreStation: summary.oneMore,
    byExaminer,
    byCircuit,
    oneMoreExaminer:
      more && helpedSummary
        ? { pairs: more.pairs, kappa: helpedSummary.kappa, icc: helpedSummary.icc }
        : null,
  };
  return result;
};

async function play(
  plan: RehearsedPlan,
  { assumptions, seed }: RehearsalAsked,
  count: number,
  signal: AbortSignal,
  said: (done: number) => void,
): Promise<Rehearsal[]> {
  const pieces = Array.from({ length: Math.ceil(count / AT_ONCE) }, (_, i) => ({
    from: i * AT_ONCE,
    count: Math.min(AT_ONCE, count - i * AT_ONCE),
  }));
  const played: Rehearsal[][] = [];
  let next = 0;
  let done = 0;
  const worker = async () => {
    for (let i = next++; i < pieces.length; i = next++) {
      const piece = pieces[i] as (typeof pieces)[number];
      played[i] = await rehearseSome({ plan, assumptions, seed, ...piece }, { signal });
      done += piece.count;
      said(done);
    }
  };
  await Promise.all(Array.from({ length: THREADS }, worker));
  return played.flat();
}
