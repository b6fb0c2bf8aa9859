import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { routes } from '../routes.ts';
import type { Route } from './route.ts';
import { candidateFile, nearlyValid } from '../testing/nearlyValid.ts';
import { startServer } from '../testing/startServer.ts';

const server = await startServer('demo');
const lead = await server.lead();
const examiner = await server.signIn(EXAMINERS[0].email);
const examination = await server.thisYears();
const own = (await examiner.call('GET', '/own/stations')).body[0];
const sheet = own.sheets.find((s: { submittedAt: unknown }) => !s.submittedAt).id as string;

const TABLES = [
  'account',
  'examination',
  'candidate',
  'station',
  'sheet',
  'mark_event',
  'sheet_mark',
  'decision',
  'checklist_version',
];
async function rows(): Promise<unknown> {
  const counts = TABLES.map((table) => server.db(table).count('*').as(table));
  return server.db.select(counts).first();
}

describe('bodies that cannot be read', () => {
  it('a 2 MB body is too large, and says so', async () => {
    const response = await lead.csv(
      `/examinations/${examination}/candidates`,
      'x'.repeat(2 * 1024 * 1024),
    );
    expect(response.status).toBe(413);
    expect(response.body.detail).toMatch(/1mb/);
    const json = await lead.call('POST', '/examinations', { title: 'x'.repeat(2 * 1024 * 1024) });
    expect(json.status).toBe(413);
  });

  it('broken UTF-8 is named with its place', async () => {
    const broken = Buffer.from('number,name\n1,Jos\xe9\n', 'latin1');
    const response = await lead.csv(`/examinations/${examination}/candidates/preview`, broken);
    expect(response.status).toBe(400);
    expect(response.body.detail).toMatch(/Near byte 17/);
  });

  it('half a JSON document is refused', async () => {
    const response = await lead
      .call('POST', '/examinations')
      .type('application/json')
      .send('{"title": "x');
    expect(response.status).toBe(400);
    expect(response.body.type).toBe('urn:kritikos:problem:unreadable');
  });

  it('a body of another kind is refused', async () => {
    const response = await lead.call('POST', '/examinations').type('text/plain').send('title');
    expect(response.status).toBe(415);
  });

  it('a path that is no text is refused', async () => {
    const response = await lead.call('GET', '/examinations/%ff');
    expect([400, 404]).toContain(response.status);
  });

  it('a question with characters that nothing can hold is refused', async () => {
    const response = await lead.call('GET', '/audit?action=a%00b');
    expect(response.status).toBe(422);
    expect(response.body.errors[0].pointer).toBe('/query/action');
  });

  it('characters that cannot be stored are refused, not half-stored', async () => {
    const body = { title: 'a\u0000b', school: 'S', cohort: '1', heldOn: '2026-01-01', zone: 'UTC' };
    const response = await lead.call('POST', '/examinations', body);
    expect(response.status).toBe(422);
    expect(response.body.errors[0].pointer).toBe('/title');
  });
});

describe('whatever is thrown at it', () => {
  // Signing in is limited and sign-out ends the session; both have tests of their own.
  const targets = routes.filter(
    (r) =>
      ['post', 'put', 'patch'].includes(r.method) && r.path !== '/session' && r.takes !== 'csv',
  );

  const bodies = fc.nat(targets.length - 1).chain((place) => {
    const route = targets[place] as Route;
    const nearly = route.body ? nearlyValid(route.body, [sheet, examination, own.stationId]) : null;
    const anything = fc.jsonValue();
    const body = nearly
      ? fc.oneof({ weight: 3, arbitrary: nearly }, { weight: 1, arbitrary: anything })
      : anything;
    return body.map((content) => ({ route, content: JSON.stringify(content) ?? 'null' }));
  });

  it('no body makes a fault, and a refused body changes nothing', async () => {
    await fc.assert(
      fc.asyncProperty(bodies, async ({ route, content }) => {
        const caller =
          route.access !== 'anyone' && !route.access.roles.includes('lead') ? examiner : lead;
        const path = route.path
          .replace(':sheet', sheet)
          .replace(':station', own.stationId)
          .replace(/:\w+/g, examination);
        const before = await rows();
        const response = await caller
          .call(route.method, path)
          .type('application/json')
          .send(content);
        expect(response.status, `${route.method} ${path} ${response.text}`).toBeLessThan(500);
        if (response.status >= 400) {
          expect(response.headers['content-type']).toMatch(/problem\+json/);
          expect(await rows()).toEqual(before);
        }
      }),
      { numRuns: 600 },
    );
  });

  it('no candidate file makes a fault, and only a wholly right one is taken', async () => {
    await fc.assert(
      fc.asyncProperty(candidateFile, async (content) => {
        const response = await lead.csv(`/examinations/${examination}/candidates/preview`, content);
        expect(response.status, response.text).toBe(200);
        const { rows: taken, errors } = response.body;
        for (const row of taken) expect(row.number).toBeGreaterThan(24);
        if (taken.length === 0) expect(errors.length).toBeGreaterThan(0);
      }),
      { numRuns: 250 },
    );
  });

  it('no address with odd ids makes a fault', async () => {
    const odd = fc
      .string({ unit: 'grapheme', minLength: 1, maxLength: 20 })
      .map(encodeURIComponent);
    const readable = routes.filter((r) => r.method === 'get' && r.path.includes(':'));
    await fc.assert(
      fc.asyncProperty(fc.nat(readable.length - 1), odd, async (place, piece) => {
        const route = readable[place] as Route;
        const response = await lead.call('GET', route.path.replace(/:\w+/g, piece));
        expect(response.status).toBeLessThan(500);
      }),
      { numRuns: 150 },
    );
  });
});
