import type { Account, Role } from '@kritikos/contracts/accounts';
import { isUtf8 } from 'node:buffer';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express from 'express';
import type { ErrorRequestHandler, Express, Request, RequestHandler } from 'express';
import helmet from 'helmet';
import pg from 'pg';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { z } from 'zod';
import { findAccount } from '../accounts/repository.ts';
import type { Database } from '../db/database.ts';
import { routes } from '../routes.ts';
import { HttpProblem, invalid, notAllowed, notFound } from './problems.ts';
import type { Download, Route } from './route.ts';
import { refuseForgeries, sessions } from './session.ts';

const LARGEST_BODY = '1mb';

export interface Application {
  readonly express: Express;
  close(): Promise<void>;
}

/** The whole server over one database: sessions, routes, the built web application, problems. */
export async function application(
  db: Database,
  databaseUrl: string,
  logger: Logger,
  webFolder?: string,
): Promise<Application> {
  const pool = new pg.Pool({ connectionString: databaseUrl, max: 10 });
  const app = express();
  app.disable('x-powered-by');
  app.use(securityHeaders());
  if (webFolder && existsSync(webFolder)) app.use(webApplication(webFolder));
  app.use(pinoHttp({ logger, autoLogging: false }));
  const api = express.Router();
  api.use(await sessions(db, pool));
  api.use(refuseForgeries);
  api.use(express.json({ limit: LARGEST_BODY, verify: refuseBrokenText }));
  api.use(express.text({ type: 'text/csv', limit: LARGEST_BODY, verify: refuseBrokenText }));
  for (const route of routes) api[route.method](route.path, answer(route, db));
  api.use(() => {
    throw notFound('address');
  });
  app.use('/api', api);
  app.use(problems(logger));
  return { express: app, close: () => pool.end() };
}

/** Checks who calls and what they send, lets the route do its work, and sends what it answers. */
function answer(route: Route, db: Database): RequestHandler {
  return async (request, response) => {
    const account = await caller(db, request);
    admit(route, account);
    if (route.body && !request.is(route.takes === 'csv' ? 'text/csv' : 'application/json')) {
      throw new HttpProblem(
        415,
        'unsupported-type',
        `This needs a body of ${route.takes === 'csv' ? 'CSV' : 'JSON'}`,
      );
    }
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
      response.attachment(fileName).type('text/csv; charset=utf-8').send(content);
      return;
    }
    if (process.env.NODE_ENV === 'test') route.answers.parse(result);
    response.json(result ?? null);
  };
}

async function caller(db: Database, request: Request): Promise<Account | null> {
  const id = request.session.accountId;
  return id === undefined ? null : ((await findAccount(db, id)) ?? null);
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

/** PostgreSQL and people both need real UTF-8; a byte that is not is named before anything is read. */
function refuseBrokenText(_request: unknown, _response: unknown, body: Buffer): void {
  if (isUtf8(body)) return;
  // Decoding puts U+FFFD in the place of what is no character.
  const text = body.toString('utf8');
  const good = Buffer.byteLength(text.slice(0, text.indexOf('\ufffd')));
  throw new HttpProblem(
    400,
    'unreadable',
    'The text is not UTF-8',
    `Near byte ${good} there is something that is no character. Save the file as UTF-8 and send it again.`,
  );
}

function problems(logger: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) return next(error);
    const problem = asProblem(error);
    if (problem.status >= 500) logger.error({ err: error, url: request.originalUrl }, 'fault');
    response.status(problem.status).type('application/problem+json').json(problem);
  };
}

function asProblem(error: unknown): HttpProblem {
  if (error instanceof HttpProblem) return error;
  const { type, code, status } = error as { type?: string; code?: string; status?: number };
  if (type === 'entity.too.large') {
    return new HttpProblem(
      413,
      'too-large',
      'This is too large',
      `At most ${LARGEST_BODY} can be sent at once. Nothing was saved.`,
    );
  }
  if (type === 'entity.parse.failed') {
    return new HttpProblem(400, 'unreadable', 'The body is not valid JSON', 'Nothing was saved.');
  }
  if (type === 'charset.unsupported' || type === 'encoding.unsupported') {
    return new HttpProblem(415, 'unsupported-type', 'The text must be plain UTF-8');
  }
  if (
    type === 'request.aborted' ||
    type === 'request.size.invalid' ||
    error instanceof URIError ||
    status === 400
  ) {
    return new HttpProblem(400, 'unreadable', 'The request cannot be read', 'Nothing was saved.');
  }
  // 23505: two requests made the same thing at once; the second one loses.
  if (code === '23505') {
    return new HttpProblem(
      409,
      'conflict',
      'This was made by somebody else at the same moment',
      'Reload to see it.',
    );
  }
  return new HttpProblem(
    500,
    'fault',
    'Something went wrong on the server',
    'Nothing was half-saved. Try again; if it happens again, tell whoever runs this server.',
  );
}

function securityHeaders(): RequestHandler {
  return helmet({
    contentSecurityPolicy: {
      directives: {
        // Vuetify writes its theme into a style element.
        styleSrc: ["'self'", "'unsafe-inline'"],
        // The server speaks plain HTTP on loopback; a proxy in front adds TLS.
        upgradeInsecureRequests: null,
      },
    },
    strictTransportSecurity: false,
  });
}

/** The built single-page application; every address that is not a file or the API is its own. */
function webApplication(folder: string): RequestHandler {
  const files = express.static(folder, {
    index: false,
    setHeaders: (response, path) => {
      const hashed = path.includes(`${folder}/assets/`);
      response.setHeader(
        'cache-control',
        hashed ? 'public, max-age=31536000, immutable' : 'no-cache',
      );
    },
  });
  return (request, response, next) => {
    if (request.path.startsWith('/api')) return next();
    files(request, response, (error?: unknown) => {
      if (error) return next(error);
      if (request.method !== 'GET' || /\.\w+$/.test(request.path)) return next(notFound('file'));
      response.setHeader('cache-control', 'no-cache');
      response.sendFile(join(folder, 'index.html'));
    });
  };
}
