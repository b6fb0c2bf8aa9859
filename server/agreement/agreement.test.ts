import type {
  AgreementLimits,
  AgreementOverview,
  AgreementTable,
  Comparison,
} from '@kritikos/contracts/agreement';
import { newId } from '../http/newId.ts';
import { EXAMINERS } from '../demo/people.ts';
import { beforeAll, describe, expect, it } from 'vitest';
import { usualKappa } from '@kritikos/core/agreement/everyCoefficient';
import { agreementOf } from '../testing/agreementOf.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let id: string;
let overview: AgreementOverview;

beforeAll(async () => {
  lead = await server.lead();
  id = await server.thisYears();
  overview = await agreementOf(lead, id);
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

/** The kappa of an item that fits it. */
function kappaOn({ coefficients }: AgreementOverview['stations'][number]['items'][number]) {
  const { cohenKappa, congerKappa } = coefficients;
  const kappa = usualKappa({ cohenKappa, congerKappa });
  if (!kappa) throw new Error('No kappa');
  return kappa;
}

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
    for (const { stationId, technique, pairs } of overview.stations) {
      let agreed = 0;
      let all = 0;
      for (const [place, pair] of pairs.entries()) {
        const { counts, pairs: named, pair: shown } = await tableOf(stationId, { pair: place });
        expect(named[shown]).toMatchObject({ first: pair.first, second: pair.second });
        expect(sum(counts)).toBe(pair.agreement.marks);
        const { coefficients } = pair.agreement;
        expect(coefficients.cohenKappa?.estimate).toBeCloseTo(kappaOf(counts), 9);
        agreed += counts.reduce((total, row, i) => total + (row[i] ?? 0), 0);
        all += sum(counts);
      }
      // Nobody of the demo is marked by three, so that the pairs make the whole.
      expect(technique.marks).toBe(all);
      expect(technique.coefficients.percentAgreement?.estimate).toBeCloseTo(agreed / all, 9);
    }
  });

  it('is none where all marks stand in one category, and says so', () => {
    const items = overview.stations.flatMap((station) => station.items);
    const kappas = items.filter((item) => item.marks > 0).map((item) => kappaOn(item));
    const undecided = kappas.filter((kappa) => kappa.estimate === null);
    expect(undecided.length).toBeGreaterThan(0);
    for (const kappa of undecided) expect(kappa.notes[0]).toMatch(/\w+ \w+/);
  });

  it('counts every pair of marks in the cell where its pair of sheets stands', async () => {
    const station = overview.stations[0]?.stationId ?? '';
    for (const { item, marks } of overview.stations[0]?.items.slice(0, 6) ?? []) {
      const { counts, categories, cells: differing, pairs } = await tableOf(station, { item });
      const other = await tableOf(station, { item, pair: 1 });
      expect(pairs).toHaveLength(2);
      expect(sum(counts) + sum(other.counts)).toBe(marks);
      for (const { row, column } of differing) expect(row).not.toBe(column);
      for (const row of categories.keys()) {
        for (const column of categories.keys()) {
          const { cells } = await tableOf(station, { item, row, column });
          expect(cells).toHaveLength(counts[row]?.[column] ?? NaN);
          for (const cell of cells) expect([cell.row, cell.column]).toEqual([row, column]);
        }
      }
    }
  });

  it('leads on to two sheets that differ on exactly the items off the diagonal', async () => {
    const station = overview.stations[0];
    const { cells, pairs } = await tableOf(station?.stationId ?? '');
    expect(cells.length).toBeGreaterThan(2);
    for (const { firstSheet, secondSheet, candidateNumber, item, asks } of cells.slice(0, 8)) {
      const { differing, ...sheets }: Comparison = (
        await lead.call('GET', `/sheets/${firstSheet}/comparison?with=${secondSheet}`).expect(200)
      ).body;
      expect(sheets.first.candidateNumber).toBe(candidateNumber);
      expect([sheets.first.examiner, sheets.second.examiner]).toEqual([
        pairs[0]?.first,
        pairs[0]?.second,
      ]);
      expect(differing).toContain(item);
      // In the words that the examiners read, not by its key.
      expect(sheets.first.checklist.content.items.find(({ key }) => key === item)?.text).toBe(asks);
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

describe('a part of a station', () => {
  it('has a table of its own, by domain, way of knowing, variant and declared result', async () => {
    for (const {
      stationId,
      byDomain,
      byObservability,
      byVariant,
      declared,
      items,
    } of overview.stations) {
      const facets = [
        ...byDomain.map((group) => ({ facet: 'domain', ...group })),
        ...byObservability.map((group) => ({ facet: 'observability', ...group })),
        ...byVariant.map((group) => ({ facet: 'variant', ...group })),
        { facet: 'declared', name: '', marks: declared?.marks },
      ];
      for (const { facet, name, marks } of facets) {
        const { counts, pairs } = await tableOf(stationId, { facet, name });
        const others = await Promise.all(
          pairs.slice(1).map((_, i) => tableOf(stationId, { facet, name, pair: i + 1 })),
        );
        const all = others.reduce((total, table) => total + sum(table.counts), sum(counts));
        expect(all, `${facet} ${name}`).toBe(marks);
      }
      const technique = items.filter((item) => !item.declared);
      const counted = byDomain.reduce((total, group) => total + group.marks, 0);
      expect(counted).toBe(technique.reduce((total, item) => total + item.marks, 0));
    }
  });

  it('that takes numbers has limits of agreement, with the readings behind them', async () => {
    const numbers = overview.stations.flatMap(({ stationId, items }) =>
      items.flatMap((item) => (item.measured ? [{ stationId, ...item }] : [])),
    );
    expect(numbers.length).toBeGreaterThan(0);
    for (const { stationId, item, measured } of numbers) {
      const address = `/stations/${stationId}/agreement/limits?item=${item}`;
      const behind: AgreementLimits = (await lead.call('GET', address).expect(200)).body;
      expect(behind.unit).toBe(measured?.unit);
      expect(behind.limits).toEqual(measured?.pairs[0]?.limits);
      expect(behind.points).toHaveLength(measured?.pairs[0]?.n ?? NaN);
      for (const { firstSheet, first } of behind.points.slice(0, 3)) {
        const { rows } = await server.db.raw(
          'select number_value as value from sheet_mark where sheet_id = ? and item = ?',
          [firstSheet, item],
        );
        expect(Number(rows[0].value)).toBe(first);
      }
    }
    const [station] = overview.stations;
    await lead
      .call('GET', `/stations/${station?.stationId}/agreement/limits?item=consent`)
      .expect(404);
  });
});

describe('what cannot be compared', () => {
  it('is refused with what is wrong', async () => {
    const [one, other] = overview.stations;
    const [[a], [b]] = [
      (await tableOf(one?.stationId ?? '')).cells,
      (await tableOf(other?.stationId ?? '')).cells,
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
