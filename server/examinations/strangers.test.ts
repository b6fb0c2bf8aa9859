import { describe, expect, it } from 'vitest';
import * as analyses from '../analyses/repository.ts';
import * as agreement from '../agreement/repository.ts';
import * as calibration from '../calibration/repository.ts';
import * as progress from '../marking/progressRepository.ts';
import * as marking from '../marking/repository.ts';
import * as results from '../results/repository.ts';
import * as standards from '../standards/repository.ts';
import { startServer } from '../testing/startServer.ts';
import { sheetScores } from '../trust/repository.ts';
import * as held from '../years/repository.ts';
import * as candidates from './candidateRepository.ts';
import * as stations from './stationRepository.ts';
import * as examinations from './repository.ts';

// What a stranger would find if every check before the query were forgotten.
const { db, lead, thisYears } = await startServer('demo');
const led = (await lead()).account?.id ?? '';
const stranger = (
  await db('account')
    .insert({ ...account('stranger@x.example') })
    .returning('id')
)[0].id;
const examination = await thisYears();
const of = { examination_id: examination };
const { id: station } = await db('station')
  .where({ ...of, position: 1 })
  .first('id');
const { id: sheet, candidate_id: candidate } = await db('sheet')
  .where({ station_id: station })
  .whereNotNull('submitted_at')
  .first();
const { id: decision } = await db('decision').where(of).first('id');
const { id: lastYears } = await db('examination').orderBy('held_on').first('id');
const { bank_station_id: bankStation } = await db('station as s')
  .join('bank_station_version as v', 'v.id', 's.bank_version_id')
  .where('s.id', station)
  .first('v.bank_station_id');
const page = { offset: 0, limit: 10 };

function account(email: string) {
  const id = '01920000-0000-7000-8000-00000000beef';
  return { id, email, name: 'A lead of something else', roles: ['lead'], password_hash: '-' };
}

/** Every query that a page of a lead is read with, by its name. */
const QUERIES: Record<string, (viewer: string) => Promise<unknown>> = {
  listExaminations: (viewer) => examinations.listExaminations(db, viewer),
  findExamination: (viewer) => examinations.findExamination(db, examination, viewer),
  listStations: (viewer) => stations.listStations(db, examination, viewer),
  findStation: (viewer) => stations.findStation(db, station, viewer),
  lockExamination: (viewer) => examinations.lockExamination(db, examination, viewer),
  candidateNumbers: (viewer) => candidates.candidateNumbers(db, examination, viewer),
  candidatePage: (viewer) => candidates.candidatePage(db, examination, viewer, page),
  findCandidate: (viewer) => candidates.findCandidate(db, candidate, viewer),
  listLeads: (viewer) => examinations.listLeads(db, examination, viewer),
  cycleCounts: (viewer) => examinations.cycleCounts(db, examination, viewer),
  ratedSheets: (viewer) => agreement.ratedSheets(db, station, viewer),
  countPlannedTwice: (viewer) => agreement.countPlannedTwice(db, examination, viewer),
  scoreLines: (viewer) => agreement.scoreLines(db, examination, viewer),
  stationBases: (viewer) => analyses.stationBases(db, examination, viewer),
  findBriefing: (viewer) => calibration.findBriefing(db, station, viewer),
  listConfirmations: (viewer) => calibration.listConfirmations(db, examination, viewer),
  findSheet: (viewer) => marking.findSheet(db, sheet, viewer),
  progressRows: (viewer) => progress.progressRows(db, examination, viewer),
  attentionRows: (viewer) => progress.attentionRows(db, examination, viewer),
  markColumns: async (viewer) => [
    ...(await standards.markColumns(
      db,
      { examinationId: examination, stations: [station] },
      viewer,
    )),
  ],
  countOutstanding: (viewer) => standards.countOutstanding(db, examination, viewer),
  findDraft: (viewer) => standards.findDraft(db, examination, viewer),
  'submittedSheets of an examination': (viewer) =>
    standards.submittedSheets(db, examination, viewer),
  listDecisions: (viewer) => standards.listDecisions(db, examination, viewer),
  findDecision: (viewer) => standards.findDecision(db, decision, viewer),
  newestDecision: (viewer) => standards.newestDecision(db, examination, viewer),
  findRelease: (viewer) => standards.findRelease(db, decision, viewer),
  sheetScores: (viewer) => sheetScores(db, examination, viewer),
  relatedSittings: (viewer) => held.relatedSittings(db, examination, viewer, 5),
  sittingsOf: (viewer) => held.sittingsOf(db, bankStation, viewer, 5),
  bankStationsOf: async (viewer) => [...(await held.bankStationsOf(db, examination, viewer))],
  anchorsBetween: (viewer) => held.anchorsBetween(db, examination, lastYears, viewer),
  itemShares: (viewer) => held.itemShares(db, [station], viewer),
  candidateRows: (viewer) => results.candidateRows(db, examination, viewer, page),
  countCandidates: (viewer) => results.countCandidates(db, examination, viewer),
  'submittedSheets of a candidate': (viewer) => results.submittedSheets(db, candidate, viewer),
};

/** Nothing: no row, an empty list, a count of none, or several of these. */
function isNothing(found: unknown): boolean {
  if (found === undefined || found === null || found === false || found === 0) return true;
  if (Array.isArray(found)) return found.length === 0;
  return typeof found === 'object' && Object.values(found).every(isNothing);
}

describe.each(Object.entries(QUERIES))('%s', (name, query) => {
  it('finds no row for somebody who neither leads the examination nor may read it', async () => {
    expect(isNothing(await query(stranger))).toBe(true);
  });

  // Of this examination there is no draft and no release, so that even its lead finds none.
  it.skipIf(['findDraft', 'findRelease'].includes(name))(
    'finds something for who leads it',
    async () => {
      expect(isNothing(await query(led))).toBe(false);
    },
  );
});

describe('counting what came after a decision', () => {
  it('counts nothing for a stranger', async () => {
    await db('decision_sheet').count();
    const late = await db('sheet').where({ submitted_at: null, started_at: null }).first('id');
    await db('sheet')
      .where({ id: late.id })
      .update({ started_at: db.fn.now(), submitted_at: db.fn.now() });
    expect(await standards.countSubmittedSince(db, decision, led)).toBe(1);
    expect(await standards.countSubmittedSince(db, decision, stranger)).toBe(0);
  });
});
