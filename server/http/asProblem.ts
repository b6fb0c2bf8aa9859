import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { isDatabaseAway } from '../db/isDatabaseAway.ts';
import { LARGEST_BODY } from './bodies.ts';
import { HttpProblem } from './problems.ts';

/** How long a browser is to wait before it asks a server again whose database is away. */
const RETRY_AFTER_SECONDS = 2;

/** Answers with a problem for whatever was thrown; no stack trace leaves the server. */
export function problems(logger: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) return next(error);
    const problem = asProblem(error);
    if (problem.status >= 500) logger.error({ err: error, url: request.originalUrl }, problem.type);
    if (problem.status === 503) response.setHeader('retry-after', String(RETRY_AFTER_SECONDS));
    response.status(problem.status).type('application/problem+json').json(problem);
  };
}

function asProblem(error: unknown): HttpProblem {
  if (error instanceof HttpProblem) return error;
  if (isDatabaseAway(error)) {
    return new HttpProblem(
      503,
      'unavailable',
      'The database cannot be reached just now',
      'Nothing was half-saved. The server tries again by itself; so does a tablet with marks on it.',
    );
  }
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
    return new HttpProblem(415, 'unsupported-type', 'The body must be plain UTF-8, and not packed');
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
