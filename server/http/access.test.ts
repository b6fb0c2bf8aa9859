import { api } from '@kritikos/contracts/api';
import { describe, expect, it } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { routes } from '../routes.ts';
import { startServer } from '../testing/startServer.ts';

const server = await startServer('demo');
const callers = {
  none: server.anyone,
  examiner: await server.signIn(EXAMINERS[0].email),
  lead: await server.lead(),
};
// Every parameter is an id that names nothing, so that whoever is let in changes nothing.
const NOWHERE = '01920000-0000-7000-8000-000000000000';

describe.each(routes.map((route) => [`${route.method} ${route.path}`, route] as const))(
  '%s',
  (_, route) => {
    const path = route.path.replace(/:\w+/g, NOWHERE);
    it.each(['none', 'examiner', 'lead'] as const)('keeps its word to %s', async (who) => {
      // Signing out would take the session from the next route's test.
      const caller =
        route.path === '/session' && route.method === 'delete' && who !== 'none'
          ? await (who === 'lead' ? server.lead() : server.signIn(EXAMINERS[1].email))
          : callers[who];
      const { status } = await (route.takes === 'csv'
        ? caller.csv(path, 'x')
        : caller.call(
            route.method,
            path,
            ['post', 'put', 'patch'].includes(route.method) ? {} : undefined,
          ));
      if (route.access === 'anyone') expect([200, 409, 422]).toContain(status);
      else if (who === 'none') expect(status).toBe(401);
      else if (!route.access.includes(who)) expect(status).toBe(403);
      else expect([200, 404, 409, 422]).toContain(status);
    });
  },
);

describe('the contract', () => {
  it('is kept at every address, once, and at no other', () => {
    expect(routes.map(({ address }) => address).sort()).toEqual(Object.keys(api).sort());
  });
});

describe('addresses that are none', () => {
  it('are problems, not pages', async () => {
    const response = await callers.lead.call('GET', '/nothing/here');
    expect(response.status).toBe(404);
    expect(response.headers['content-type']).toMatch(/application\/problem\+json/);
  });
});
