import type { AgreementOverview } from '@kritikos/contracts/agreement';
import type { MarkingProgress } from '@kritikos/contracts/marking';
import type { Results } from '@kritikos/contracts/results';
import type { Years } from '@kritikos/contracts/years';
import { beforeAll, describe, expect, it } from 'vitest';
import { agreementOf } from '../testing/agreementOf.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';
import { FLAWLESS, IMPERFECTIONS } from './imperfections.ts';
import { loadDemo, USUAL_SIZE } from './scenario.ts';

// What the pages name in the demo they must not name where it is not: the same seed, nothing wrong.
const server = await startServer('empty');
let lead: Caller;
let id: string;
let agreement: AgreementOverview;
let years: Years;
beforeAll(async () => {
  await loadDemo(server.db, server.tools.jobs, { ...USUAL_SIZE, imperfections: FLAWLESS });
  lead = await server.lead();
  id = await server.thisYears();
  agreement = await agreementOf(lead, id);
  years = (await lead.call('GET', `/examinations/${id}/years`).expect(200)).body;
});

const itemOf = ({ position, item }: { position: number; item: string }) => {
  const station = agreement.stations.find((s) => s.position === position);
  return station?.items.find((i) => i.item === item);
};

describe('the demo with nothing wrong', () => {
  it('has no examiner whom the page of agreement calls hard', () => {
    const { examiners } = agreement.severity ?? { examiners: [] };
    expect(examiners).toHaveLength(20);
    const clear = examiners.filter(({ lower, upper }) => (lower ?? 0) * (upper ?? 0) > 0);
    expect(clear).toEqual([]);
    expect(agreement.sentence).not.toMatch(/points (lower|higher)/);
  });

  it('has no ambiguous item, no other school and no item that everyone passes', () => {
    const { ambiguousItem, otherSchool, easyItem } = IMPERFECTIONS;
    expect(itemOf(ambiguousItem)?.dispute.kind).not.toBe('ambiguous');
    expect(itemOf(otherSchool)?.dispute.kind).not.toBe('one-sided');
    const easy = itemOf({ position: 1, item: easyItem });
    expect(easy?.coefficients.congerKappa?.estimate).not.toBeNull();
    expect(easy?.prevalenceIndex).toBeLessThan(1);
  });

  it('has no sheet that wants a look, and nobody who is incomplete', async () => {
    const { attention }: MarkingProgress = (await lead.call('GET', `/examinations/${id}/marking`))
      .body;
    expect(attention.filter(({ reason }) => /missing|safety/.test(reason))).toEqual([]);
    const { candidates }: Results = (await lead.call('GET', `/examinations/${id}/results`)).body;
    expect(candidates.filter(({ outcome }) => outcome === 'incomplete')).toEqual([]);
  });

  it('has cohorts that the years do not tell apart, and no station that drifted', () => {
    const { cohort, anchors } = years.compared ?? {};
    expect(cohort?.lower).toBeLessThan(0);
    expect(cohort?.upper).toBeGreaterThan(0);
    expect(anchors?.filter(({ beyondError }) => beyondError)).toEqual([]);
    expect(years.sentence).toMatch(/cannot|no difference|not be told|within/);
  });
});
