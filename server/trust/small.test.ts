import type { Account } from '@kritikos/contracts/accounts';
import type { AgreementOverview } from '@kritikos/contracts/agreement';
import type { EventBody, MarkEvent } from '@kritikos/contracts/marking';
import type { Trust } from '@kritikos/contracts/trust';
import type { Years } from '@kritikos/contracts/years';
import type { ChecklistContent, ChecklistItem } from '@kritikos/core/scoring/checklist';
import { beforeAll, describe, expect, it } from 'vitest';
import { findChecklistVersion, makeNextVersion } from '../checklists/service.ts';
import { fillSheets } from '../demo/fillSheets.ts';
import { EXAMINERS } from '../demo/people.ts';
import { sheetsOfStation } from '../demo/repository.ts';
import { importCandidates } from '../examinations/candidates.ts';
import { planSheets } from '../examinations/planning.ts';
import * as examinations from '../examinations/service.ts';
import { addStation, assignExaminers, changeChecklistVersion } from '../examinations/stations.ts';
import { newId } from '../http/newId.ts';
import { agreementOf } from '../testing/agreementOf.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

// Examinations too small, or too even, for what the pages of analysis say of others: words, no numbers.
const server = await startServer('demo');
let lead: Caller;
let account: Account;
beforeAll(async () => {
  lead = await server.lead();
  if (!lead.account) throw new Error('Nobody is signed in.');
  account = lead.account;
});

interface Small {
  readonly heldOn: string;
  readonly stations: number;
  readonly examiners: number;
  readonly candidates: number;
  /** Whether an item is met; the same mark for everybody where it does not look at the candidate. */
  readonly met: (candidate: number, place: number) => boolean;
  /** A version of the checklist of its own. */
  readonly reworded?: boolean;
}

/** Makes and marks an examination of stations of the bank; answers with its id. */
async function examined(small: Small): Promise<string> {
  const { db } = server; // sheets are filled past the stream of taps
  const wanted = { title: 'Small', school: 'S', cohort: small.heldOn, zone: 'UTC' };
  const { id } = await examinations.createExamination(
    db,
    { ...wanted, heldOn: small.heldOn },
    account,
  );
  const bank = (await lead.call('GET', '/bank-stations')).body.stations.slice(0, small.stations);
  const { rows } = await server.db.raw('select id from account where email = any(:emails)', {
    emails: EXAMINERS.slice(0, small.examiners).map(({ email }) => email),
  });
  for (const { versionId } of bank) {
    const { stationList } = await addStation(db, id, { bankVersionId: versionId }, account);
    const added = stationList.at(-1);
    if (!added) throw new Error('No station was added.');
    if (small.reworded) {
      const { checklistId, content } = await findChecklistVersion(db, added.checklistVersionId);
      const items = content.items.map((item, i) =>
        i === 0 ? { ...item, text: `${item.text}, said otherwise` } : item,
      );
      const next = await makeNextVersion(db, checklistId, { ...content, items }, account);
      await changeChecklistVersion(db, added.id, next.id, account);
    }
    const examiners = rows.map((row: { id: string }) => ({
      accountId: row.id,
      every: 1,
      circuit: null,
    }));
    await assignExaminers(db, added.id, { examiners }, account);
  }
  const list = Array.from({ length: small.candidates }, (_, i) => `${i + 1},Somebody ${i + 1}`);
  await importCandidates(db, id, ['number,name', ...list].join('\n'), account);
  await planSheets(db, id, account);
  await examinations.setMarkingOpen(db, id, true, account);
  const { stationList } = await examinations.describeExamination(db, id, account);
  for (const station of stationList) {
    const { content } = await findChecklistVersion(db, station.checklistVersionId);
    const filled = (await sheetsOfStation(db, station.id)).map((sheet) => ({
      sheet: sheet.id,
      account: sheet.examinerId,
      events: eventsOf(content, station.checklistVersionId, small, sheet.candidateNumber),
    }));
    await fillSheets(db, content, filled);
  }
  return id;
}

function eventsOf(
  content: ChecklistContent,
  checklistVersionId: string,
  { met, heldOn }: Small,
  candidate: number,
): MarkEvent[] {
  const marks = content.items.map((item, place): EventBody => ({
    type: 'mark',
    item: item.key,
    value: valueOf(item, met(candidate, place)),
    observation: 'observed',
    manner: 'done',
    prompted: false,
  }));
  const bodies: EventBody[] = [...marks, { type: 'rating', grade: 3 }, { type: 'submit' }];
  return bodies.map((body, sequence) => ({
    id: newId(),
    device: 'test',
    sequence,
    at: new Date(Date.parse(`${heldOn}T09:00:00Z`) + 1000 * sequence).toISOString(),
    clockAhead: 0,
    checklistVersionId,
    body,
  }));
}

function valueOf(item: ChecklistItem, met: boolean): number | string {
  switch (item.kind) {
    case 'choice':
      return met ? item.answer : (item.options.find(({ key }) => key !== item.answer)?.key ?? '');
    case 'graded':
      return met ? item.anchors.length - 1 : 0;
    case 'measured':
      return met ? item.lower : item.maximum;
    default:
      return met ? 1 : 0;
  }
}

const pagesOf = async (id: string) => ({
  agreement: await agreementOf(lead, id),
  trust: (await lead.call('GET', `/examinations/${id}/trust`).expect(200)).body as Trust,
  years: (await lead.call('GET', `/examinations/${id}/years`).expect(200)).body as Years,
});
const kappaOf = ({ stations }: AgreementOverview) =>
  stations[0]?.technique.coefficients.congerKappa;

describe('one station, one examiner, three candidates', () => {
  it('has words in the place of every number', async () => {
    const id = await examined({
      heldOn: '2031-01-01',
      stations: 1,
      examiners: 1,
      candidates: 3,
      met: (candidate, place) => (candidate + place) % 3 > 0,
    });
    const { agreement, trust, years } = await pagesOf(id);
    expect(agreement.sentence).toMatch(/^No candidate was marked by two examiners yet/);
    expect(kappaOf(agreement)?.estimate).toBeNull();
    expect(agreement.stations[0]?.scores.estimate).toBeNull();
    expect(agreement.severity?.examiners).toEqual([]);
    expect(agreement.severity?.notes[0]).toMatch(/nobody can be called severe or mild/);
    expect(trust.sentence).toMatch(/cannot be told. One station alone/);
    expect(trust.held).toBeNull();
    expect(years.sentence).toMatch(/\w+ \w+/);
    const station = agreement.stations[0]?.stationId ?? '';
    const { body } = await lead.call('GET', `/stations/${station}/agreement/table`).expect(200);
    expect(body).toMatchObject({ pairs: [], cells: [] });
  });
});

describe('three candidates with two examiners', () => {
  it('have an agreement, no verdict on items, and no part that is named', async () => {
    const id = await examined({
      heldOn: '2031-02-01',
      stations: 2,
      examiners: 2,
      candidates: 3,
      met: (candidate, place) => (candidate * (place + 2)) % 4 > 0,
    });
    const { agreement, trust } = await pagesOf(id);
    expect(agreement.doubleMarked).toBe(6);
    expect(kappaOf(agreement)?.estimate).toBe(1);
    // All agree: the coefficient is there, and words stand where its interval would.
    expect(kappaOf(agreement)).toMatchObject({ lower: null, upper: null });
    expect(kappaOf(agreement)?.notes[0]).toMatch(/agreed on all 3/);
    for (const { items, byDomain } of agreement.stations) {
      expect(new Set(items.map(({ dispute }) => dispute.kind))).toEqual(new Set(['too few']));
      for (const { agreement: own } of byDomain) expect(own).toBeNull();
    }
    expect(trust.sentence).toMatch(/\w+ \w+/);
  });
});

describe('constant marks', () => {
  it('have an agreement of all, no kappa and no trust, and say why', async () => {
    const id = await examined({
      heldOn: '2031-03-01',
      stations: 3,
      examiners: 2,
      candidates: 8,
      met: () => true,
    });
    const { agreement, trust } = await pagesOf(id);
    expect(agreement.stations[0]?.technique.coefficients.percentAgreement?.estimate).toBe(1);
    expect(kappaOf(agreement)?.estimate).toBeNull();
    expect(kappaOf(agreement)?.notes[0]).toMatch(/one and the same category/);
    expect(agreement.stations[0]?.scores.notes[0]).toMatch(/All marks are equal/);
    expect(agreement.severity?.notes[0]).toMatch(/All marks are equal/);
    expect(trust.sentence).toMatch(/cannot be told/);
    expect(agreement.sentence).toMatch(/100 % of cases.*No item is in dispute/);
  });
});

describe('a year with another checklist', () => {
  it('is not told apart from the one before, and says how many stations are in common', async () => {
    const met = (candidate: number, place: number) => (candidate * (place + 3)) % 5 > 1;
    const before = { stations: 3, examiners: 1, candidates: 8, met };
    await examined({ ...before, heldOn: '2032-01-01' });
    const id = await examined({ ...before, heldOn: '2033-01-01', reworded: true });
    const { years } = await pagesOf(id);
    expect(years.sentence).toMatch(/No station is in common/);
    expect(years.compared?.cohort.estimate).toBeNull();
  });
});
