import { describe, expect, it } from 'vitest';
import * as analyses from '../analyses/repository.ts';
import * as agreement from '../agreement/repository.ts';
import * as calibration from '../calibration/repository.ts';
import * as progress from '../marking/progressRepository.ts';
import * as marking from '../marking/repository.ts';
import * as results from '../results/repository.ts';
import * as standards from '../standards/repository.ts';
import { findJob } from '../jobs/repository.ts';
import * as panels from '../panels/repository.ts';
import { newestRehearsal } from '../rehearsal/repository.ts';
import { findBankStation, searchBank } from '../stations/repository.ts';
import type { SearchedFor } from '../stations/repository.ts';
import { questionOf } from '../timetable/question.ts';
import { roomsInUse } from '../house/repository.ts';
import { wishOf } from '../timetable/service.ts';
import { begunSheets } from '../timetable/slotRepository.ts';
import { takeCohort } from './candidates.ts';
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
const panel = await db('panel').first();
const seat = await db('panel_seat').where({ panel_id: panel.id }).first();
const page = { offset: 0, limit: 100 };
const BANK: SearchedFor = {
  ...page,
  order: 'title',
  retired: 'without',
  meanings: [],
  procedures: null,
};

// A rehearsal that is done, in the database as its job leaves it.
const job = '01920000-0000-7000-8000-0000000000ab';
await db('job').insert({
  ...{ id: job, kind: 'rehearsal', owner_id: led, question: '{}', hash: Buffer.alloc(32, 1) },
  ...{ examination_id: examination, state: 'done', result: '{"of":"it"}', ended_at: db.fn.now() },
});

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
  listPanels: (viewer) => panels.listPanels(db, panel.examination_id, viewer),
  findPanel: (viewer) => panels.findPanel(db, panel.id, viewer),
  findSeat: (viewer) => panels.findSeat(db, seat.id, viewer),
  begunSheets: async (viewer) => [...(await begunSheets(db, examination, viewer))],
  roomsInUse: async (viewer) => (await roomsInUse(db, viewer)).flatMap(({ where }) => where ?? []),
  newestRehearsal: (viewer) => newestRehearsal(db, examination, viewer),
  findJob: (viewer) => findJob(db, job, viewer),
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

describe('a lead of something else', () => {
  const someone = { id: stranger, email: '', name: '', roles: ['lead' as const] };

  it('learns nothing of how students did elsewhere by planning them', async () => {
    const { cohort_id, held_on, zone } = await db('examination').where({ id: examination }).first();
    const id = '01920000-0000-7000-8000-0000000000ac';
    const own = { id, cohort_id, held_on, zone, title: 'Of a stranger', school: 'X' };
    await db('examination').insert({ ...own, created_by: stranger });
    await db('examination_lead').insert({ examination_id: id, account_id: stranger, may: 'lead' });
    await takeCohort(db, id, { circuits: [] }, someone);
    const wish = await wishOf(db, { id, heldOn: held_on }, someone);
    const { problem } = await questionOf(db, { id, zone }, wish, someone);
    expect(problem.candidates.length).toBeGreaterThan(40);
    expect(problem.candidates.filter(({ ability }) => ability !== null)).toEqual([]);
    // Whoever may read the other examination plans by it, as before.
    await db('examination_lead').insert({ examination_id: id, account_id: led, may: 'lead' });
    const reader = { ...someone, id: led };
    const { problem: known } = await questionOf(db, { id, zone }, wish, reader);
    expect(known.candidates.filter(({ ability }) => ability !== null).length).toBeGreaterThan(40);
  });

  it('sees how a station behaved where its results were released, and nowhere else', async () => {
    const caller = await lead();
    const asked = (await caller.call('POST', '/bank-stations/behaviour').expect(200)).body;
    await expect.poll(async () => (await findJob(db, asked.id, led))?.state).toBe('done');
    const seen = async (viewer: string) => {
      const { stations: found } = await searchBank(db, BANK, viewer);
      return new Set(found.flatMap(({ behaviour }) => behaviour?.examination ?? []));
    };
    const titles = new Map(
      (await db('examination').select('id', 'title')).map((e) => [e.id, e.title]),
    );
    const released = await db('release as r')
      .join('decision as d', 'd.id', 'r.decision_id')
      .pluck('d.examination_id');
    expect(await seen(led)).toContain(titles.get(examination));
    expect([...(await seen(stranger))]).toEqual(released.map((id: string) => titles.get(id)));
    expect(released).not.toContain(examination);
    const [one] = (await searchBank(db, BANK, led)).stations.filter(
      ({ behaviour }) => behaviour?.examination === titles.get(examination),
    );
    const own = await findBankStation(db, one?.id ?? '', stranger);
    expect(own?.behaviour?.examination).not.toBe(titles.get(examination));
  });
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
