import type { SheetRecord } from '@kritikos/contracts/marking';
import type { CandidateReport, Results } from '@kritikos/contracts/results';
import { DOMAINS } from '@kritikos/core/scoring/checklist';
import { scoreSheet } from '@kritikos/core/scoring/scoreSheet';
import { parse } from 'csv-parse/sync';
import { beforeAll, describe, expect, it } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { newId } from '../http/newId.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let id: string;
let results: Results;
const reportOf = async (candidate: string | undefined): Promise<CandidateReport> =>
  (await lead.call('GET', `/examinations/${id}/results/candidates/${candidate}`).expect(200)).body;

beforeAll(async () => {
  lead = await server.lead();
  id = await server.thisYears();
  results = (await lead.call('GET', `/examinations/${id}/results`)).body;
});

describe('a candidate’s results', () => {
  it('are the mean of the stations, and none where a station is missing', () => {
    for (const { stations, mean } of results.candidates) {
      const percents = stations.map((s) => s.percent);
      if (percents.includes(null)) expect(mean).toBeNull();
      else {
        const sum = percents.reduce<number>((total, percent) => total + (percent ?? NaN), 0);
        expect(mean).toBeCloseTo(sum / percents.length, 9);
      }
    }
  });

  it('can be followed down to the marks that made them', async () => {
    const report = await reportOf(results.candidates[0]?.candidateId);
    for (const station of report.stations) {
      const percents: (number | null)[] = [];
      for (const { sheetId, percent } of station.sheets) {
        const record: SheetRecord = (await lead.call('GET', `/sheets/${sheetId}/record`)).body;
        const { checklist, state } = record.sheet;
        const score = scoreSheet(checklist.content.items, state.marks, state.variants);
        expect(percent).toBeCloseTo(score.percent ?? NaN, 6);
        percents.push(score.percent);
      }
      const known = percents.filter((percent) => percent !== null);
      const mean = known.reduce((sum, percent) => sum + percent, 0) / known.length;
      expect(station.percent).toBeCloseTo(mean, 6);
    }
  });

  it('name what was missed, never what was earned in full', async () => {
    const reports = await Promise.all(
      results.candidates.slice(0, 6).map((c) => reportOf(c.candidateId)),
    );
    const missed = reports.flatMap((r) =>
      r.stations.flatMap((s) => s.sheets.flatMap((x) => x.missed)),
    );
    expect(missed.length).toBeGreaterThan(0);
    for (const { earned } of missed) expect(earned).toBeLessThan(1);
  });

  it('stay between 0 and 100 in every domain', () => {
    const percents = results.candidates.flatMap((c) => [
      c.safety,
      ...DOMAINS.map((domain) => c.domains[domain]),
    ]);
    for (const percent of percents.filter((p) => p !== null)) {
      expect(percent).toBeGreaterThanOrEqual(0);
      expect(percent).toBeLessThanOrEqual(100);
    }
  });
});

describe('the list of results', () => {
  it('comes page by page, in the order of the numbers, without loss', async () => {
    const pages: Results[] = [];
    for (let offset = 0; offset < results.total; offset += 10) {
      pages.push(
        (await lead.call('GET', `/examinations/${id}/results?offset=${offset}&limit=10`)).body,
      );
    }
    const numbers = pages.flatMap((page) => page.candidates.map((c) => c.number));
    expect(numbers).toEqual([...numbers].sort((a, b) => a - b));
    expect(numbers).toHaveLength(results.total);
    expect(new Set(numbers).size).toBe(results.total);
  });

  it('says the same in the file as on the screen', async () => {
    const { text } = await lead.call('GET', `/examinations/${id}/results.csv`).expect(200);
    const rows = parse(text, { bom: true, columns: true }) as Record<string, string>[];
    for (const [i, row] of rows.entries()) {
      const candidate = results.candidates[i];
      expect(Number(row.number)).toBe(candidate?.number);
      expect(row['student number']).toBe(candidate?.studentNumber);
      expect(row.outcome).toBe(candidate?.outcome ?? 'no decision');
      expect(row['mean percent']).toBe(candidate?.mean?.toFixed(2) ?? '');
      for (const domain of DOMAINS) {
        expect(row[domain]).toBe(candidate?.domains[domain]?.toFixed(2) ?? '');
      }
    }
  });

  it('is the lead’s alone, and of an examination that exists', async () => {
    const examiner = await server.signIn(EXAMINERS[0].email);
    await examiner.call('GET', `/examinations/${id}/results`).expect(403);
    await examiner.call('GET', `/examinations/${id}/results.csv`).expect(403);
    await lead.call('GET', `/examinations/${newId()}/results`).expect(404);
    await lead.call('GET', `/examinations/${id}/results/candidates/${newId()}`).expect(404);
  });
});
