import type { Account, Session } from '@kritikos/contracts/accounts';
import type { Request } from 'express';
import type { Database } from '../db/database.ts';
import { HttpProblem } from '../http/problems.ts';
import { route } from '../http/route.ts';
import type { House } from '../http/route.ts';
import { csrf } from '../http/session.ts';
import { accountsWith, hasAnyAccount, listPeople } from './repository.ts';
import * as people from './people.ts';
import * as service from './service.ts';

export const accountRoutes = [
  route('GET /session', ({ db, house, request, account }) => present(db, house, request, account)),
  route('POST /session', async ({ db, house, body, request }) => {
    const address = request.ip ?? 'unknown';
    try {
      return await begin(db, house, request, await service.signIn(db, body, address));
    } catch (thrown) {
      if (thrown instanceof HttpProblem) {
        request.log.warn({ address, email: body.email, why: thrown.type }, 'sign-in failed');
      }
      throw thrown;
    }
  }),
  route('DELETE /session', async ({ db, hints, account, request, response }) => {
    await service.signOut(db, account);
    await new Promise<void>((resolve, reject) => {
      request.session.destroy((error: unknown) => (error ? reject(error as Error) : resolve()));
    });
    response.clearCookie('kritikos.sid');
    // A stream was opened with this session; those of other sessions open anew by themselves.
    await hints.accountChanged(db, account.id);
    return null;
  }),
  route('POST /accounts/first-administrator', async ({ db, house, body, request }) => {
    const address = request.ip ?? 'unknown';
    return begin(
      db,
      house,
      request,
      await service.createFirstAdministrator(db, house, body, address),
    );
  }),
  route('GET /accounts/examiners', ({ db }) => accountsWith(db, 'examiner')),
  route('GET /accounts/leads', ({ db }) => accountsWith(db, 'lead')),
  route('GET /accounts', ({ db }) => listPeople(db)),
  route('POST /accounts', ({ db, house, body, account }) =>
    people.invite(db, body, account, house),
  ),
  route('PUT /accounts/:account/roles', ({ db, hints, params, body, account }) =>
    people.changeRoles(db, params.account, body.roles, account, hints),
  ),
  route('PUT /accounts/:account/disabling', ({ db, hints, params, body, account }) =>
    people.setDisabled(db, params.account, body.disabled, account, hints),
  ),
  route('POST /accounts/:account/link', ({ db, house, params, account }) =>
    people.sendLink(db, params.account, account, house),
  ),
  route('POST /links/invitation/look', ({ db, body }) => people.lookAtLink(db, body.token)),
  route('POST /links/invitation', async ({ db, hints, house, body, request }) => {
    const account = await people.choosePassword(db, body);
    await hints.accountChanged(db, account.id);
    return begin(db, house, request, account);
  }),
  route('POST /links/new-password', ({ db, house, body, request }) =>
    people.askForPassword(db, body.email, request.ip ?? 'unknown', house),
  ),
  route('PUT /accounts/own/password', async ({ db, hints, house, body, account: own, request }) => {
    await service.changePassword(db, own, body);
    await hints.accountChanged(db, own.id);
    return begin(db, house, request, own);
  }),
];

/** A new session id at sign-in, so that one planted beforehand is worth nothing. */
async function begin(
  db: Database,
  house: House,
  request: Request,
  signedIn: Account,
): Promise<Session> {
  await new Promise<void>((resolve, reject) => {
    request.session.regenerate((error: unknown) => (error ? reject(error as Error) : resolve()));
  });
  request.session.accountId = signedIn.id;
  return present(db, house, request, signedIn);
}

async function present(
  db: Database,
  house: House,
  request: Request,
  signedIn: Account | null,
): Promise<Session> {
  return {
    account: signedIn,
    csrfToken: signedIn ? csrf.generateToken(request) : '',
    sendsLetters: house.sends,
    needsFirstAdministrator: signedIn === null && !(await hasAnyAccount(db)),
  };
}
