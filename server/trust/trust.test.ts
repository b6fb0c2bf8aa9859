import type { Trust } from '@kritikos/contracts/trust';
import { dStudy } from '@kritikos/core/reliability/dStudy';
import { internalConsistency } from '@kritikos/core/reliability/internalConsistency';
import { beforeAll, describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let trust: Trust;
beforeAll(async () => {
  lead = await server.lead();
  const id = await server.thisYears();
  trust = (await lead.call('GET', `/examinations/${id}/trust`).expect(200)).body;
});

describe('how far the demo can be trusted', () => {
  it('rests on every scored sheet of it', async () => {
    const { rows } = await server.db.raw(
      `select count(*) as sheets, count(distinct h.candidate_id) as candidates
       from sheet h join station s on s.id = h.station_id
       where s.examination_id = ? and h.percent is not null`,
      [await server.thisYears()],
    );
    expect(trust).toMatchObject({ ...rows[0], stations: 8 });
  });

  it('gives the alpha of the means, by another path from the sheets', async () => {
    const { rows } = await server.db.raw(
      `select array_agg(percent order by position) as scores from (
         select h.candidate_id, s.position, avg(h.percent)::float8 as percent
         from sheet h join station s on s.id = h.station_id
         where s.examination_id = ? and h.percent is not null group by 1, 2) m
       group by candidate_id having count(*) = 8`,
      [await server.thisYears()],
    );
    const { alpha } = internalConsistency(rows.map((r: { scores: number[] }) => r.scores));
    expect(trust.alpha.estimate).toBeCloseTo(alpha.estimate ?? NaN, 9);
    expect(trust.alpha.lower).toBeCloseTo(alpha.lower ?? NaN, 9);
  });

  it('tells the examiner from the performance, because a third was seen by two', () => {
    expect(trust.shares.map((one) => one.source)).toEqual([
      'candidate',
      'station',
      'candidate:station',
      'examiner',
    ]);
    const of = Object.fromEntries(
      trust.shares.map((one) => [
        one.source === 'examiner' ? 'residual' : one.source,
        one.variance,
      ]),
    );
    for (const design of trust.designs) {
      const again = dStudy(of, { station: design.stations, examiner: design.examiners ?? NaN });
      expect(design.dependability).toBeCloseTo(again.dependability ?? NaN, 12);
    }
    expect(trust.held?.stations).toBe(8);
    expect(trust.sentence).toMatch(/^The mean over 8 stations has a dependability of 0\.\d\d/);
  });

  it('says of an examination that nobody has marked that nothing can be told', async () => {
    const wanted = { title: 'New', school: 'S', cohort: '9', heldOn: '2031-01-01', zone: 'UTC' };
    const { id } = (await lead.call('POST', '/examinations', wanted).expect(200)).body;
    const none: Trust = (await lead.call('GET', `/examinations/${id}/trust`).expect(200)).body;
    expect(none).toMatchObject({ sheets: 0, shares: [], held: null });
    expect(none.sentence).toMatch(/cannot be told/);
  });
});
