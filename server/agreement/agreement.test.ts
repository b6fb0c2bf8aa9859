import type { AgreementOverview, AgreementTable, Comparison } from '@kritikos/contracts/agreement';
import { newId } from '../http/newId.ts';
import { EXAMINERS } from '../demo/people.ts';
import { beforeAll, describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let id: string;
let overview: AgreementOverview;

beforeAll(async () => {
  lead = await server.lead();
  id = (await lead.call('GET', '/examinations')).body[0].id;
  overview = (await lead.call('GET', `/examinations/${id}/agreement`)).body;
});

const tableOf = async (
  station: string,
  query: Record<string, string | number> = {},
): Promise<AgreementTable> => {
  const asked = new URLSearchParams(
    Object.entries(query).map(([k, v]): [string, string] => [k, String(v)]),
  );
  return (await lead.call('GET', `/stations/${station}/agreement/table?${asked}`).expect(200)).body;
};
const sum = (counts: readonly (readonly number[])[]) => counts.flat().reduce((a, b) => a + b, 0);

/** Cohen 1960, straight from the counts: (po - pe) / (1 - pe). */
function kappaOf(counts: readonly (readonly number[])[]): number {
  const n = counts.flat().reduce((sum, x) => sum + x, 0);
  const row = (i: number) => (counts[i] ?? []).reduce((sum, x) => sum + x, 0) / n;
  const column = (j: number) => counts.reduce((sum, r) => sum + (r[j] ?? 0), 0) / n;
  const observed = counts.reduce((sum, r, i) => sum + (r[i] ?? 0), 0) / n;
  const expected = counts.reduce((sum, _, i) => sum + row(i) * column(i), 0);
  return (observed - expected) / (1 - expected);
}

describe('a coefficient of agreement', () => {
  it('can be worked out again from the table behind it, for every station', async () => {
    expect(overview.stations.length).toBeGreaterThan(0);
    for (const station of overview.stations) {
      const { counts } = await tableOf(station.stationId);
      expect(sum(counts)).toBe(station.pairs);
      expect(station.kappa.estimate).toBeCloseTo(kappaOf(counts), 9);
      const agreed = counts.reduce((total, row, i) => total + (row[i] ?? 0), 0);
      expect(station.percentAgreement.estimate).toBeCloseTo(agreed / sum(counts), 9);
    }
  });

  it('is none where all marks stand in one category, and says so', () => {
    const items = overview.stations.flatMap((station) => station.items);
    const undecided = items.filter((item) => item.kappa.estimate === null && item.pairs > 0);
    expect(undecided.length).toBeGreaterThan(0);
    for (const item of undecided) expect(item.kappa.notes[0]).toMatch(/\w+ \w+/);
  });

  it('counts every pair of marks in the cell where its pair of sheets stands', async () => {
    const station = overview.stations[0]?.stationId ?? '';
    for (const { item, pairs: n } of overview.stations[0]?.items.slice(0, 6) ?? []) {
      const { counts, categories, pairs: differing } = await tableOf(station, { item });
      expect(sum(counts)).toBe(n);
      for (const { row, column } of differing) expect(row).not.toBe(column);
      for (const row of categories.keys()) {
        for (const column of categories.keys()) {
          const { pairs } = await tableOf(station, { item, row, column });
          expect(pairs).toHaveLength(counts[row]?.[column] ?? NaN);
          for (const pair of pairs) expect([pair.row, pair.column]).toEqual([row, column]);
        }
      }
    }
  });

  it('leads on to two sheets that differ on exactly the items off the diagonal', async () => {
    const station = overview.stations[0];
    const { pairs } = await tableOf(station?.stationId ?? '');
    expect(pairs.length).toBeGreaterThan(2);
    for (const { firstSheet, secondSheet, candidateNumber, item } of pairs.slice(0, 8)) {
      const { differing, ...sheets }: Comparison = (
        await lead.call('GET', `/sheets/${firstSheet}/comparison?with=${secondSheet}`).expect(200)
      ).body;
      expect(sheets.first.candidateNumber).toBe(candidateNumber);
      expect(sheets.first.examiner).not.toBe(sheets.second.examiner);
      expect(differing).toContain(item);
    }
  });

  it('has as many pairs as were planned and marked, and never one candidate twice', async () => {
    expect(overview.doubleMarked).toBe(
      overview.stations.reduce((sum, station) => sum + station.candidates, 0),
    );
    expect(overview.doubleMarked).toBeLessThanOrEqual(overview.planned);
    for (const { stationId, candidates } of overview.stations) {
      const { counts } = await tableOf(stationId, { item: 'consent' });
      expect(sum(counts)).toBeLessThanOrEqual(candidates);
    }
  });
});

describe('what cannot be compared', () => {
  it('is refused with what is wrong', async () => {
    const [one, other] = overview.stations;
    const [[a], [b]] = [
      (await tableOf(one?.stationId ?? '')).pairs,
      (await tableOf(other?.stationId ?? '')).pairs,
    ];
    const mixed = await lead.call(
      'GET',
      `/sheets/${a?.firstSheet}/comparison?with=${b?.firstSheet}`,
    );
    expect(mixed.status).toBe(422);
    expect(mixed.body.title).toMatch(/not of one candidate at one station/);
    await lead.call('GET', `/sheets/${a?.firstSheet}/comparison?with=${newId()}`).expect(404);
    await lead
      .call('GET', `/stations/${one?.stationId}/agreement/table?item=no-such-item`)
      .expect(404);
    await lead.call('GET', `/examinations/${newId()}/agreement`).expect(404);
  });

  it('is not for examiners, who would see one another’s marks', async () => {
    const examiner = await server.signIn(EXAMINERS[0].email);
    await examiner.call('GET', `/examinations/${id}/agreement`).expect(403);
    await examiner
      .call('GET', `/stations/${overview.stations[0]?.stationId}/agreement/table`)
      .expect(403);
  });
});
