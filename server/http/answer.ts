import type { Account, Role } from '@kritikos/contracts/accounts';
import type { Request, RequestHandler } from 'express';
import type { z } from 'zod';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { HttpProblem, invalid, notAllowed, notFound } from './problems.ts';
import type { Download, Route } from './route.ts';

/** Checks who calls and what they send, lets the route do its work, and sends what it answers. */
export function answer(route: Route, db: Database): RequestHandler {
  return async (request, response) => {
    const account = request.caller ?? null;
    try {
      admit(route, account);
      refuseOtherBodies(route, request);
      const result = await route.handle({
        db,
        account,
        params: read(route.params, request.params, 'path'),
        query: read(route.query, request.query, 'query'),
        body: read(route.body, request.body, ''),
        request,
        response,
      });
      if (route.answers === 'csv') {
        const { fileName, content } = result as Download;
        await recordAction(db, { ...whoAndWhat(request, account), action: 'exported' });
        response.attachment(fileName).type('text/csv; charset=utf-8').send(content);
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

function admit(route: Route, account: Account | null): void {
  if (route.access === 'anyone') return;
  if (!account)
    throw new HttpProblem(
      401,
      'not-signed-in',
      'You are not signed in',
      'Sign in and try again. Marks that are waiting on this device are kept.',
    );
  if (!(route.access as readonly Role[]).includes(account.role)) {
    throw notAllowed(`This page is for the role ${route.access.join(' or ')}.`);
  }
}

function refuseOtherBodies(route: Route, request: Request): void {
  if (!route.body) return;
  const [type, name] = route.takes === 'csv' ? ['text/csv', 'CSV'] : ['application/json', 'JSON'];
  if (!request.is(type)) {
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
