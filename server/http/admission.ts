import type { Account } from '@kritikos/contracts/accounts';
import type { ByRight, Right } from '@kritikos/contracts/contract';
import type { RequestHandler } from 'express';
import { recordRefusal } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { HttpProblem, notAllowed, notFound } from './problems.ts';
import { readPart } from './readPart.ts';
import { rightsOf } from './rights.ts';
import type { Route } from './route.ts';

/** Who asks comes before what they send: nothing of a body is read for whoever may not send it. */
export function admission(route: Route, db: Database): RequestHandler {
  return async (request, _response, next) => {
    const account = request.caller ?? null;
    try {
      await admit(db, route, account, request.params);
    } catch (thrown) {
      if (account && thrown instanceof HttpProblem && thrown.type === 'not-allowed')
        await recordRefusal(db, account.id, request);
      throw thrown;
    }
    next();
  };
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
  const { [access.whose]: thing } = readPart(params, path, 'path') as Record<string, string>;
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
