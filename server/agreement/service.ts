import type { Account } from '@kritikos/contracts/accounts';
import type {
  AgreementOverview,
  Comparison,
  Severities,
  StationAgreement,
} from '@kritikos/contracts/agreement';
import { sayAgreement } from '@kritikos/core/agreement/sayAgreement';
import { inSnapshot } from '../db/database.ts';
import type { Database } from '../db/database.ts';
import { listStations } from '../examinations/stationRepository.ts';
import { requireExamination } from '../examinations/service.ts';
import { HttpProblem } from '../http/problems.ts';
import type { Jobs } from '../jobs/jobs.ts';
import { describeSheet, requireSheet } from '../marking/service.ts';
import { countPlannedTwice } from './repository.ts';
import { knownAgreements, questionOf, stationAgreements } from './working.ts';
import { stationBases } from '../analyses/repository.ts';

/** So long a page waits for everything before it is answered with what there is. */
const WAIT_MILLISECONDS = 600;

/**
 * How far the examiners of every station agree. What is known is answered at once; what is not is
 * worked out as a job, and the answer then says for which stations it is still awaited.
 */
export async function readAgreement(
  db: Database,
  jobs: Jobs,
  examinationId: string,
  viewer: Account,
): Promise<AgreementOverview> {
  await requireExamination(db, examinationId, viewer);
  const planned = await countPlannedTwice(db, examinationId, viewer.id);
  const stations = await listStations(db, examinationId, viewer.id);
  const bases = await stationBases(db, examinationId, viewer.id);
  const question = await questionOf(db, examinationId, bases, viewer);
  const asked = await jobs.ask({
    kind: 'agreement',
    ownerId: viewer.id,
    examinationId,
    question,
  });
  const job = await jobs.within(asked, viewer.id, WAIT_MILLISECONDS);
  const over = job.state === 'done';
  const kept = await knownAgreements(db, bases);
  // What was kept can be thrown away at any time; the job is over then, and its stations are not.
  const known =
    over && kept.size < bases.length
      ? await stationAgreements(db, examinationId, stations, viewer)
      : kept;
  const described = stations.flatMap((station): StationAgreement[] => {
    const { id, position, title } = station;
    const own = known.get(id);
    return own ? [{ stationId: id, position, title, ...own }] : [];
  });
  const severity = over ? (job.result as Severities) : null;
  return {
    sentence: sayOverview(described, severity, stations.length - known.size),
    doubleMarked: described.reduce((sum, { candidates }) => sum + candidates, 0),
    planned,
    stations: described,
    awaited: stations
      .filter(({ id }) => !known.has(id))
      .map(({ position, title }) => ({ position, title })),
    severity,
    job: over ? null : job,
  };
}

function sayOverview(
  stations: readonly StationAgreement[],
  severity: Severities | null,
  awaited: number,
): string {
  return sayAgreement(
    stations.map(({ position, candidates, technique, items }) => ({
      position,
      candidates,
      agreement: technique.coefficients.percentAgreement?.estimate ?? null,
      items: items.map(({ text, share, dispute }) => ({
        text,
        share,
        dispute: dispute.kind,
        examiner: dispute.examiner,
      })),
    })),
    severity,
    awaited,
  );
}

/** Two sheets of one candidate side by side, and the items on which they differ. */
export async function compareSheets(
  db: Database,
  firstId: string,
  secondId: string,
  viewer: Account,
): Promise<Comparison> {
  const read = async (trx: Database, id: string) =>
    describeSheet(trx, await requireSheet(trx, id, viewer));
  const [first, second] = await inSnapshot(db, async (trx) => [
    await read(trx, firstId),
    await read(trx, secondId),
  ]);
  if (first.stationId !== second.stationId || first.candidateNumber !== second.candidateNumber) {
    throw new HttpProblem(422, 'invalid', 'These sheets are not of one candidate at one station');
  }
  const valueOn = (side: typeof first, item: string) => {
    const mark = side.state.marks.find((m) => m.item === item);
    return mark ? JSON.stringify([mark.value, mark.observation, mark.manner]) : 'unmarked';
  };
  const differing = first.checklist.content.items
    .map((item) => item.key)
    .filter((item) => valueOn(first, item) !== valueOn(second, item));
  return { first, second, differing };
}
