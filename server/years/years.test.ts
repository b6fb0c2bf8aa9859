import type { BankStation } from '@kritikos/contracts/stations';
import type { Results } from '@kritikos/contracts/results';
import type { StationYears, Years } from '@kritikos/contracts/years';
import { linearRegression, mean } from 'simple-statistics';
import { beforeAll, describe, expect, it } from 'vitest';
import { createAccount } from '../accounts/service.ts';
import { IMPERFECTIONS } from '../demo/imperfections.ts';
import { DEMO_PASSWORD } from '../demo/people.ts';
import { BANK, REWORDED } from '../demo/stations.ts';
import { newId } from '../http/newId.ts';
import { agreementOf } from '../testing/agreementOf.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let id: string;
let years: Years;
beforeAll(async () => {
  lead = await server.lead();
  id = await server.thisYears();
  years = (await lead.call('GET', `/examinations/${id}/years`).expect(200)).body;
});

describe('two years of the demo', () => {
  it('say that the cohort is better, by as much as was built in', () => {
    const { compared } = years;
    expect(years.sentence).toMatch(/^Cohort 2026 did \d+\.\d points better than 2025/);
    expect(compared?.cohort.lower).toBeGreaterThan(0);
    // An ability of .6 SD, .9 logits an SD and a slope of p(1 - p) near .17 are about 9 points.
    expect(compared?.cohort.lower).toBeLessThan(9);
    expect(compared?.cohort.upper).toBeGreaterThan(9 / 2);
  });

  it('find the station that became easier, and do not rest on it', () => {
    const easier = years.compared?.anchors.filter((anchor) => anchor.beyondError);
    expect(easier?.map((anchor) => anchor.title)).toEqual([BANK.soreThumbSide.title]);
    expect(years.sittings[0]?.stations[IMPERFECTIONS.easierStation.position - 1]?.title).toBe(
      BANK.soreThumbSide.title,
    );
    expect(easier?.[0]).toMatchObject({ used: false });
    expect(easier?.[0]?.drift.estimate).toBeGreaterThan(0);
    expect(years.compared?.anchors.map((anchor) => anchor.title)).not.toContain(
      BANK[REWORDED.station].title,
    );
  });

  it('show the figures that the other pages show', async () => {
    for (const sitting of years.sittings) {
      const path = `/examinations/${sitting.examinationId}`;
      const results: Results = (await lead.call('GET', `${path}/results`)).body;
      const agreement = await agreementOf(lead, sitting.examinationId);
      const means = results.candidates.flatMap((c) => c.mean ?? []);
      expect(sitting.scores).toHaveLength(means.length);
      expect(sitting.facility).toBeCloseTo(mean(means), 9);
      for (const [i, station] of sitting.stations.entries()) {
        const scores = results.candidates.flatMap((c) => c.stations[i]?.percent ?? []);
        expect(station.candidates).toBe(scores.length);
        expect(station.facility).toBeCloseTo(mean(scores), 9);
        const coefficients = agreement.stations[i]?.technique.coefficients;
        expect(station.kappa).toEqual(coefficients?.cohenKappa ?? coefficients?.congerKappa);
        // The cut once more, by another library, from the sheets themselves.
        const { rows } = await server.db.raw(
          `select avg(percent)::float8 as percent, avg(rating)::float8 as grade from sheet
           where station_id = ? and submitted_at is not null group by candidate_id`,
          [station.stationId],
        );
        const { m, b } = linearRegression(
          rows.map((r: { grade: number; percent: number }) => [r.grade, r.percent]),
        );
        expect(station.cut.estimate).toBeCloseTo(b + 2.5 * m, 6);
      }
    }
  });

  it('are none for the first sitting, and say so', async () => {
    const last = years.sittings[1]?.examinationId;
    const alone: Years = (await lead.call('GET', `/examinations/${last}/years`)).body;
    expect(alone.compared).toBeNull();
    expect(alone.sentence).toMatch(/nothing to compare/);
    expect(alone.sittings).toHaveLength(1);
  });

  it('show nobody what they may not read', async () => {
    const person = { email: 'half@orrinmouth.example', name: 'Half', password: DEMO_PASSWORD };
    const { id: account } = await createAccount(server.db, person, ['lead'], null);
    await server
      .db('examination_lead')
      .insert({ examination_id: id, account_id: account, may: 'read' });
    const half = await server.signIn(person.email);
    const seen: Years = (await half.call('GET', `/examinations/${id}/years`).expect(200)).body;
    expect(seen.sittings.map((sitting) => sitting.examinationId)).toEqual([id]);
    const bank = years.sittings[0]?.stations[0]?.bankStationId;
    const station: StationYears = (await half.call('GET', `/bank-stations/${bank}/years`)).body;
    expect(station.sittings.map((sitting) => sitting.examinationId)).toEqual([id]);
  });
});

describe('a station of the bank over its sittings', () => {
  const of = async (title: string): Promise<StationYears> => {
    const bank: BankStation[] = (await lead.call('GET', '/bank-stations')).body.stations;
    const station = bank.find((one) => one.title === title);
    return (await lead.call('GET', `/bank-stations/${station?.id}/years`).expect(200)).body;
  };

  it('follows its items by what they say: a reworded one is another', async () => {
    const { sentence, sittings, items } = await of(BANK[REWORDED.station].title);
    expect(sittings.map((sitting) => sitting.cohort)).toEqual(['2026', '2025']);
    expect(sentence).toMatch(
      /^Used in 2 sittings\. Cohort 2026 earned .* points more than 2025.*One item took the place of another/,
    );
    const reworded = items.find((item) => item.text === REWORDED.text);
    expect(reworded?.sittings).toHaveLength(1);
    const before = items.find((item) => item.itemId === reworded?.follows);
    expect(before?.sittings).toHaveLength(1);
    const kept = items.filter((item) => item !== reworded && item !== before);
    expect(kept.length).toBeGreaterThan(8);
    for (const item of kept) expect(item.sittings).toHaveLength(2);
  });

  it('gives each item the mean of its kept shares', async () => {
    const { sittings, items } = await of(BANK.kneeThatGaveWay.title);
    const shares = await server
      .db('sheet_item as i')
      .join('sheet as h', 'h.id', 'i.sheet_id')
      .where({ 'h.station_id': sittings[0]?.stationId, 'i.item_id': items[2]?.itemId })
      .whereNotNull('i.share')
      .pluck('i.share');
    expect(items[2]?.sittings[0]).toMatchObject({ marks: shares.length });
    expect(items[2]?.sittings[0]?.facility).toBeCloseTo(mean(shares.map(Number)), 9);
  });

  it('has none where it was never used, and is not found where it is not', async () => {
    const wanted = {
      title: 'Never used',
      procedures: [{ procedure: 'ober' }],
      patient: null,
      minutes: 8,
    };
    const made: BankStation = (await lead.call('POST', '/bank-stations', wanted).expect(200)).body;
    const unused: StationYears = (await lead.call('GET', `/bank-stations/${made.id}/years`)).body;
    expect(unused.sentence).toBe('Nobody has been marked at this station yet.');
    expect([unused.sittings, unused.items]).toEqual([[], []]);
    await lead.call('GET', `/bank-stations/${newId()}/years`).expect(404);
  });
});
