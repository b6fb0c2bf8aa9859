import { api } from '@kritikos/contracts/api';
import type { Address } from '@kritikos/contracts/api';
import type { ByRight, ByRole, Contract, Right } from '@kritikos/contracts/contract';
import { id } from '@kritikos/contracts/primitives';
import { problem } from '@kritikos/contracts/problem';
import { z } from 'zod';
import { TABLE_TYPES } from '../http/bodies.ts';
import { createDocument } from 'zod-openapi';
import { whileNamed } from './named.ts';
import type { ZodOpenApiOperationObject, ZodOpenApiPathsObject } from 'zod-openapi';

/** What an answer that is no success says, and when it comes. */
const REFUSALS: Readonly<Record<string, string>> = {
  '400': 'It could not be read.',
  '401': 'Nobody is signed in.',
  '403': 'Whoever is signed in may not.',
  '404': 'There is no such thing.',
  '409': 'It cannot be done as things stand.',
  '422': 'What was sent does not fit; every place is named.',
  '429': 'Too many attempts.',
  '503': 'The database is away; Retry-After says when to ask again.',
};
const BODY_TYPES = {
  json: ['application/json'],
  csv: ['text/csv'],
  table: TABLE_TYPES,
  'open file': ['application/json'],
} as const;
const ANSWER_TYPES = {
  csv: 'text/csv',
  zip: 'application/zip',
  calendar: 'text/calendar',
  'open file': 'application/json',
  events: 'text/event-stream',
} as const;
const CHANGES = ['post', 'put', 'patch', 'delete'];

/**
 * The API as an OpenAPI 3.1 document, made from the contracts and from nothing else: whoever writes
 * a program against this installation reads the same words as the server and the browser.
 */
export function describeApi() {
  return whileNamed(described);
}

function described() {
  const paths: ZodOpenApiPathsObject = {};
  for (const [address, contract] of Object.entries(api) as [Address, Contract][]) {
    const [method = '', path = ''] = address.split(' ');
    const written = path.replace(/:(\w+)/g, '{$1}');
    paths[written] = {
      ...paths[written],
      [method.toLowerCase()]: operation(address, method.toLowerCase(), path, contract),
    };
  }
  const { paths: all = {}, ...document } = createDocument({
    openapi: '3.1.0',
    info: {
      title: 'Kritikos',
      version: '1',
      description:
        'Practical examinations of orthopedic special tests: preparing, marking, agreement, standards, results. Sign in with POST /session; the cookie that comes with it says who calls, and every change carries the token of GET /session in x-csrf-token.',
    },
    servers: [{ url: '/api' }],
    security: [{ session: [] }],
    components: {
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'kritikos.sid' } },
    },
    paths,
  });
  return { ...document, paths: { ...all } };
}

const RIGHTS: Readonly<Record<Right, string>> = {
  lead: 'lead the examination',
  read: 'lead or may read the examination',
  mark: 'are its examiner',
};

function whoMay(access: ByRole | ByRight): string {
  const role = `For the role ${access.roles.join(' or ')}`;
  if (!('whose' in access)) return `${role}.`;
  return `${role}, of those who ${access.may.map((right) => RIGHTS[right]).join(' or ')}.`;
}

function operation(
  address: Address,
  method: string,
  path: string,
  { says, access, query, body, takes, answers }: Contract,
): ZodOpenApiOperationObject {
  const names = path.split('/').flatMap((piece) => (piece.startsWith(':') ? [piece.slice(1)] : []));
  const own = z.object(Object.fromEntries(names.map((name) => [name, id])));
  const header = z.object({ 'x-csrf-token': z.string() });
  const guarded = CHANGES.includes(method) && access !== 'anyone';
  return {
    operationId: address.replace(/[^A-Za-z0-9]+/g, '-').toLowerCase(),
    summary: says,
    tags: [path.split('/')[1] ?? ''],
    ...(access === 'anyone' ? { security: [] } : { description: whoMay(access) }),
    requestParams: {
      ...(names.length > 0 ? { path: own } : {}),
      ...(query ? { query } : {}),
      ...(guarded ? { header } : {}),
    },
    ...(body
      ? {
          requestBody: {
            required: true,
            content: BODY_TYPES[takes ?? 'json'].reduce(
              (content, type) => ({
                ...content,
                [type]: { schema: takes === 'table' ? z.string() : body },
              }),
              {},
            ),
          },
        }
      : {}),
    responses: {
      '200': {
        description: 'Done.',
        content:
          typeof answers === 'string'
            ? { [ANSWER_TYPES[answers]]: { schema: z.string() } }
            : { 'application/json': { schema: answers } },
      },
      ...Object.fromEntries(
        Object.entries(REFUSALS).map(([status, description]) => [
          status,
          { description, content: { 'application/problem+json': { schema: problem } } },
        ]),
      ),
    },
  };
}
