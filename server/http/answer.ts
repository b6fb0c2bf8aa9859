import type { Account } from '@kritikos/contracts/accounts';
import { FILE_TYPES } from '@kritikos/contracts/contract';
import type { ByRight, Right } from '@kritikos/contracts/contract';
import type { Request, RequestHandler } from 'express';
import type { z } from 'zod';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { HttpProblem, invalid, notAllowed, notFound } from './problems.ts';
import { rightsOf } from './rights.ts';
import { TABLE_TYPES } from './readBody.ts';
import type { Download, Route, Tools } from './route.ts';

/** Checks who calls and what they send, lets the route do its work, and sends what it answers. */
export function answer(route: Route, tools: Tools): RequestHandler {
  const { db } = tools;
  return async (request, response) => {
    const account = request.caller ?? null;
    try {
      await admit(db, route, account, request.params);
      refuseOtherBodies(route, request);
      const result = await route.handle({
        ...tools,
        account,
        params: read(route.params, request.params, 'path'),
        query: read(route.query, request.query, 'query'),
        body: read(route.body, request.body, ''),
        request,
        response,
      });
      if (route.answers === 'events') return; // the route has begun to write
      if (typeof route.answers === 'string') {
        const { fileName, content } = result as Download;
        await recordAction(db, { ...whoAndWhat(request, account), action: 'exported' });
        response.attachment(fileName).type(FILE_TYPES[route.answers]).send(content);
        return;
      }
      if (process.env.NODE_ENV === 'test') route.answers.parse(result);
      response.json(result ?? null);
    } catch (thrown) {
      if (account && thrown instanceof HttpProblem && thrown.type === 'not-allowed') {
        await recordAction(db, { ...whoAndWhat(request, account), action: 'refused' });
      }
      throw thrown;
    }
  };
}

function whoAndWhat({ method, path }: Request, account: Account | null) {
  return { accountId: account?.id ?? null, detail: { method, path: path.slice(0, 300) } };
}

/** Lets in whoever holds the role and, where the path names a thing that is somebody's, the right. */
async function admit(
  db: Database,
  { access, params }: Route,
  account: Account | null,
  path: unknown,
): Promise<void> {
  if (access === 'anyone') return;
  if (!account)
    throw new HttpProblem(
      401,
      'not-signed-in',
      'You are not signed in',
      'Sign in and try again. Marks that are waiting on this device are kept.',
    );
  if (!account.roles.some((role) => access.roles.includes(role))) {
    throw notAllowed(`This page is for the role ${access.roles.join(' or ')}.`);
  }
  if (!('whose' in access) || access.asksItself) return;
  const { [access.whose]: thing } = read(params, path, 'path') as Record<string, string>;
  const rights = await rightsOf(db, account, access.whose, thing ?? '');
  if (!rights) throw notFound(access.whose);
  if (!access.may.some((right) => rights.has(right))) {
    throw notAllowed(whyNot(access, rights));
  }
}

function whyNot({ whose, may }: ByRight, rights: ReadonlySet<Right>): string {
  if (rights.has('read')) return 'You may read this examination; whoever leads it can change it.';
  if (!may.includes('mark')) {
    return 'Other people lead this examination. One of them, or an administrator, can let you read it.';
  }
  return whose === 'sheet'
    ? 'This is another examiner’s sheet. Examiners mark and see only their own.'
    : 'You are not an examiner at this station.';
}

const BODIES = {
  json: [['application/json'], 'JSON'],
  csv: [['text/csv'], 'CSV'],
  table: [TABLE_TYPES, 'CSV or XLSX'],
  'open file': [['application/json'], 'JSON'],
} as const;

function refuseOtherBodies(route: Route, request: Request): void {
  if (!route.body) return;
  const [types, name] = BODIES[route.takes ?? 'json'];
  if (!request.is([...types])) {
    throw new HttpProblem(415, 'unsupported-type', `This needs a body of ${name}`);
  }
}

function read(schema: z.ZodType | undefined, value: unknown, where: string): unknown {
  if (!schema) return undefined;
  const result = schema.safeParse(value ?? {});
  if (result.success) return result.data;
  // An id that is no id cannot name anything; to the caller that is simply not there.
  if (where === 'path') throw notFound('page');
  throw invalid(
    result.error.issues.map((issue) => ({
      pointer: `${where ? `/${where}` : ''}/${issue.path.map(String).join('/')}`,
      detail: issue.message,
    })),
  );
}
