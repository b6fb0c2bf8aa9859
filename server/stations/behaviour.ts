import type { Account } from '@kritikos/contracts/accounts';
import type { Job } from '@kritikos/contracts/jobs';
import { ratedSheets } from '../agreement/repository.ts';
import { findChecklistVersion } from '../checklists/service.ts';
import type { Database } from '../db/database.ts';
import { findStation } from '../examinations/stationRepository.ts';
import type { Jobs, Worker } from '../jobs/jobs.ts';
import { computeBehaviour } from '../jobs/pool.ts';
import { keepBehaviour, scoresOf, staleStations } from './behaviourRepository.ts';
import type { StaleStation } from './behaviourRepository.ts';

/** Asks for the behaviour of what was marked since it was last worked out; `null` where nothing was. */
export async function askBehaviour(
  db: Database,
  jobs: Jobs,
  { id: ownerId }: Account,
): Promise<Job | null> {
  const stations = await staleStations(db, ownerId);
  if (stations.length === 0) return null;
  return jobs.ask({ kind: 'behaviour', ownerId, question: { stations } });
}

/** The job: station by station, in a thread, kept with the number of sheets it was worked out from. */
export const behaviourWork: Worker = async (db, { question, ownerId }, { signal, progress }) => {
  const { stations } = question as { stations: readonly StaleStation[] };
  for (const [i, { id, sheets }] of stations.entries()) {
    signal.throwIfAborted();
    const station = await findStation(db, id, ownerId);
    if (station) {
      const { content } = await findChecklistVersion(db, station.checklistVersionId);
      const behaviour = await computeBehaviour({
        items: content.items,
        scores: await scoresOf(db, id),
        sheets: await ratedSheets(db, id, ownerId),
      });
      await keepBehaviour(db, id, sheets, behaviour);
    }
    progress((i + 1) / stations.length);
  }
  return { stations: stations.length };
};
