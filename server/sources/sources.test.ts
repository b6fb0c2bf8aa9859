import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { AgreementOverview, Agreed, Figure } from '@kritikos/contracts/agreement';
import type { Source } from '@kritikos/contracts/sources';
import type { StandardParts, StandardsPage } from '@kritikos/contracts/standards';
import type { Trust } from '@kritikos/contracts/trust';
import type { Years } from '@kritikos/contracts/years';
import { COEFFICIENTS } from '@kritikos/core/agreement/everyCoefficient';
import { bootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import { decisionSureness } from '@kritikos/core/standards/decisionSureness';
import { recordsOf } from '@kritikos/core/standards/markColumns';
import { RULE_PARTS } from '@kritikos/core/standards/partPercents';
import type { PartPercents } from '@kritikos/core/standards/partPercents';
import { countSafety, factsOf } from '@kritikos/core/standards/candidateFacts';
import { scoredPairs, setStandard } from '@kritikos/core/standards/setStandard';
import { cutBy, STATION_METHODS } from '@kritikos/core/standards/stationMethods';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { agreementOf } from '../testing/agreementOf.ts';
import { commandRuns } from '../testing/commandRuns.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

// Every figure that has "the file and the command" beside it, worked out again by that command from
// that file: to the last digit.
const server = await startServer('demo');
const folder = mkdtempSync(join(tmpdir(), 'kritikos-sources-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
let lead: Caller;
let id: string;
beforeAll(async () => {
  lead = await server.lead();
  id = await server.thisYears();
});

interface Asked {
  /** For who reads a failure. */
  readonly what: string;
  readonly address: string;
  readonly query: Readonly<Record<string, string | number>>;
}

/** Fetches the files of every source, and runs its command on them. */
async function printed(asked: readonly Asked[]): Promise<Record<string, never>[]> {
  const lines: string[][] = [];
  for (const [n, { address, query }] of asked.entries()) {
    const search = new URLSearchParams(
      Object.entries(query).map(([key, value]): [string, string] => [key, String(value)]),
    );
    const source: Source = (await lead.call('GET', `${address}/source?${search}`).expect(200)).body;
    const paths = new Map<string, string>();
    for (const [place, name] of source.files.entries()) {
      const which = address.startsWith('/examinations') ? `&file=${place}` : '';
      const { text } = await lead
        .call('GET', `${address}/source.csv?${search}${which}`)
        .expect(200);
      const path = join(folder, `${n}-${name}`);
      writeFileSync(path, text);
      paths.set(name, path);
    }
    lines.push(source.words.map((word) => paths.get(word) ?? word));
  }
  const ran = await commandRuns(lines);
  return ran.map(({ status, printed: text, complained }, n) => {
    expect(complained, asked[n]?.what).toBe('');
    expect(status, asked[n]?.what).toBe(0);
    return JSON.parse(text) as Record<string, never>;
  });
}

const short = ({ estimate, lower, upper }: Omit<Figure, 'notes'>) => ({ estimate, lower, upper });
const allOf = ({ coefficients }: Agreed) =>
  Object.fromEntries(
    COEFFICIENTS.map((name) => [name, coefficients[name] && short(coefficients[name])]),
  );

describe('the file and the command', () => {
  it('give every coefficient of the page of agreement', async () => {
    const { stations }: AgreementOverview = await agreementOf(lead, id);
    const wanted = stations.flatMap((station) => {
      const address = `/stations/${station.stationId}`;
      const of = (query: Record<string, string | number>, agreed: Agreed | null) =>
        agreed && agreed.marks > 0
          ? [{ what: `${station.position} ${JSON.stringify(query)}`, address, query, agreed }]
          : [];
      return [
        ...of({ figure: 'technique' }, station.technique),
        ...of({ figure: 'declared' }, station.declared),
        ...station.byDomain.flatMap((g) => of({ figure: 'domain', name: g.name }, g.agreement)),
        ...station.byObservability.flatMap((g) =>
          of({ figure: 'observability', name: g.name }, g.agreement),
        ),
        ...station.byVariant.flatMap((g) => of({ figure: 'variant', name: g.name }, g.agreement)),
        ...station.pairs.flatMap((pair, i) => of({ figure: 'pair', pair: i }, pair.agreement)),
        ...station.items.flatMap((item) => of({ figure: 'item', item: item.item }, item)),
      ];
    });
    expect(wanted.length).toBeGreaterThan(150);
    const results = await printed(wanted);
    for (const [n, { what, agreed }] of wanted.entries()) {
      const found = results[n] as unknown as Record<string, Figure | null>;
      const again = Object.fromEntries(
        COEFFICIENTS.map((name) => [name, found[name] ? short(found[name]) : null]),
      );
      expect(again, what).toEqual(allOf(agreed));
    }
  });

  it('give the limits of agreement of every number, and the ICC of every station', async () => {
    const { stations } = await agreementOf(lead, id);
    const numbers = stations.flatMap(({ stationId, position, items }) =>
      items.flatMap(({ item, measured }) =>
        (measured?.pairs ?? []).flatMap(({ limits }, pair) =>
          limits
            ? [
                {
                  what: `${position} ${item} ${pair}`,
                  address: `/stations/${stationId}`,
                  query: { figure: 'limits', item, pair },
                  limits,
                },
              ]
            : [],
        ),
      ),
    );
    expect(numbers.length).toBeGreaterThan(15);
    for (const [n, found] of (await printed(numbers)).entries()) {
      const { limits, what } = numbers[n] ?? {};
      const { bias, lowerLimit, upperLimit, sd } = found;
      expect({ bias, lowerLimit, upperLimit, sd }, what).toEqual({
        bias: limits?.bias,
        lowerLimit: limits?.lowerLimit,
        upperLimit: limits?.upperLimit,
        sd: limits?.sd,
      });
    }
    const scores = stations.map(({ stationId, position, scores: own }) => ({
      what: `ICC of ${position}`,
      address: `/stations/${stationId}`,
      query: { figure: 'scores' },
      own,
    }));
    for (const [n, found] of (await printed(scores)).entries()) {
      const own = scores[n]?.own;
      const { ICC21, semAgreement, mdc95 } = found as unknown as {
        ICC21: Figure;
        semAgreement: number;
        mdc95: number;
      };
      expect(
        {
          estimate: ICC21.estimate,
          lower: ICC21.lower,
          upper: ICC21.upper,
          sem: semAgreement,
          smallestRealChange: mdc95,
        },
        scores[n]?.what,
      ).toEqual({
        ...short(own ?? { estimate: null, lower: null, upper: null }),
        sem: own?.sem,
        smallestRealChange: own?.smallestRealChange,
      });
    }
  });

  it('give the cut of every station by every method', async () => {
    const { settings, data } = await standardPage();
    const wanted = data.flatMap(({ station, position, records }) =>
      STATION_METHODS.map((method) => ({
        what: `${position} ${method}`,
        address: `/stations/${station}`,
        query: { figure: 'cut', method },
        method,
        marks: scoredPairs(records),
      })),
    );
    expect(wanted).toHaveLength(80);
    for (const [n, found] of (await printed(wanted)).entries()) {
      const { method, marks, what } = wanted[n] ?? never();
      const own = cutBy(method, marks, settings);
      const key = {
        'borderline-median': 'median',
        'contrasting-normal': 'normal',
        'contrasting-logistic': 'logistic',
        'contrasting-least': 'leastMisclassified',
      }[method as string];
      expect(found[key ?? 'cut'] as unknown, what).toBe(own.estimate);
      if (method !== 'borderline-regression') continue;
      expect(found, what).toMatchObject({
        lower: own.lower,
        upper: own.upper,
        standardError: own.standardError,
        bootstrap: bootstrapCut(marks.scores, marks.grades, settings.borderline, 2000, 1),
      });
    }
  });

  it('give the standard of the examination, what it does, and how sure it is', async () => {
    const { page, settings, data, candidates } = await standardPage();
    const own = setStandard(data, candidates, settings);
    const address = `/examinations/${id}`;
    const [standard, sure] = await printed([
      { what: 'standard', address, query: { figure: 'standard' } },
      { what: 'sureness', address, query: { figure: 'sureness' } },
    ]);
    expect(standard).toMatchObject({
      total: own.examCut?.total,
      sem: own.sem,
      passed: own.passed,
      failed: own.failed,
      incomplete: own.incomplete,
    });
    const { quality } = decisionSureness(own);
    // The same with a rule that asks for parts.
    const parts: StandardParts = (await lead.call('GET', `${address}/standards/parts`)).body;
    const ofParts = new Map(
      page.candidates.map((candidate, place) => [
        candidate.id,
        Object.fromEntries(
          RULE_PARTS.map((part) => [part, parts[part][place] ?? null]),
        ) as PartPercents,
      ]),
    );
    const asking = {
      ...settings,
      rule: { ...settings.rule, parts: { technique: 70, safety: 85 } },
    };
    await lead.call('PUT', `${address}/standards/draft`, asking).expect(200);
    const facts = factsOf(candidates, ofParts, undefined);
    const other = setStandard(data, candidates, asking, facts);
    expect(other.failed).toBeGreaterThan(own.failed);
    const [byParts] = await printed([{ what: 'parts', address, query: { figure: 'standard' } }]);
    await lead.call('PUT', `${address}/standards/draft`, settings).expect(200);
    expect(byParts).toMatchObject({
      passed: other.passed,
      failed: other.failed,
      incomplete: other.incomplete,
    });
    // And one that asks for safety events.
    const safe = { ...settings, rule: { ...settings.rule, safetyEventFails: true } };
    await lead.call('PUT', `${address}/standards/draft`, safe).expect(200);
    const events = factsOf(candidates, undefined, countSafety(page.safety));
    const bySafety = setStandard(data, candidates, safe, events);
    const [byEvents] = await printed([{ what: 'events', address, query: { figure: 'standard' } }]);
    await lead.call('PUT', `${address}/standards/draft`, settings).expect(200);
    expect(bySafety.incomplete).toBe(own.incomplete + 1);
    expect(byEvents).toMatchObject({
      passed: bySafety.passed,
      failed: bySafety.failed,
      incomplete: bySafety.incomplete,
    });
    expect(quality?.consistency).toBeGreaterThan(0.5);
    expect(sure).toMatchObject({ accuracy: quality?.accuracy, consistency: quality?.consistency });
  });

  it('give the severities, how far the examination can be trusted, and what the years say', async () => {
    const { severity } = await agreementOf(lead, id);
    const trust: Trust = (await lead.call('GET', `/examinations/${id}/trust`)).body;
    const years: Years = (await lead.call('GET', `/examinations/${id}/years`)).body;
    const address = `/examinations/${id}`;
    const [severities, trusted, apart] = (await printed(
      ['severity', 'trust', 'years'].map((figure) => ({
        what: figure,
        address,
        query: { figure },
      })),
    )) as unknown as [
      { examiners: { name: string; severity: number; lower: number; upper: number }[] },
      Record<string, unknown> & { held: { dependability: number } },
      { cohort: Figure; paper: Figure; anchors: { drift: Figure; used: boolean }[] },
    ];
    expect(
      severities.examiners
        .map(({ name, severity: own, lower, upper }) => ({
          examiner: name,
          severity: own,
          lower,
          upper,
        }))
        .sort((a, b) => b.severity - a.severity),
    ).toEqual(
      severity?.examiners.map(({ examiner, severity: own, lower, upper }) => ({
        examiner,
        severity: own,
        lower,
        upper,
      })),
    );
    expect(trusted).toMatchObject({
      sentence: trust.sentence,
      alpha: trust.alpha,
      shares: trust.shares,
      atCut: trust.atCut,
      sheets: trust.sheets,
    });
    expect(trusted.held.dependability).toBe(trust.held?.dependability);
    expect(short(apart.cohort)).toEqual(short(years.compared?.cohort ?? never()));
    expect(short(apart.paper)).toEqual(short(years.compared?.paper ?? never()));
    expect(apart.anchors.map(({ drift, used }) => ({ ...short(drift), used }))).toEqual(
      years.compared?.anchors.map(({ drift, used }) => ({ ...short(drift), used })),
    );
  });

  it('are named so that they can be typed, with quotes where a word needs them', async () => {
    const { body }: { body: Source } = await lead
      .call('GET', `/examinations/${id}/source?figure=severity`)
      .expect(200);
    expect(body.command).toBe(
      'npm run --silent kritikos -- severity sheets-with-examiners.csv --model "candidate + station + candidate:station + examiner" --decimal point --json',
    );
  });

  it('are refused where there is no such figure, and in words where there is nothing to work out', async () => {
    const { stations } = await agreementOf(lead, id);
    const station = `/stations/${stations[0]?.stationId}`;
    await lead.call('GET', `${station}/source?figure=item&item=no-such`).expect(404);
    await lead.call('GET', `${station}/source?figure=limits&item=consent`).expect(404);
    await lead.call('GET', `${station}/source?figure=pair&pair=9`).expect(404);
    await lead.call('GET', `${station}/source?figure=anything`).expect(422);
    const wanted = { title: 'New', school: 'S', cohort: '9', heldOn: '2031-01-01', zone: 'UTC' };
    const empty = (await lead.call('POST', '/examinations', wanted).expect(200)).body.id;
    const none = await lead.call('GET', `/examinations/${empty}/source?figure=years`).expect(404);
    expect(none.body.title).toMatch(/No sitting before this one/);
    const open = await lead
      .call('GET', `/examinations/${empty}/source?figure=standard`)
      .expect(404);
    expect(open.body.title).toMatch(/no standard yet/);
  });
});

/** The standard as the page has it: the marks, whom it decides on, and the settings as they were left. */
async function standardPage() {
  const page: StandardsPage = (await lead.call('GET', `/examinations/${id}/standards`)).body;
  const ids = page.candidates.map((candidate) => candidate.id);
  return {
    page,
    settings: page.draft,
    candidates: page.candidates.filter((c) => !c.withdrawn).map((c) => c.id),
    data: page.marks.map(({ station, title, position, ...columns }) => ({
      station,
      title,
      position,
      records: recordsOf(columns, ids),
    })),
  };
}

function never(): never {
  throw new Error('It is not there.');
}
