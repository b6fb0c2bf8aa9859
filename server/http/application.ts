import { existsSync } from 'node:fs';
import express from 'express';
import type { Express } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { tapLine } from '../marking/tapLine.ts';
import { routes } from '../routes.ts';
import type { Settings } from '../settings.ts';
import { admission } from './admission.ts';
import { answer } from './answer.ts';
import { problems } from './asProblem.ts';
import { bodyOf } from './bodies.ts';
import { notFound } from './problems.ts';
import type { Tools } from './route.ts';
import { apiHeaders, pageHeaders } from './securityHeaders.ts';
import { refuseForgeries, sessions, sessionSecret } from './session.ts';
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
  const secret = await sessionSecret(db);
  api.use(tapLine(db, hints, secret));
  api.use(pinoHttp({ logger, autoLogging: false, serializers: { req: withoutSecrets } }));
  api.use(sessions(db, secret));
  api.use(refuseForgeries);
  for (const route of routes) {
    api[route.method](route.path, admission(route, db), ...bodyOf(route), answer(route, tools));
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

/** What a log may say of a request: no header, since cookie and token open a session. */
function withoutSecrets({ id, method, url }: { id: unknown; method: string; url: string }) {
  return { id, method, url };
}
