import type { Agreed, Severities } from '@kritikos/contracts/agreement';
import type { Station } from '@kritikos/contracts/examinations';
import { unitOf } from '@kritikos/core/agreement/stationAgreement';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { findKept, keep, stationBases } from '../analyses/repository.ts';
import type { Basis } from '../analyses/repository.ts';
import { ofEveryStation } from '../analyses/service.ts';
import type { StationAnalysis, Viewer } from '../analyses/service.ts';
import { findChecklistVersion } from '../checklists/service.ts';
import type { Database } from '../db/database.ts';
import { listStations } from '../examinations/stationRepository.ts';
import type { Worker } from '../jobs/jobs.ts';
import { computeAgreement, computeSeverity, computeTechnique } from '../jobs/pool.ts';
import type { Around } from '../jobs/pool.ts';
import type { SeverityJob } from '../jobs/severityJob.ts';
import { newestDecision } from '../standards/repository.ts';
import { factsFor, marksAndPeople } from '../standards/service.ts';
import { listOccurrences } from '../safety/repository.ts';
import type { SafetyOccurrence } from '@kritikos/contracts/safety';
import type { Described } from './describeStation.ts';
import * as agreement from './repository.ts';

/** Changed when what is worked out changes. */
export const KIND = 'agreement/2';
/** As many stations as there are threads. */
const AT_ONCE = 2;

/** What the work is asked for: all that its result depends on, so that the same is never done twice. */
export interface AgreementQuestion {
  readonly examination: string;
  readonly bases: readonly string[];
  readonly decision: string | null;
  readonly kind: string;
  /** The safety events and what was found of each, where there are any: a rule may ask for them. */
  readonly safety?: string;
}

export async function questionOf(
  db: Database,
  examination: string,
  bases: readonly Basis[],
  viewer: Viewer,
): Promise<AgreementQuestion> {
  const decision = await newestDecision(db, examination, viewer.id);
  const safety = saidOf(await listOccurrences(db, examination, viewer.id));
  return {
    examination,
    bases: bases.map(({ stationId, basis }) => `${stationId} ${basis}`).sort(),
    decision: decision?.id ?? null,
    kind: KIND,
    ...(safety === '' ? {} : { safety }),
  };
}

function saidOf(occurrences: readonly SafetyOccurrence[]): string {
  return occurrences.map(({ id, followUp }) => `${id} ${followUp?.laidTo ?? 'open'}`).join(', ');
}

/** The agreement of each station that is known already, by station. */
export async function knownAgreements(
  db: Database,
  bases: readonly Basis[],
): Promise<ReadonlyMap<string, Described>> {
  const kept = await findKept(db, KIND, bases);
  return new Map(kept.map(({ stationId, result }) => [stationId, result as Described]));
}

/** The agreement of every station, worked out where it is not known yet. */
export function stationAgreements(
  db: Database,
  examination: string,
  stations: readonly Station[],
  viewer: Viewer,
): Promise<ReadonlyMap<string, Described>> {
  const analysis: StationAnalysis<Described> = {
    kind: KIND,
    workOut: async (own, ids) => {
      const wanted = stations.filter(({ id }) => ids.includes(id));
      const found = await Promise.all(
        wanted.map(async (station) => [station.id, await workOut(own, station, viewer)] as const),
      );
      return new Map(found);
    },
  };
  return ofEveryStation(db, examination, viewer, analysis);
}

/** The agreement of every station on technique, all items together: what the years compare. */
export function techniqueAgreements(
  db: Database,
  examination: string,
  stations: readonly Station[],
  viewer: Viewer,
): Promise<ReadonlyMap<string, Agreed>> {
  return ofEveryStation(db, examination, viewer, {
    kind: 'technique/1',
    workOut: async (own, ids) => {
      const wanted = stations.filter(({ id }) => ids.includes(id));
      const found = await Promise.all(
        wanted.map(async (station) => {
          const { content, sheets } = await comparedSheets(own, station, viewer);
          const { items, procedures } = content;
          const job = { content: { items, procedures }, sheets, numbers: [] };
          return [station.id, await computeTechnique(job)] as const;
        }),
      );
      return new Map(found);
    },
  });
}

/** The sheets of a station that are compared, and the numbers that were read on them. */
export async function comparedSheets(
  db: Database,
  { id, checklistVersionId }: Pick<Station, 'id' | 'checklistVersionId'>,
  viewer: Viewer,
) {
  const { content } = await findChecklistVersion(db, checklistVersionId);
  const sheets = await agreement.ratedSheets(db, id, viewer.id);
  const places = placesOfNumbers(content.items);
  const numbers = await agreement.numbersRead(
    db,
    sheets.map((sheet) => sheet.id),
    places,
  );
  return { content, sheets, numbers };
}

function placesOfNumbers(items: readonly ChecklistItem[]): Map<string, number> {
  return new Map(
    items.flatMap((item, place) => (unitOf(item) === null ? [] : [[item.key, place] as const])),
  );
}

async function workOut(
  db: Database,
  station: Station,
  viewer: Viewer,
  around?: Around,
): Promise<Described> {
  const { content, sheets, numbers } = await comparedSheets(db, station, viewer);
  const { items, procedures } = content;
  return computeAgreement({ content: { items, procedures }, sheets, numbers }, around);
}

/**
 * The work of the job: the stations that are not known yet, each kept as soon as it is there, and
 * then the severity of the examiners, which is its result.
 */
export const agreementWork: Worker = async (db, { question, ownerId }, { signal, progress }) => {
  const { examination } = question as AgreementQuestion;
  const viewer = { id: ownerId };
  const stations = new Map((await listStations(db, examination, ownerId)).map((s) => [s.id, s]));
  const bases = await stationBases(db, examination, ownerId);
  const known = new Set((await findKept(db, KIND, bases)).map(({ stationId }) => stationId));
  const missing = bases.filter(({ stationId }) => !known.has(stationId));
  const steps = missing.length + 1;
  let done = 0;
  const one = async (basis: Basis) => {
    const station = stations.get(basis.stationId);
    if (station) await keep(db, KIND, basis, await workOut(db, station, viewer, { signal }));
    progress(++done / steps);
  };
  const queue = [...missing];
  const lane = async () => {
    for (let next = queue.shift(); next && !signal.aborted; next = queue.shift()) await one(next);
  };
  await Promise.all(Array.from({ length: AT_ONCE }, lane));
  return severityOf(db, examination, viewer, { signal });
};

async function severityOf(
  db: Database,
  examination: string,
  viewer: Viewer,
  around: Around,
): Promise<Severities> {
  const lines = await agreement.scoreLines(db, examination, viewer.id);
  const standard = await standardApplied(db, examination, viewer);
  const { effects, touched } = await computeSeverity({ lines, standard }, around);
  const { examiners, notes, ...rest } = effects;
  return {
    ...rest,
    examiners: examiners.map((one) => ({ ...one })),
    notes: [...notes],
    touched:
      touched?.map(({ candidate, ...one }) => ({ candidateNumber: candidate, ...one })) ?? null,
  };
}

/** The newest decision's cuts and rule, with the marks that they are applied to. */
async function standardApplied(
  db: Database,
  examination: string,
  viewer: Viewer,
): Promise<SeverityJob['standard']> {
  const decision = await newestDecision(db, examination, viewer.id);
  if (!decision) return null;
  const { data, people } = await marksAndPeople(db, examination, viewer);
  const numbers = new Map(people.map(({ id, number }) => [id, number]));
  const rule = { criticalBy: 'all' as const, ...decision.settings.rule };
  const facts = await factsFor(db, examination, rule, viewer);
  return {
    cuts: data.map(
      ({ station }) => decision.cuts.find((cut) => cut.station === station)?.cut ?? null,
    ),
    cut: { sumOfCuts: decision.total, total: decision.total },
    rule,
    ...(facts
      ? { facts: new Map([...facts].map(([id, own]) => [numbers.get(id) ?? -1, own])) }
      : {}),
    records: data.map(
      ({ records }) =>
        new Map(
          records.map(({ candidate, percent, critical }) => [
            numbers.get(candidate) ?? -1,
            { percent, critical },
          ]),
        ),
    ),
  };
}
