import { readFileSync } from 'node:fs';
import { join, sep } from 'node:path';
import compression from 'compression';
import express from 'express';
import type { RequestHandler } from 'express';
import { notFound } from './problems.ts';
import { nonceOf } from './securityHeaders.ts';

/** Stands in the built page where the nonce of each answer goes; see web/vite.config.ts. */
const PLACE_OF_NONCE = /__CSP_NONCE__/g;

/** Where a judge sits by link; a page of its own. */
const SEAT = '/panel';
const PAGES: ReadonlySet<string> = new Set(['/index.html', '/seat.html', SEAT]);

/** The built single-page application; every address that is not a file, a seat or the API is its own. */
export function webApplication(folder: string): RequestHandler {
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const seat = readFileSync(join(folder, 'seat.html'), 'utf8');
  const files = express.static(folder, {
    index: false,
    setHeaders: (response, path) => {
      const hashed = path.includes(`${folder}${sep}assets${sep}`);
      response.setHeader(
        'cache-control',
        hashed ? 'public, max-age=31536000, immutable' : 'no-cache',
      );
    },
  });
  // Files only: an answer of the API that holds a secret is never packed with what a caller chose.
  const packed = compression();
  return (request, response, next) => {
    const show = () => {
      response.setHeader('cache-control', 'no-cache');
      const own = request.path === SEAT || request.path === '/seat.html' ? seat : page;
      response.type('html').send(own.replace(PLACE_OF_NONCE, nonceOf(response)));
    };
    if (PAGES.has(request.path) && request.method === 'GET') return show();
    packed(request, response, () =>
      files(request, response, (error?: unknown) => {
        if (error) return next(error);
        if (request.method !== 'GET' || /\.\w+$/.test(request.path)) return next(notFound('file'));
        show();
      }),
    );
  };
}
