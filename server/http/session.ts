import cookie from 'cookie';
import { unsign } from 'cookie-signature';
import { csrfSync } from 'csrf-sync';
import type { Request, RequestHandler } from 'express';
import session from 'express-session';
import { randomBytes } from 'node:crypto';
import type { Database } from '../db/database.ts';
import { HttpProblem } from './problems.ts';
import { hashOf, SessionStore } from './sessionStore.ts';

const COOKIE = 'kritikos.sid';
const TWELVE_HOURS = 12 * 60 * 60 * 1000;

/** Reads the session of every request, and who calls. */
export function sessions(db: Database, secret: string): RequestHandler {
  return session({
    name: COOKIE,
    secret,
    store: new SessionStore(db, TWELVE_HOURS),
    resave: false,
    saveUninitialized: false,
    // Secure where the request came by TLS, also through a trusted proxy.
    cookie: { httpOnly: true, sameSite: 'strict', secure: 'auto', maxAge: TWELVE_HOURS },
  });
}

/** What session ids are signed with; made with the database. */
export async function sessionSecret(db: Database): Promise<string> {
  await db('setting')
    .insert({ name: 'session-secret', value: randomBytes(32).toString('hex') })
    .onConflict('name')
    .ignore();
  const row = await db('setting').where({ name: 'session-secret' }).first('value');
  return row.value as string;
}

const forged = () =>
  new HttpProblem(
    403,
    'forged-request',
    'This request did not come from the application',
    'Reload the page and try again. Nothing was changed.',
  );

/** The token that a page must send back with every change, bound to its session. */
export const csrf = csrfSync({
  getTokenFromRequest: (request) => request.headers['x-csrf-token'] as string | undefined,
});

/** What a request shows of its session, unchecked: the hash of its id, and the token of the page. */
export interface Credentials {
  readonly sessionHash: Buffer;
  readonly token: string;
}

/**
 * Reads the credentials of a request without the session itself, which the database is asked for
 * later. The signature of the cookie says that it is one of ours: nothing is read for a made-up one.
 */
export function credentialsOf(request: Request, secret: string): Credentials | null {
  const token = request.headers['x-csrf-token'];
  const signed = cookie.parse(request.headers.cookie ?? '')[COOKIE];
  const sid = signed?.startsWith('s:') === true && unsign(signed.slice(2), secret);
  return sid && typeof token === 'string' ? { sessionHash: hashOf(sid), token } : null;
}

/** True where the browser says that another site asks. */
export function comesFromElsewhere(request: Request): boolean {
  const site = request.headers['sec-fetch-site'];
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return true;
  const { origin } = request.headers;
  return origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== request.host);
}

/** Refuses changes asked for by another site, and signed-in changes without the session's token. */
export const refuseForgeries: RequestHandler = (request, _response, next) => {
  if (['GET', 'HEAD', 'OPTIONS'].includes(request.method)) return next();
  if (comesFromElsewhere(request)) return next(forged());
  if (request.session.accountId === undefined) return next();
  return csrf.isRequestValid(request) ? next() : next(forged());
};
