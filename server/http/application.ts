import { existsSync } from 'node:fs';
import express from 'express';
import type { Express } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { tapLine } from '../marking/tapLine.ts';
import { routes } from '../routes.ts';
import type { Settings } from '../settings.ts';
import { answer } from './answer.ts';
import { problems } from './asProblem.ts';
import { notFound } from './problems.ts';
import { readBody, readOpenFile, readTableBody } from './readBody.ts';
import type { Tools } from './route.ts';
import { apiHeaders, pageHeaders } from './securityHeaders.ts';
import { refuseForgeries, sessions } from './session.ts';
import { webApplication } from './webApplication.ts';

/** The whole server over one database: sessions, routes, the built web application, problems. */
export async function application(
  tools: Tools,
  settings: Pick<Settings, 'TRUSTED_PROXIES' | 'HSTS_SECONDS'>,
  logger: Logger,
  webFolder?: string,
): Promise<Express> {
  const { db, hints } = tools;
  const app = express();
  app.disable('x-powered-by');
  app.disable('etag');
  app.set('trust proxy', settings.TRUSTED_PROXIES);
  const api = express.Router();
  api.use(apiHeaders(settings.HSTS_SECONDS));
  api.use(tapLine(db, hints));
  api.use(pinoHttp({ logger, autoLogging: false }));
  api.use(await sessions(db));
  api.use(refuseForgeries);
  for (const route of routes) {
    const read = bodyReader(route);
    api[route.method](route.path, ...read, answer(route, tools));
  }
  api.use(() => {
    throw notFound('address');
  });
  app.use('/api', api);
  app.use(...pageHeaders(settings.HSTS_SECONDS));
  if (webFolder && existsSync(webFolder)) app.use(webApplication(webFolder));
  app.use(problems(logger));
  return app;
}

function bodyReader({ takes }: (typeof routes)[number]) {
  if (takes === 'table') return [readTableBody];
  return takes === 'open file' ? [readOpenFile] : readBody;
}
