import { existsSync } from 'node:fs';
import express from 'express';
import type { Express } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Database } from '../db/database.ts';
import { tapLine } from '../marking/tapLine.ts';
import { routes } from '../routes.ts';
import type { Settings } from '../settings.ts';
import { answer } from './answer.ts';
import { problems } from './asProblem.ts';
import { notFound } from './problems.ts';
import { readBody } from './readBody.ts';
import { apiHeaders, pageHeaders } from './securityHeaders.ts';
import { refuseForgeries, sessions } from './session.ts';
import { webApplication } from './webApplication.ts';

/** The whole server over one database: sessions, routes, the built web application, problems. */
export async function application(
  db: Database,
  settings: Pick<Settings, 'TRUSTED_PROXIES' | 'HSTS_SECONDS'>,
  logger: Logger,
  webFolder?: string,
): Promise<Express> {
  const app = express();
  app.disable('x-powered-by');
  app.disable('etag');
  app.set('trust proxy', settings.TRUSTED_PROXIES);
  const api = express.Router();
  api.use(apiHeaders(settings.HSTS_SECONDS));
  api.use(tapLine(db));
  api.use(pinoHttp({ logger, autoLogging: false }));
  api.use(await sessions(db));
  api.use(refuseForgeries);
  api.use(...readBody);
  for (const route of routes) api[route.method](route.path, answer(route, db));
  api.use(() => {
    throw notFound('address');
  });
  app.use('/api', api);
  app.use(...pageHeaders(settings.HSTS_SECONDS));
  if (webFolder && existsSync(webFolder)) app.use(webApplication(webFolder));
  app.use(problems(logger));
  return app;
}
