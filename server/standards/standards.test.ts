import type { Decision, Settings, StandardsPage } from '@kritikos/contracts/standards';
import type { CandidateReport, Results } from '@kritikos/contracts/results';
import { linearRegression, mean } from 'simple-statistics';
import { parse } from 'csv-parse/sync';
import { beforeAll, describe, expect, it } from 'vitest';
import { newId } from '../http/newId.ts';
import { recordsOf } from '@kritikos/core/standards/markColumns';
import { scoredPairs } from '@kritikos/core/standards/setStandard';
import { bootstrapCuts } from '../jobs/pool.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let id: string;
let page: StandardsPage;
const open = async (): Promise<StandardsPage> =>
  (await lead.call('GET', `/examinations/${id}/standards`)).body;
/** The records of every station, as the page makes them of its columns. */
const recordsOn = ({ candidates, marks }: StandardsPage) => {
  const ids = candidates.map((c) => c.id);
  return marks.map((station) => recordsOf(station, ids));
};
const sign = (settings: Settings, follows: string | null, reason = 'Agreed by the panel today.') =>
  lead.call('POST', `/examinations/${id}/decisions`, { settings, follows, reason });

beforeAll(async () => {
  lead = await server.lead();
  id = await server.thisYears();
  page = await open();
});

describe('setting the standard', () => {
  it('keeps the draft as the lead left it', async () => {
    const draft = { ...page.draft, borderline: 2.75 };
    await lead.call('PUT', `/examinations/${id}/standards/draft`, draft).expect(200);
    expect((await open()).draft).toEqual(draft);
  });

  it('refuses settings that mean nothing, and names the field', async () => {
    const draft = { ...page.draft, handCuts: { [newId()]: 140 } };
    const response = await lead.call('PUT', `/examinations/${id}/standards/draft`, draft);
    expect(response.status).toBe(422);
    expect(response.body.errors[0].detail).toBe('a cut lies between 0 and 100');
  });

  it('signs a decision whose cuts are those of the regression, by another library too', async () => {
    const follows = page.decisions[0]?.id ?? null;
    const decision: Decision = (await sign(page.draft, follows).expect(200)).body;
    for (const [i, records] of recordsOn(page).entries()) {
      const points = records.flatMap((r) =>
        r.percent === null || r.grade === null ? [] : [[r.grade, r.percent]],
      );
      const { m, b } = linearRegression(points);
      expect(decision.cuts[i]?.cut).toBeCloseTo(b + m * 2.5, 6);
      expect(decision.cuts[i]?.bootstrapError).toBeGreaterThan(0);
    }
    expect(decision.passed + decision.failed + decision.incomplete).toBe(48);
    expect(decision.signedBy).toBe(lead.account?.name);
  });

  it('never changes a signed decision, and lets one follow another only once', async () => {
    const [newest, before] = (await open()).decisions;
    await expect(
      server.db('decision').where({ id: newest?.id }).update({ reason: 'Something else' }),
    ).rejects.toThrow(/append-only/);
    const late = await sign(page.draft, before?.id ?? null);
    expect(late.status).toBe(409);
    const next: Decision = (await sign({ ...page.draft, borderline: 3 }, newest?.id ?? null)).body;
    expect(next.number).toBe((newest?.number ?? 0) + 1);
    const old = (await lead.call('GET', `/decisions/${newest?.id}`)).body;
    expect(old.total).toBe(newest?.total);
    expect(next.total).toBeGreaterThan(old.total);
  });

  it('signs another method, and another than that at one station, and names them', async () => {
    const [newest] = (await open()).decisions;
    const [first] = page.marks;
    const settings = {
      ...page.draft,
      method: 'borderline-group' as const,
      methods: { [first?.station ?? '']: 'fixed-percent' as const },
      fixedPercent: 55,
    };
    const decision = (await sign(settings, newest?.id ?? null).expect(200)).body as Extract<
      Decision,
      { schema: 7 }
    >;
    expect(decision).toMatchObject({ schema: 7, method: 'borderline-group' });
    expect(decision.cuts[0]).toMatchObject({
      method: 'fixed-percent',
      cut: 55,
      standardError: null,
      bootstrapError: null,
    });
    for (const [i, records] of [...recordsOn(page).entries()].slice(1)) {
      // Livingston & Zieky 1982: the mean of those graded within half a grade of the borderline.
      const borderline = records.flatMap((r) =>
        r.percent !== null && r.grade !== null && Math.abs(r.grade - 2.5) <= 0.5 ? [r.percent] : [],
      );
      expect(decision.cuts[i]?.cut).toBeCloseTo(mean(borderline), 9);
    }
    const [summary] = (await open()).decisions;
    expect(summary).toMatchObject({
      schema: 7,
      method: 'borderline-group',
      number: decision.number,
    });
  });

  it('says which station has no cut by the method, and signs nothing', async () => {
    const [newest] = (await open()).decisions;
    // Nobody is graded within half a grade of 1 at most stations.
    const settings = { ...page.draft, method: 'borderline-group' as const, borderline: 1 };
    const response = await sign(settings, newest?.id ?? null);
    expect(response.status).toBe(422);
    expect(response.body.errors[0].detail).toMatch(/has no cut: Nobody was graded borderline/);
    expect((await open()).decisions[0]?.id).toBe(newest?.id);
  });

  it('fills up a draft that was kept before there were other methods', async () => {
    const { methods, method, fixedPercent, sds, ...rest } = page.draft;
    const { parts, ...ruleBefore } = rest.rule;
    const before = { ...rest, rule: ruleBefore };
    await server
      .db('standard_draft')
      .insert({ examination_id: id, settings: before })
      .onConflict('examination_id')
      .merge();
    const rule = { ...ruleBefore, parts };
    expect((await open()).draft).toEqual({ ...rest, rule, methods, method, fixedPercent, sds });
  });

  it('holds nothing while it computes, and a sheet submitted meanwhile is counted after it', async () => {
    const [newest] = (await open()).decisions;
    const done: string[] = [];
    // Both worker threads are busy for a while, so that the decision waits for its turn.
    const stations = recordsOn(page).map(scoredPairs);
    const busy = { stations, borderline: 2.5, resamples: 100_000, seed: 1, generator: 2 } as const;
    const others = [bootstrapCuts(busy), bootstrapCuts(busy)];
    const signing = sign(page.draft, newest?.id ?? null).then((response) => {
      done.push('signed');
      return response;
    });
    // What wants the examination for itself does not wait for the worker.
    await lead.call('PUT', `/examinations/${id}/marking`, { open: false }).expect(200);
    await lead.call('PUT', `/examinations/${id}/marking`, { open: true }).expect(200);
    done.push('break');
    const planned = await server
      .db('sheet')
      .where({ submitted_at: null, started_at: null })
      .first();
    await server
      .db('sheet')
      .where({ id: planned.id })
      .update({ started_at: server.db.fn.now(), submitted_at: server.db.fn.now(), rating: 3 });
    done.push('submitted');
    const decision: Decision = (await signing).body;
    await Promise.all(others);
    expect(done).toEqual(['break', 'submitted', 'signed']);
    const knew = await server.db('decision_sheet').where({ decision_id: decision.id });
    const submitted = await server
      .db('sheet')
      .whereNotNull('submitted_at')
      .whereIn('station_id', server.db('station').where({ examination_id: id }).select('id'));
    const results: Results = (await lead.call('GET', `/examinations/${id}/results`)).body;
    expect(knew.map((row) => row.sheet_id)).not.toContain(planned.id);
    expect(knew.length + results.submittedSince).toBe(submitted.length);
    await server
      .db('sheet')
      .where({ id: planned.id })
      .update({ started_at: null, submitted_at: null, rating: null });
  });

  it('asks for a reason', async () => {
    const follows = (await open()).decisions[0]?.id ?? null;
    const response = await sign(page.draft, follows, 'ok');
    expect(response.status).toBe(422);
    expect(response.body.errors[0].pointer).toBe('/reason');
  });

  it('says which station has no cut, instead of inventing one', async () => {
    const made = (
      await lead.call('POST', '/examinations', {
        title: 'Empty',
        school: 'S',
        cohort: '1',
        heldOn: '2026-12-02',
        zone: 'UTC',
      })
    ).body;
    const [checklist] = (await lead.call('GET', '/checklists')).body;
    await lead
      .call('POST', `/examinations/${made.id}/stations`, {
        title: 'Lonely',
        minutes: 5,
        checklistVersionId: checklist.versionId,
      })
      .expect(200);
    const response = await lead.call('POST', `/examinations/${made.id}/decisions`, {
      settings: page.draft,
      follows: null,
      reason: 'There is nothing here',
    });
    expect(response.status).toBe(422);
    expect(response.body.errors[0].detail).toMatch(/Lonely has no cut.*Set one by hand/);
  });
});

describe('critical items of two examiners', () => {
  const at = async (number: number) => {
    const results: Results = (await lead.call('GET', `/examinations/${id}/results`)).body;
    const candidate = results.candidates.find((c) => c.number === number);
    const stations = recordsOn(await open());
    return stations.map((records) => records.find((r) => r.candidate === candidate?.candidateId));
  };

  it('are counted item by item over all who observed them', async () => {
    // Both sheets of one candidate at one station: each missed another item, and one left out.
    const pair = await server
      .db('sheet as h')
      .join('candidate as c', 'c.id', 'h.candidate_id')
      .whereIn(
        ['h.station_id', 'h.candidate_id'],
        server
          .db('sheet')
          .whereNotNull('submitted_at')
          .whereIn('station_id', server.db('station').where({ examination_id: id }).select('id'))
          .groupBy('station_id', 'candidate_id')
          .havingRaw('count(*) = 2')
          .select('station_id', 'candidate_id')
          .limit(1),
      )
      .select('h.id', 'c.number', 'h.station_id');
    expect(pair).toHaveLength(2);
    const say = async (i: number, missed: string[], met: string[], unseen: string[]) => {
      await server
        .db('sheet')
        .where({ id: pair[i].id })
        .update({ critical_missed: missed, critical_met: met, critical_unseen: unseen });
      // A submitted sheet does not change; as this one has, what was worked out of it must go.
      await server.db('kept_analysis').delete();
    };
    const place = (await open()).marks.findIndex((s) => s.station === pair[0].station_id);
    const counts = async () => (await at(pair[0].number))[place]?.critical;
    await say(0, ['stop'], ['fracture'], ['shoes']);
    await say(1, ['fracture'], ['stop'], ['shoes']);
    expect(await counts()).toEqual([
      { item: 'fracture', observed: 2, missed: 1 },
      { item: 'shoes', observed: 0, missed: 0 },
      { item: 'stop', observed: 2, missed: 1 },
    ]);
    await say(1, ['stop'], [], ['fracture', 'shoes']);
    expect(await counts()).toEqual([
      { item: 'shoes', observed: 0, missed: 0 },
      { item: 'stop', observed: 2, missed: 2 },
    ]);
    await say(0, [], ['stop', 'fracture', 'shoes'], []);
    await say(1, [], ['stop'], ['fracture', 'shoes']);
    expect(await counts()).toEqual([]);
  });

  it('cannot be missed and met on one sheet', async () => {
    const sheet = server.db('sheet').whereNotNull('submitted_at').limit(1).select('id');
    await expect(
      server
        .db('sheet')
        .whereIn('id', sheet)
        .update({ critical_missed: ['stop'], critical_met: ['stop'] }),
    ).rejects.toThrow(/sheet_critical_items_apart/);
  });

  it('leave the results naming the item that was missed, and the station not passed', async () => {
    const results: Results = (await lead.call('GET', `/examinations/${id}/results`)).body;
    const missed = results.candidates.flatMap((c) =>
      c.stations.filter((s) => s.criticalMissed.length > 0),
    );
    expect(missed.length).toBeGreaterThan(0);
    for (const station of missed) {
      expect(station.outcome).toBe('not passed');
      expect(station.criticalMissed[0]).toMatch(/\w+ \w+ \w+/);
    }
  });
});

describe('results', () => {
  it('follow the newest decision, with the reason for every fail', async () => {
    const results: Results = (await lead.call('GET', `/examinations/${id}/results`)).body;
    expect(results.decision?.number).toBe((await open()).decisions[0]?.number);
    for (const c of results.candidates) {
      if (c.outcome === 'fail') expect(c.reasons.length).toBeGreaterThan(0);
      if (c.outcome === 'pass')
        expect(c.mean).toBeGreaterThanOrEqual(results.decision?.meanCut ?? NaN);
    }
  });

  it('open as one candidate’s page with what each missed mark was for', async () => {
    const results: Results = (await lead.call('GET', `/examinations/${id}/results`)).body;
    const failed = results.candidates.find((c) => c.outcome === 'fail');
    const report: CandidateReport = (
      await lead.call('GET', `/examinations/${id}/results/candidates/${failed?.candidateId}`)
    ).body;
    expect(report.result).toEqual(failed);
    expect(
      report.stations.flatMap((s) => s.sheets.flatMap((x) => x.missed)).length,
    ).toBeGreaterThan(0);
  });

  it('open in a spreadsheet, and text that looks like a formula stays text', async () => {
    const { student_id } = await server
      .db('candidate')
      .where({ examination_id: id, number: 1 })
      .first();
    await server.db('student').where({ id: student_id }).update({ name: '=HYPERLINK("http://x")' });
    const response = await lead.call('GET', `/examinations/${id}/results.csv`);
    expect(response.headers['content-type']).toMatch(/text\/csv; charset=utf-8/);
    expect(response.text.charCodeAt(0)).toBe(0xfeff);
    const rows = parse(response.text, { bom: true, columns: true }) as Record<string, string>[];
    expect(rows).toHaveLength(48);
    expect(rows[0]?.name).toBe(`'=HYPERLINK("http://x")`);
    expect(Number(rows[1]?.['mean percent'])).toBeGreaterThan(0);
  });
});

describe('a release', () => {
  it('is of the newest decision, once, and known to whoever reads the results', async () => {
    const page: StandardsPage = (await lead.call('GET', `/examinations/${id}/standards`)).body;
    const [newest, before] = page.decisions;
    const results = async (): Promise<Results> =>
      (await lead.call('GET', `/examinations/${id}/results`)).body;
    expect((await results()).decision?.release).toBeNull();
    const refused = await lead.call('POST', `/decisions/${before?.id}/release`);
    expect(refused.status).toBe(409);
    expect(refused.body.title).toMatch(/was followed by another/);
    const first = await lead.call('POST', `/decisions/${newest?.id}/release`).expect(200);
    const again = await lead.call('POST', `/decisions/${newest?.id}/release`).expect(200);
    expect(again.body).toEqual(first.body);
    expect((await results()).decision?.release).toEqual(first.body);
    await expect(server.db('release').delete()).rejects.toThrow(/append-only/);
  });

  it('goes with a decision that names its method', async () => {
    const page: StandardsPage = (await lead.call('GET', `/examinations/${id}/standards`)).body;
    const [newest] = page.decisions;
    expect(newest).toMatchObject({ schema: 7, method: 'borderline-regression' });
  });
});
