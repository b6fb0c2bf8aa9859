import type { Account } from '@kritikos/contracts/accounts';
import type { Decision, Release, Settings, SignOff } from '@kritikos/contracts/standards';
import { GENERATOR } from '@kritikos/core/numerics/random';
import type { BootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import { scoredPairs } from '@kritikos/core/standards/setStandard';
import type { Standard, StandardSettings } from '@kritikos/core/standards/setStandard';
import { recordAction } from '../audit/repository.ts';
import { inSnapshot } from '../db/database.ts';
import type { Database } from '../db/database.ts';
import { holdExamination, requireExamination } from '../examinations/service.ts';
import { newId } from '../http/newId.ts';
import { conflict, invalid, notFound } from '../http/problems.ts';
import type { BootstrapJob } from '../jobs/bootstrapJob.ts';
import type { Jobs, Worker } from '../jobs/jobs.ts';
import { bootstrapCuts, computeStandard } from '../jobs/pool.ts';
import * as standards from './repository.ts';
import { factsFor, marksAndPeople, readDecision } from './service.ts';
import type { NamedStation } from './service.ts';

/** Enough for a standard error with a relative error under 2 % (Efron & Tibshirani 1993). */
const RESAMPLES = 2000;
const SEED = 1;

/**
 * Signs a standard. The server computes it anew from the submitted sheets, so that what is signed
 * is what the marks say; from then on the decision is read-only, and a change makes a new one.
 *
 * The marks are read at one instant and computed without holding anything, so that marking goes on
 * meanwhile. The decision names the sheets that it knew; any other is counted after it.
 */
export async function signDecision(
  db: Database,
  examinationId: string,
  wanted: SignOff,
  lead: Account,
  jobs: Jobs,
): Promise<Decision> {
  const known = await inSnapshot(db, async (trx) => {
    await requireExamination(trx, examinationId, lead);
    await refuseOvertaken(trx, examinationId, wanted, lead);
    return {
      ...(await marksAndPeople(trx, examinationId, lead)),
      facts: await factsFor(trx, examinationId, wanted.settings.rule, lead),
      sheets: await standards.submittedSheets(trx, examinationId, lead.id),
    };
  });
  const { data, candidates, facts } = known;
  const settings: StandardSettings = wanted.settings;
  const standard = await computeStandard({ data, candidates, settings, facts });
  const bootstraps = await bootstrapsOf(jobs, data, settings, { examinationId, lead });
  const content = contentOf(wanted.settings, data, candidates, { standard, bootstraps });
  return db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    const newest = await refuseOvertaken(trx, examinationId, wanted, lead);
    const id = newId();
    await standards.insertDecision(trx, {
      id,
      examinationId,
      number: (newest?.number ?? 0) + 1,
      follows: newest?.id ?? null,
      reason: wanted.reason,
      signedBy: lead.id,
      content,
      sheets: known.sheets,
    });
    await recordAction(trx, { accountId: lead.id, action: 'decision signed', subject: id });
    const signed = await standards.findDecision(trx, id, lead.id);
    if (!signed) throw notFound('decision');
    return signed;
  });
}

/**
 * The bootstrap errors of the cuts: a job, whose result is kept under what it was computed from, so
 * that a second look at the same marks finds it done.
 */
async function bootstrapsOf(
  jobs: Jobs,
  data: readonly NamedStation[],
  { borderline }: StandardSettings,
  { examinationId, lead }: { examinationId: string; lead: Account },
): Promise<BootstrapCut[]> {
  const question: BootstrapJob = {
    stations: data.map(({ records }) => scoredPairs(records)),
    borderline,
    resamples: RESAMPLES,
    seed: SEED,
    generator: GENERATOR,
  };
  const asked = await jobs.ask({ kind: 'bootstrap', ownerId: lead.id, examinationId, question });
  const { result } = await jobs.over(asked.id, lead.id);
  return result as BootstrapCut[];
}

/** The work of such a job. */
export const bootstrapWork: Worker = (_, { question }, around) =>
  bootstrapCuts(question as BootstrapJob, around);

/** The newest decision, which must be the one that the new one follows. */
async function refuseOvertaken(
  db: Database,
  examinationId: string,
  { follows }: SignOff,
  lead: Account,
): Promise<Decision | undefined> {
  const newest = await standards.newestDecision(db, examinationId, lead.id);
  if ((newest?.id ?? null) === follows) return newest;
  throw conflict(
    'Another decision was signed meanwhile',
    'Reload the page, read it, and sign again if a change is still wanted.',
  );
}

/** Releases the results to the candidates; an older decision than the newest is none to release. */
export async function releaseDecision(db: Database, id: string, lead: Account): Promise<Release> {
  return db.transaction(async (trx) => {
    const { number } = await readDecision(trx, id, lead);
    const examinationId = await standards.examinationOf(trx, id);
    await holdExamination(trx, examinationId, lead);
    const newest = await standards.newestDecision(trx, examinationId, lead.id);
    if (newest?.id !== id) {
      throw conflict(
        `Decision No. ${number} was followed by another`,
        'Release the newest decision; candidates are told one outcome.',
      );
    }
    await standards.insertRelease(trx, id, lead.id);
    await recordAction(trx, { accountId: lead.id, action: 'results released', subject: id });
    const released = await standards.findRelease(trx, id, lead.id);
    if (!released) throw notFound('release');
    return released;
  });
}

function contentOf(
  settings: Settings,
  data: readonly NamedStation[],
  candidates: readonly string[],
  { standard, bootstraps }: { standard: Standard; bootstraps: readonly BootstrapCut[] },
): standards.Content {
  const { examCut } = standard;
  if (examCut === null) {
    const without = standard.stations.findIndex((station) => station.cut === null);
    const why =
      standard.stations[without]?.byMethod.notes[0] ??
      'The standard error of measurement is undefined, so it cannot be added.';
    throw invalid([
      {
        pointer:
          without < 0
            ? '/settings/rule/semMultiplier'
            : `/settings/handCuts/${data[without]?.station ?? ''}`,
        detail:
          without < 0
            ? why
            : `${data[without]?.title ?? 'A station'} has no cut: ${why} Set one by hand.`,
      },
    ]);
  }
  return {
    schema: 7,
    generator: GENERATOR,
    method: settings.method,
    settings,
    total: examCut.total,
    sem: standard.sem,
    cuts: standard.stations.map((station, i) => ({
      station: station.station,
      title: data[i]?.title ?? '',
      cut: station.cut,
      byHand: station.byHand,
      method: station.method,
      standardError: station.byMethod.standardError,
      // The resampled error is of the line.
      bootstrapError:
        station.method === 'borderline-regression' ? (bootstraps[i]?.standardError ?? null) : null,
      rSquared: station.regression.line?.rSquared ?? null,
      n: station.byMethod.n,
    })),
    passed: standard.passed,
    failed: standard.failed,
    incomplete: standard.incomplete,
    outcomes: candidates.flatMap((candidate) => {
      const outcome = standard.outcomes.get(candidate);
      if (!outcome) return [];
      const { total, stationsPassed, reasons } = outcome;
      return [
        { candidate, outcome: outcome.outcome, total, stationsPassed, reasons: [...reasons] },
      ];
    }),
  };
}
