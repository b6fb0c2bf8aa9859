import type { Account } from '@kritikos/contracts/accounts';
import { FILE_TYPES } from '@kritikos/contracts/contract';
import type { Request, RequestHandler } from 'express';
import { recordAction, recordRefusal } from '../audit/repository.ts';
import { HttpProblem } from './problems.ts';
import { readPart } from './readPart.ts';
import type { Download, Route, Tools } from './route.ts';

/**
 * Reads what is sent by the contract of a route, lets the route do its work, and sends what it answers,
 * held to the contract too: what that does not name does not leave the house.
 */
export function answer(route: Route, tools: Tools): RequestHandler {
  const { db } = tools;
  return async (request, response) => {
    const account = request.caller ?? null;
    try {
      const result = await route.handle({
        ...tools,
        account,
        params: readPart(route.params, request.params, 'path'),
        query: readPart(route.query, request.query, 'query'),
        body: bodyOf(route, request),
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
      response.json(route.answers.parse(result) ?? null);
    } catch (thrown) {
      if (account && thrown instanceof HttpProblem && thrown.type === 'not-allowed')
        await recordRefusal(db, account.id, request);
      throw thrown;
    }
  };
}

/** An open file was read by its contract in a thread already; anything else is read here. */
function bodyOf(route: Route, request: Request): unknown {
  return route.takes === 'open file' ? request.body : readPart(route.body, request.body, '');
}

function whoAndWhat({ method, path }: Request, account: Account | null) {
  return { accountId: account?.id ?? null, detail: { method, path: path.slice(0, 300) } };
}
