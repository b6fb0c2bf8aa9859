import type { AgreementOverview, AgreementTable } from '@kritikos/contracts/agreement';
import type { MarkingProgress } from '@kritikos/contracts/marking';
import type { Results } from '@kritikos/contracts/results';
import { beforeAll, describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';
import { IMPERFECTIONS } from './scenario.ts';

// Every imperfection that was built into the demo must be there for an analysis to find.
const server = await startServer('demo');
let lead: Caller;
let id: string;
let agreement: AgreementOverview;
beforeAll(async () => {
  lead = await server.lead();
  id = (await lead.call('GET', '/examinations')).body[0].id;
  agreement = (await lead.call('GET', `/examinations/${id}/agreement`)).body;
});
const itemOf = (position: number, key: string) => {
  const station = agreement.stations.find((s) => s.position === position);
  return station?.items.find((i) => i.item === key);
};

describe('the demo examination', () => {
  it('has four stations over four regions, 24 candidates, six examiners, a third double-marked', async () => {
    const examination = (await lead.call('GET', `/examinations/${id}`)).body;
    expect(new Set(examination.stationList.map((s: { region: string }) => s.region)).size).toBe(4);
    expect(examination.candidates).toBe(24);
    const names = examination.stationList.flatMap((s: { examiners: { name: string }[] }) =>
      s.examiners.map((e) => e.name),
    );
    expect(new Set(names).size).toBe(6);
    expect(agreement.planned / (24 * 4)).toBeCloseTo(1 / 3, 2);
  });

  it('shows the hard examiner at both her stations', () => {
    for (const position of [1, 2]) {
      const station = agreement.stations.find((s) => s.position === position);
      expect(station?.examiners).toContain(IMPERFECTIONS.hardExaminer);
      expect(station?.meanDifference).toBeGreaterThan(4);
    }
    const gentle = agreement.stations.find((s) => s.position === 3);
    expect(Math.abs(gentle?.meanDifference ?? 99)).toBeLessThan(4);
  });

  it('shows the ambiguous item', () => {
    const { position, item } = IMPERFECTIONS.ambiguousItem;
    expect(itemOf(position, item)?.dispute).toBe('ambiguous');
  });

  it('shows the item that everyone passes, with a kappa that says why it is none', () => {
    const item = itemOf(1, IMPERFECTIONS.easyItem);
    expect(item?.percentAgreement.estimate).toBe(1);
    expect(item?.kappa.estimate).toBeNull();
    expect(item?.kappa.notes[0]).toMatch(/one and the same category/);
    expect(item?.dispute).toBe('skewed');
  });

  it('shows the school difference as a one-sided item', () => {
    const { position, item } = IMPERFECTIONS.otherSchool;
    const found = itemOf(position, item);
    expect(found?.dispute).toBe('one-sided');
    expect(found?.biasIndex).toBeGreaterThan(0.4);
  });

  it('leads from the number to the table and on to the two sheets', async () => {
    const { position, item } = IMPERFECTIONS.otherSchool;
    const station = agreement.stations.find((s) => s.position === position);
    const table: AgreementTable = (
      await lead.call('GET', `/stations/${station?.stationId}/agreement/table?item=${item}`)
    ).body;
    expect(table.counts.flat().reduce((a, b) => a + b, 0)).toBe(itemOf(position, item)?.pairs);
    const apart = table.pairs.filter((p) => p.row !== p.column);
    expect(apart.length).toBeGreaterThanOrEqual(4);
    const { firstSheet, secondSheet } = apart[0] ?? {};
    const comparison = (
      await lead.call('GET', `/sheets/${firstSheet}/comparison?with=${secondSheet}`)
    ).body;
    expect(comparison.differing).toContain(item);
    const whole: AgreementTable = (
      await lead.call('GET', `/stations/${station?.stationId}/agreement/table`)
    ).body;
    expect(whole.categories.map((c) => c.label)).toEqual(['no mark', 'part', 'full mark']);
  });

  it('does not compare sheets of different candidates', async () => {
    const [a, b] = await server
      .db('sheet')
      .whereNotNull('submitted_at')
      .distinct('candidate_id')
      .select('id')
      .limit(2);
    await lead.call('GET', `/sheets/${a.id}/comparison?with=${b.id}`).expect(422);
  });

  it('shows the sheet with missing marks and the interrupted station', async () => {
    const { attention }: MarkingProgress = (await lead.call('GET', `/examinations/${id}/marking`))
      .body;
    const { missingMarks, safetyEvent } = IMPERFECTIONS;
    expect(attention).toContainEqual(
      expect.objectContaining({
        candidateNumber: missingMarks.candidate,
        reason: '3 marks missing',
      }),
    );
    expect(attention).toContainEqual(
      expect.objectContaining({ candidateNumber: safetyEvent.candidate, reason: 'safety event' }),
    );
  });

  it('leaves the late candidate incomplete, not failed', async () => {
    const { candidates }: Results = (await lead.call('GET', `/examinations/${id}/results`)).body;
    const late = candidates.find((c) => c.number === IMPERFECTIONS.lateCandidate);
    expect(late).toMatchObject({ outcome: 'incomplete', mean: null });
    expect(candidates.filter((c) => c.outcome === 'fail').length).toBeGreaterThan(0);
    expect(candidates.filter((c) => c.outcome === 'pass').length).toBeGreaterThan(12);
  });
});
