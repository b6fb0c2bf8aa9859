import type {
  Decision,
  Rereading,
  Settings,
  StandardParts,
  StandardsPage,
} from '@kritikos/contracts/standards';
import { beforeAll, describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let id: string;
let page: StandardsPage;
const open = async (): Promise<StandardsPage> =>
  (await lead.call('GET', `/examinations/${id}/standards`)).body;
const sign = (settings: Settings, follows: string | null) =>
  lead.call('POST', `/examinations/${id}/decisions`, {
    settings,
    follows,
    reason: 'Agreed by the panel today.',
  });
beforeAll(async () => {
  lead = await server.lead();
  id = await server.thisYears();
  page = await open();
});

describe('a rule', () => {
  it('asks for a domain by itself, from sums that another path gives', async () => {
    const [newest] = (await open()).decisions;
    const parts: StandardParts = (
      await lead.call('GET', `/examinations/${id}/standards/parts`).expect(200)
    ).body;
    // Once more in SQL, out of the scores as they are kept: a station marked twice counts once.
    const { rows } = await server.db.raw(
      `with sheets as (
         select h.candidate_id, (h.score #>> '{domains,technique,earned}')::float8 as earned,
           (h.score #>> '{domains,technique,possible}')::float8 as possible,
           count(*) over (partition by h.station_id, h.candidate_id) as times
         from sheet h join station s on s.id = h.station_id
         where s.examination_id = ? and h.submitted_at is not null)
       select candidate_id as id, 100 * sum(earned / times) / sum(possible / times) as percent
       from sheets group by candidate_id`,
      [id],
    );
    const again = new Map(rows.map((r: { id: string; percent: number }) => [r.id, r.percent]));
    for (const [place, candidate] of page.candidates.entries()) {
      const found = parts.technique[place] ?? null;
      if (found === null) expect(again.has(candidate.id)).toBe(false);
      else expect(found).toBeCloseTo(Number(again.get(candidate.id)), 9);
    }
    const asked = { ...page.draft.rule, parts: { technique: 75 } };
    const decision: Decision = (
      await sign({ ...page.draft, rule: asked }, newest?.id ?? null).expect(200)
    ).body;
    expect(decision).toMatchObject({ schema: 7, settings: { rule: { parts: { technique: 75 } } } });
    const below = page.candidates.filter((_, place) => (parts.technique[place] ?? 100) < 75);
    expect(below.length).toBeGreaterThan(3);
    for (const { id: candidate } of below) {
      const own = decision.outcomes.find((outcome) => outcome.candidate === candidate);
      if (own?.total === null) continue;
      expect(own?.outcome).toBe('fail');
      expect(own?.reasons.join()).toMatch(/Technique: \d+\.\d % over all stations is below/);
    }
    const before = newest?.failed ?? 0;
    expect(decision.failed).toBeGreaterThan(before);
    // Read again on what it knew, it says the same; and a decision of before is read as it was.
    const reread: Rereading = (
      await lead.call('GET', `/decisions/${decision.id}/rereading`).expect(200)
    ).body;
    expect(reread.changed).toEqual([]);
    const refused = await sign(
      { ...page.draft, rule: { ...asked, parts: { technique: 101 } } },
      decision.id,
    );
    expect(refused.status).toBe(422);
    expect(refused.body.errors[0].detail).toMatch(/between 0 and 100/);
  });
});
