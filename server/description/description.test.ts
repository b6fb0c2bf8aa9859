import { api } from '@kritikos/contracts/api';
import { validate } from '@readme/openapi-parser';
import { describe, expect, it } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { startServer } from '../testing/startServer.ts';

const server = await startServer('demo');
const examiner = await server.signIn(EXAMINERS[0].email);
const { status, body } = await examiner.call('GET', '/openapi.json');

interface Operation {
  readonly summary: string;
  readonly security?: unknown[];
  readonly parameters?: { readonly name: string; readonly in: string }[];
  readonly requestBody?: { readonly content: Record<string, { schema: unknown }> };
  readonly responses: Record<string, { readonly content: Record<string, unknown> }>;
}
const paths = body.paths as Record<string, Record<string, Operation>>;
const operationAt = (address: string) => {
  const [method = '', path = ''] = address.split(' ');
  return paths[path.replace(/:(\w+)/g, '{$1}')]?.[method.toLowerCase()];
};

describe('the description of the API', () => {
  it('is for whoever is signed in', async () => {
    expect(status).toBe(200);
    expect((await (await server.lead()).call('GET', '/openapi.json')).body).toEqual(body);
    expect((await server.anyone.call('GET', '/openapi.json')).status).toBe(401);
  });

  // By a validator of the OpenAPI 3.1 standard that knows nothing of us.
  it('is a valid document of OpenAPI 3.1', async () => {
    expect(body.openapi).toBe('3.1.0');
    const result = await validate(structuredClone(body));
    expect(result.valid ? [] : result.errors).toEqual([]);
  });

  it('is refused by that validator when it is broken, so that the test can fail', async () => {
    const broken = structuredClone(body);
    broken.paths['/session'].get.responses = 'none';
    expect((await validate(broken)).valid).toBe(false);
  });

  it.each(Object.entries(api))('names %s as its contract says', (address, contract) => {
    const operation = operationAt(address);
    expect(operation?.summary).toBe(contract.says);
    expect(operation?.security).toEqual(contract.access === 'anyone' ? [] : undefined);
    const names = [...address.matchAll(/:(\w+)/g)].map(([, name]) => name);
    const inPath = operation?.parameters?.filter((p) => p.in === 'path').map((p) => p.name) ?? [];
    expect(inPath).toEqual(names);
    const kinds = {
      csv: 'text/csv',
      zip: 'application/zip',
      calendar: 'text/calendar',
      'open file': 'application/json',
      events: 'text/event-stream',
    };
    const { answers } = contract;
    const kind = typeof answers === 'string' ? kinds[answers] : 'application/json';
    expect(Object.keys(operation?.responses['200']?.content ?? {})).toEqual([kind]);
    expect(operation?.requestBody !== undefined).toBe('body' in contract);
  });

  it('says each shape once, by its name, and refers to it: not half as long as with every shape in its place', () => {
    const all = JSON.stringify(body);
    expect(all.length).toBeLessThan(800_000);
    const refused = Object.values(operationAt('GET /session')?.responses ?? {}).slice(1);
    expect(refused.length).toBeGreaterThan(5);
    for (const { content } of refused)
      expect(content['application/problem+json']).toEqual({
        schema: { $ref: '#/components/schemas/Problem' },
      });
    // Nothing is named that nobody refers to.
    for (const name of Object.keys(body.components.schemas))
      expect(all).toContain(`"#/components/schemas/${name}"`);
  });

  it('says of every operation once what it is called', () => {
    const ids = Object.values(paths).flatMap((own) =>
      Object.values(own).map(
        (operation) => (operation as unknown as { operationId: string }).operationId,
      ),
    );
    expect(new Set(ids).size).toBe(Object.keys(api).length);
  });

  it('describes a body down to its bounds: a password has twelve characters or more', () => {
    const { schema: named } = operationAt('POST /accounts/first-administrator')?.requestBody
      ?.content['application/json'] as { schema: { $ref: string } };
    expect(named).toEqual({ $ref: '#/components/schemas/FirstAccount' });
    const schema = body.components.schemas.FirstAccount;
    expect(schema.properties.password.minLength).toBe(12);
    expect(schema.required).toEqual(expect.arrayContaining(['email', 'password', 'name']));
    expect(
      Object.keys(
        operationAt('POST /examinations/:examination/candidates')?.requestBody?.content ?? {},
      ),
    ).toEqual(['text/csv']);
  });
});
