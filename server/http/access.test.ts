import { api } from '@kritikos/contracts/api';
import type { ByRight, Owned } from '@kritikos/contracts/contract';
import type { IncomingMessage } from 'node:http';
import { describe, expect, it } from 'vitest';
import { createAccount } from '../accounts/service.ts';
import { DEMO_PASSWORD, EXAMINERS } from '../demo/people.ts';
import { routes } from '../routes.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';
import type { Route } from './route.ts';

const server = await startServer('demo');
const lead = await server.lead();

async function newcomer(name: string, roles: Parameters<typeof createAccount>[2]): Promise<Caller> {
  const person = { email: `${name}@orrinmouth.example`, name, password: DEMO_PASSWORD };
  await createAccount(server.db, person, roles, null);
  return server.signIn(person.email);
}

const reader = await newcomer('reader', ['lead']);
const examination = { id: await server.thisYears() };
await server.db('examination_lead').insert({
  examination_id: examination.id,
  account_id: reader.account?.id,
  may: 'read',
});

/** Somebody in every role, and in every relation to what is there. */
const callers = {
  nobody: server.anyone,
  administrator: await newcomer('administrator', ['administrator']),
  judge: await newcomer('judge', ['judge']),
  'the lead': lead,
  'a reader': reader,
  'another lead': await newcomer('stranger', ['lead']),
  'the examiner': await server.signIn(EXAMINERS[0].email),
  'another examiner': await newcomer('elsewhere', ['examiner']),
};
type Who = keyof typeof callers;
const RIGHTS: Readonly<Partial<Record<Who, readonly string[]>>> = {
  'the lead': ['lead', 'read'],
  'a reader': ['read'],
  'the examiner': ['mark'],
};

// An id that names nothing, so that whoever is let in changes nothing.
const NOWHERE = '01920000-0000-7000-8000-000000000000';
// A thing of each kind: of the examination that is led and read, at the station that is marked.
const [own] = (await callers['the examiner'].call('GET', '/own/stations')).body as {
  stationId: string;
  sheets: { id: string }[];
}[];
const of = { examination_id: examination.id };
const decision = await server.db('decision').where(of).first('id');
const candidate = await server.db('candidate').where(of).first('id');
const panel = NOWHERE.replace('0000-7', '0001-7');
const seat = NOWHERE.replace('0000-7', '0002-7');
await server.db('panel').insert({
  id: panel,
  ...of,
  title: 'Any',
  method: 'ebel',
  level: 'item',
  asks_hofstee: false,
  asks_beuk: false,
  shows_facilities: false,
  made_by: callers['the lead'].account?.id,
});
await server.db('panel_seat').insert({ id: seat, panel_id: panel, name: 'Anybody' });
const THINGS: Readonly<Record<Owned, string>> = {
  examination: examination.id,
  station: own?.stationId ?? '',
  sheet: own?.sheets[0]?.id ?? '',
  decision: decision.id,
  candidate: candidate.id,
  panel,
  seat,
};

/** Calls with a body that no contract takes, so that nothing is changed by those who may. */
async function statusOf(route: Route, caller: Caller, path: string): Promise<number> {
  const send = ['post', 'put', 'patch'].includes(route.method);
  if (route.answers === 'events') return streamStatus(caller, path);
  const query = route.takes === 'table' ? '?name=list' : '';
  const { status } = await (route.takes && route.takes !== 'open file'
    ? caller.csv(path + query, 'x')
    : caller.call(route.method, path, send ? { nothing: 'of this' } : undefined));
  return status;
}

/** A stream is not over; its first line is enough. */
function streamStatus(caller: Caller, path: string): Promise<number> {
  return new Promise((resolve, reject) => {
    const call = caller.call('GET', path);
    call
      .buffer(false)
      .parse((response: unknown) => {
        const stream = response as IncomingMessage;
        resolve(stream.statusCode ?? 0);
        stream.destroy();
      })
      .catch((error: Error & { status?: number }) =>
        error.status === undefined ? reject(error) : resolve(error.status),
      );
  });
}

const everybody = Object.keys(callers) as Who[];
const byAddress = (some: readonly Route[]) => some.map((route) => [route.address, route] as const);
const hasRole = (route: Route, who: Who) =>
  route.access !== 'anyone' &&
  callers[who].account?.roles.some(
    (role) => route.access !== 'anyone' && route.access.roles.includes(role),
  );

describe.each(byAddress(routes))('%s', (_, route) => {
  const path = route.path.replace(/:\w+/g, NOWHERE);
  // Signing out would take the session from the next route's test.
  it.skipIf(route.address === 'DELETE /session').each(everybody)(
    'asks %s for a role',
    async (who) => {
      const status = await statusOf(route, callers[who], path);
      if (route.access === 'anyone') expect([200, 409, 422]).toContain(status);
      else if (who === 'nobody') expect(status).toBe(401);
      else if (!hasRole(route, who)) expect(status).toBe(403);
      else expect([200, 404, 409, 422]).toContain(status);
    },
  );
});

const owned = routes.filter(
  (r): r is Route & { access: ByRight } => r.access !== 'anyone' && 'whose' in r.access,
);
// What needs no body and would change something; those who may call it do so in tests of their own.
const BY_ITSELF: readonly string[] = [
  'POST /examinations/:examination/plan',
  'POST /stations/:station/briefing/confirmation',
  'POST /decisions/:decision/release',
  'POST /examinations/:examination/recomputation',
];

describe.each(byAddress(owned))('%s', (address, route) => {
  const { whose, may, asksItself } = route.access as ByRight;
  const path = route.path.replace(`:${whose}`, THINGS[whose]).replace(/:\w+/g, NOWHERE);
  const mayCall = (who: Who) => may.some((right) => RIGHTS[who]?.includes(right));
  const asked = everybody.filter(
    (who) => hasRole(route, who) && !(mayCall(who) && BY_ITSELF.includes(address)),
  );
  it.each(asked)('asks %s for the right', async (who) => {
    const holds = mayCall(who);
    if (asksItself) {
      const body = { account: callers[who].account?.id, events: [{}] };
      const { status } = await callers[who].call(route.method, path, body);
      return expect(status).toBe(holds ? 200 : 403);
    }
    const status = await statusOf(route, callers[who], path);
    if (holds) expect([200, 404, 409, 422]).toContain(status);
    else expect(status).toBe(403);
  });
});

describe('the walk above', () => {
  it('meets everybody who may and everybody who may not', () => {
    expect(owned.length).toBeGreaterThan(25);
    const rights = new Set(owned.flatMap((route) => route.access.may));
    expect([...rights].sort()).toEqual(['lead', 'mark', 'read']);
    for (const right of rights) {
      expect(everybody.some((who) => RIGHTS[who]?.includes(right))).toBe(true);
    }
  });
});

describe('the contract', () => {
  it('is kept at every address, once, and at no other', () => {
    expect(routes.map(({ address }) => address).sort()).toEqual(Object.keys(api).sort());
  });

  it('asks for the right wherever the path names what is somebody’s', () => {
    const things = Object.keys(THINGS);
    for (const { address, access, path } of routes) {
      const named = things.find((thing) => path.startsWith(`/${thing}s/:${thing}`));
      const asked = access !== 'anyone' && 'whose' in access ? access.whose : undefined;
      expect(asked, address).toBe(named);
    }
  });
});

describe('addresses that are none', () => {
  it('are problems, not pages', async () => {
    const response = await lead.call('GET', '/nothing/here');
    expect(response.status).toBe(404);
    expect(response.headers['content-type']).toMatch(/application\/problem\+json/);
  });
});
